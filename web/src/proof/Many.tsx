import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, take, type Schema } from '../api/client';
import { count, figure, when } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Sentence, Word } from '../frame/Sentence';
import { which, type Filter } from '../product/filter';
import { WriteSentence } from '../product/WriteSentence';
import { serif } from '../theme';
import { Give } from './Give';
import { Substitute } from './Substitute';

/** What is done to many texts. Giving them to people leaves them as they are, and writing is a run: neither is an act. */
export type Deed = Schema['ActOrder']['deed'] | 'GIVE' | 'WRITE';
type Act = Schema['Act'];

const SAID: { value: Deed; label: string; done: string }[] = [
  { value: 'SIGN_OFF', label: 'Sign off', done: 'signed off' },
  { value: 'SEND_BACK', label: 'Send back', done: 'sent back' },
  { value: 'KEEP_OLD', label: 'Keep the old text of', done: 'as before the last run' },
  { value: 'SUBSTITUTE', label: 'Put words for others in', done: 'changed' },
  { value: 'GIVE', label: 'Give to people', done: 'given' },
  { value: 'WRITE', label: 'Write again', done: 'written' },
];

export const DEEDS = SAID.map((d) => d.value);

/** What is done elsewhere, and told here as well. */
const ELSEWHERE: Record<string, string> = { CORRECT: 'corrected side by side' };

/** Why texts are left as they are, of one and of several. */
const LEFT: Record<string, [string, string]> = {
  MUST_FIX: ['has something that must be fixed', 'have something that must be fixed'],
  CHANGED: [
    'rests on facts or rules that have changed since',
    'rest on facts or rules that have changed since',
  ],
  DONE_BEFORE: ['is not at that stage', 'are not at that stage'],
  PUBLISHED: ['is live', 'are live'],
  UNWRITTEN: ['has no text', 'have no text'],
  SIGNED_OFF: ['is signed off', 'are signed off'],
  NO_OLDER: ['has no text of a run over an older one', 'have no text of a run over an older one'],
};

const done = (deed: Deed) => ELSEWHERE[deed] ?? SAID.find((d) => d.value === deed)!.done;

/** One deed done to all texts that the sentence above shows; what it would do is said first, and it can be taken back. */
export function Many(props: {
  filter: Filter;
  /** How many texts it shows. */
  total: number;
  deed: Deed;
  onDeed: (deed: Deed) => void;
  onClose: () => void;
}) {
  const { filter, total, deed, onDeed, onClose } = props;
  const queries = useQueryClient();
  const notice = useNotice();
  const isActed = deed === 'SIGN_OFF' || deed === 'SEND_BACK' || deed === 'KEEP_OLD';
  const order = { deed: isActed ? deed : ('SIGN_OFF' as const), which: which(filter), seen: 0 };
  const forecast = useQuery({
    queryKey: ['acts', 'forecast', order],
    queryFn: () => take(api.POST('/api/acts/forecast', { body: order })),
    enabled: isActed,
  });
  const acts = useQuery({
    queryKey: ['acts', 'latest'],
    queryFn: () => take(api.GET('/api/acts')),
  });
  const changed = (said: string) => {
    notice.say(said);
    for (const key of ['acts', 'products', 'proof', 'waiting', 'ranges', 'editions']) {
      queries.invalidateQueries({ queryKey: [key] });
    }
  };
  const act = useMutation({
    mutationFn: (seen: number) => take(api.POST('/api/acts', { body: { ...order, seen } })),
    onSuccess: (a) => changed(`${count(a.texts, 'text')} ${done(a.deed)}.`),
    onError: (e) => {
      notice.trouble(e);
      queries.invalidateQueries({ queryKey: ['acts'] });
      queries.invalidateQueries({ queryKey: ['products'] });
    },
  });
  const takeBack = useMutation({
    mutationFn: async (a: Act) => {
      const path = { id: a.id };
      const back = await take(api.POST('/api/acts/{id}/take-back', { params: { path } }));
      return { back: back.texts, of: a.texts };
    },
    onSuccess: ({ back, of }) =>
      changed(
        `${count(back, 'text')} as before.` +
          (back < of ? ` ${figure(of - back)} stayed: somebody went on with them since.` : ''),
      ),
    onError: notice.trouble,
  });
  const would = isActed ? forecast.data : undefined;
  const isBusy = act.isPending || takeBack.isPending;
  return (
    <Box data-testid="many">
      <Box sx={{ display: 'flex', alignItems: 'baseline' }}>
        <Typography variant="h1">Many at once</Typography>
        <Box sx={{ flex: 1 }} />
        <Button onClick={onClose}>Close</Button>
      </Box>
      <Sentence>
        <Word label="What to do" value={deed} choices={SAID} onChange={(v) => onDeed(v as Deed)} />{' '}
        all that the sentence above shows.
      </Sentence>
      {deed === 'SUBSTITUTE' && (
        <Substitute filter={filter} onChanged={changed} onTrouble={notice.trouble} />
      )}
      {deed === 'GIVE' && <Give filter={filter} onChanged={changed} onTrouble={notice.trouble} />}
      {deed === 'WRITE' && <WriteSentence filter={filter} total={total} chosen={[]} />}
      {forecast.error && <Box sx={{ color: 'error.main' }}>{forecast.error.message}</Box>}
      {forecast.isFetching && <LinearProgress aria-label="Counting" />}
      {would && (
        <Box aria-live="polite">
          <Box sx={{ fontSize: 15 }}>
            {would.texts === 0 ? (
              'No text would change.'
            ) : (
              <>
                <strong>{count(would.texts, 'text')}</strong> would be {done(deed)}.
              </>
            )}
          </Box>
          {Object.entries(LEFT)
            .filter(([reason]) => (would.left[reason] ?? 0) > 0)
            .map(([reason, [one, several]]) => (
              <Box key={reason} sx={{ color: 'text.secondary' }}>
                {figure(would.left[reason]!)} {would.left[reason] === 1 ? one : several}, and{' '}
                {would.left[reason] === 1 ? 'stays as it is' : 'stay as they are'}.
              </Box>
            ))}
          {would.examples.map(({ product, opening, then }) => (
            <Box
              key={product.id}
              data-testid="many-example"
              sx={{ borderTop: 1, borderColor: 'divider', py: 1, mt: 1 }}
            >
              <Box sx={{ display: 'flex', gap: 1.5 }}>
                <Link to={`/proofs/${product.id}`}>{product.name}</Link>
                <Box component="span" sx={{ color: 'text.secondary' }}>
                  {product.sku}
                </Box>
                <Box component="span" sx={{ flex: 1 }} />
                {product.readiness}
              </Box>
              <Box
                sx={{
                  fontFamily: serif,
                  fontSize: 16.5,
                  ...(then && { textDecoration: 'line-through', color: 'text.secondary' }),
                }}
              >
                {opening}
              </Box>
              {then && <Box sx={{ fontFamily: serif, fontSize: 16.5 }}>{then}</Box>}
            </Box>
          ))}
          {would.texts > 0 && (
            <Button
              variant="contained"
              color="success"
              sx={{ mt: 1.5 }}
              disabled={isBusy || forecast.isFetching}
              onClick={() => act.mutate(would.texts)}
            >
              {deed === 'KEEP_OLD'
                ? `Keep ${count(would.texts, 'old text')}`
                : `${SAID.find((d) => d.value === deed)!.label} ${count(would.texts, 'text')}`}
            </Button>
          )}
        </Box>
      )}
      {(acts.data ?? []).length > 0 && (
        <>
          <Typography variant="h3" sx={{ mt: 4 }}>
            Done lately
          </Typography>
          {acts.data!.slice(0, 8).map((a) => (
            <Box
              key={a.id}
              sx={{ borderTop: 1, borderColor: 'divider', py: 0.5, display: 'flex', gap: 1 }}
            >
              <span>
                {count(a.texts, 'text')} {done(a.deed)}
                {a.what && ` (${a.what})`} by {a.by}, {when(a.at)}
              </span>
              <Box sx={{ flex: 1 }} />
              {a.takenBackBy ? (
                <Box sx={{ color: 'text.secondary' }}>taken back by {a.takenBackBy}</Box>
              ) : (
                <Button
                  size="small"
                  sx={{ p: 0, px: 0.5 }}
                  disabled={isBusy}
                  onClick={() => takeBack.mutate(a)}
                >
                  Take it back
                </Button>
              )}
            </Box>
          ))}
        </>
      )}
    </Box>
  );
}
