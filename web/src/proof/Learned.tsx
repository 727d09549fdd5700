import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, take, type Schema } from '../api/client';
import { count } from '../frame/format';
import { useNotice } from '../frame/Notice';

type Learnable = Schema['Learnable'];

/** How somebody put a fact that nobody had words for: offered for all products that have it. */
export function Learned({ learnable }: { learnable: Learnable[] }) {
  const queries = useQueryClient();
  const notice = useNotice();
  const learn = useMutation({
    mutationFn: ({ heading, form, wording }: Learnable) =>
      take(
        api.POST('/api/concepts/wordings', { body: { wordings: [{ heading, form, wording }] } }),
      ),
    onSuccess: (touched, l) => {
      notice.say(
        `“${l.heading}” is told so from now on. ${count(touched.texts, 'text')} of products that have it can be written anew: they are stale.`,
      );
      queries.invalidateQueries({ queryKey: ['proof'] });
      queries.invalidateQueries({ queryKey: ['concepts'] });
      queries.invalidateQueries({ queryKey: ['products'] });
    },
    onError: notice.trouble,
  });
  return learnable.map((l) => (
    <Box
      key={l.heading}
      data-testid="learned"
      sx={{
        display: 'flex',
        alignItems: 'baseline',
        gap: 2,
        borderLeft: 2,
        borderColor: 'success.main',
        pl: 1.5,
        my: 1.5,
      }}
    >
      <Box>
        You wrote “{l.sentence}” Shall <strong>{l.heading}</strong> be told like this of every
        product that has it: <em>{said(l)}</em>?
      </Box>
      <Button
        size="small"
        variant="outlined"
        sx={{ flex: 'none' }}
        disabled={learn.isPending}
        onClick={() => learn.mutate(l)}
      >
        Tell it so
      </Button>
    </Box>
  ));
}

const BEFORE: Record<string, string> = { part: 'it is ', with: 'it has ', verb: 'to ' };

const said = (l: Learnable) =>
  (BEFORE[l.form] ?? '') + l.wording.replace('{asis}', `⟨${l.heading}⟩`);
