import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, take, type Schema } from '../api/client';
import { when } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { saidOf } from './teaching';

type Judged = Schema['Judged'];

const EFFECTS: Record<Judged['effect'], string> = {
  AS_BEFORE: 'said as before',
  SAID_MORE: 'said twice as often',
  SAID_NO_MORE: 'said only where no other words fit',
  NO_OTHER: 'said still: there are no other words for it',
};

/** What people think of wordings that they met in texts, and what Rhetor makes of it. */
export function Verdicts({ mayDecide }: { mayDecide: boolean }) {
  const queries = useQueryClient();
  const notice = useNotice();
  const judged = useQuery({
    queryKey: ['verdicts'],
    queryFn: () => take(api.GET('/api/verdicts')),
  });
  const forget = useMutation({
    mutationFn: ({ concept, wording }: Judged) =>
      take(api.POST('/api/verdicts/take-back', { body: { concept, wording } })),
    onSuccess: (left) => queries.setQueryData(['verdicts'], left),
    onError: notice.trouble,
  });
  if (!judged.data?.length) return null;
  return (
    <Box component="section" aria-label="Well put and badly put" sx={{ my: 2 }}>
      <Typography variant="h2">Well put and badly put</Typography>
      {judged.data.map((j) => (
        <Box key={j.concept + j.wording} sx={{ py: 0.5 }}>
          <strong>{saidOf(j)}</strong>: {people(j)}; {EFFECTS[j.effect]}.
          {j.verdicts.slice(0, 3).map((o) => (
            <Box key={o.product + o.by} sx={{ fontSize: 13, color: 'text.secondary' }}>
              <q>{o.sentence}</q> {o.isGood ? 'Well put' : 'Badly put'}
              {o.why && `, since ${o.why}`}; {o.by}, {when(o.at)}
            </Box>
          ))}
          {mayDecide && (
            <Button
              size="small"
              sx={{ ml: -0.75 }}
              disabled={forget.isPending}
              aria-label={`Forget what was said of ${saidOf(j)}`}
              onClick={() => forget.mutate(j)}
            >
              Forget it
            </Button>
          )}
        </Box>
      ))}
    </Box>
  );
}

const people = ({ good, bad }: Judged) =>
  [
    good > 0 && `well put ${good === 1 ? 'once' : `${good} times`}`,
    bad > 0 && `badly put ${bad === 1 ? 'once' : `${bad} times`}`,
  ]
    .filter(Boolean)
    .join(', ');
