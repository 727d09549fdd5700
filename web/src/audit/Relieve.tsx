import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take } from '../api/client';
import { count, figure } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Keyworded } from '../keyword/Keyworded';
import { inSteps } from '../keyword/steps';

/** Takes from all keywords what no fact bears out, seen before it is done. */
export function Relieve() {
  const queries = useQueryClient();
  const notice = useNotice();
  const [done, setDone] = useState<number | null>(null);
  const relieve = (after: number, keep: boolean) =>
    take(api.POST('/api/keywords/relieve', { body: { after, keep } }));
  const seen = useQuery({
    queryKey: ['keywords', 'relieve'],
    queryFn: () => relieve(0, false),
  });
  const start = async () => {
    setDone(0);
    try {
      const relieved = await inSteps((after) => relieve(after, true), setDone);
      notice.say(`${count(relieved, 'keyword')} without what no fact bears out.`);
    } catch (e) {
      notice.trouble(e);
    } finally {
      setDone(null);
      for (const key of ['keywords', 'audit', 'proof']) {
        queries.invalidateQueries({ queryKey: [key] });
      }
    }
  };
  if (!seen.data?.given) return null;
  return (
    <Box sx={{ mb: 2 }} data-testid="relieve">
      What facts don’t bear out can be taken from the keywords. They would be:
      <Keyworded examples={seen.data.examples} />
      <Button
        size="small"
        variant="outlined"
        sx={{ mt: 1 }}
        disabled={done !== null}
        onClick={start}
      >
        {done === null ? 'Give them these keywords' : `${figure(done)} given …`}
      </Button>
    </Box>
  );
}
