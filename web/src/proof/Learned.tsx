import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, take, type Schema } from '../api/client';
import { told } from '../concept/told';
import { count } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { ANY, which } from '../product/filter';

type Learnable = Schema['Learnable'];

/** What a yes did: a run that writes texts anew, and the kinds of facts that have the words. */
interface Act {
  headings: string[];
  /** None if all such texts are people’s own, or being written anyway. */
  run?: number;
  learned: Learnable[];
}

/** How somebody put facts that nobody had words for: offered for all products that have them. */
export function Learned({ learnable }: { learnable: Learnable[] }) {
  const queries = useQueryClient();
  const notice = useNotice();
  const [act, setAct] = useState<Act>();
  const refresh = () =>
    ['proof', 'concepts', 'products', 'runs'].forEach((key) =>
      queries.invalidateQueries({ queryKey: [key] }),
    );
  const learn = useMutation({
    mutationFn: async (some: Learnable[]) => {
      const learned = await take(
        api.POST('/api/concepts/wordings', { body: { wordings: some.map(worded) } }),
      );
      const act: Act = { headings: some.map((l) => l.heading), learned: some };
      if (learned.products.length === 0) return act;
      const order = {
        ...which(ANY, learned.products),
        leaveSignedOff: true,
        seed: 1,
        voice: '',
        template: 0,
      };
      try {
        return { ...act, run: (await take(api.POST('/api/runs', { body: order }))).id };
      } catch (e) {
        // The words are kept: what can’t be written now stays stale, and says so.
        notice.trouble(e);
        return act;
      }
    },
    onSuccess: (done) => {
      setAct(done);
      refresh();
    },
    onError: notice.trouble,
  });
  const undo = useMutation({
    mutationFn: async ({ run, learned }: Act) => {
      if (run) {
        // It may still be writing; one that has ended refuses, and that is as well.
        await api.POST('/api/runs/{id}/stop', { params: { path: { id: run } } });
      }
      const back = run
        ? await take(api.POST('/api/runs/{id}/take-back', { params: { path: { id: run } } }))
        : { texts: 0 };
      await take(
        api.POST('/api/concepts/wordings/take-back', { body: { wordings: learned.map(worded) } }),
      );
      return back;
    },
    onSuccess: (back) => {
      notice.say(
        `Taken back: ${count(back.texts, 'text')} read as before, and the words are gone.`,
      );
      setAct(undefined);
      refresh();
    },
    onError: notice.trouble,
  });
  return (
    <>
      {act && (
        <Box sx={line} data-testid="learned-act">
          <Box>
            Told so from now on: <strong>{act.headings.join(', ')}</strong>.{' '}
            {act.run && (
              <>
                <Link to={`/runs/${act.run}`}>Run {act.run}</Link> writes the texts anew; those
                signed off or changed by hand stay as they are.
              </>
            )}
          </Box>
          <Button
            size="small"
            sx={{ flex: 'none' }}
            disabled={undo.isPending}
            onClick={() => undo.mutate(act)}
          >
            Take it all back
          </Button>
        </Box>
      )}
      {learnable.map((l) => (
        <Offer
          key={l.concept + l.heading}
          learnable={l}
          isBusy={learn.isPending}
          onYes={() => learn.mutate([l])}
        />
      ))}
      {learnable.length > 1 && (
        <Button
          size="small"
          variant="outlined"
          disabled={learn.isPending}
          onClick={() => learn.mutate(learnable)}
        >
          Tell all {learnable.length} so
        </Button>
      )}
    </>
  );
}

function Offer(props: { learnable: Learnable; isBusy: boolean; onYes: () => void }) {
  const l = props.learnable;
  const trial = useQuery({
    queryKey: ['concepts', 'try-wording', worded(l)],
    queryFn: () =>
      take(api.POST('/api/concepts/wordings/try', { body: { wordings: [worded(l)] } })),
    retry: false,
  });
  const examples = trial.data?.examples ?? [];
  return (
    <Box sx={line} data-testid="learned">
      <Box>
        You wrote “{l.sentence}” Shall <strong>{l.heading}</strong> be told like this of {whom(l)}:{' '}
        <em>{said(l)}</em>?
        {trial.data && trial.data.texts > trial.data.asWritten && (
          <Box sx={{ color: 'text.secondary' }}>
            {count(trial.data.texts - trial.data.asWritten, 'text')} signed off or changed by hand
            would stay as {trial.data.texts - trial.data.asWritten === 1 ? 'it is' : 'they are'}.
          </Box>
        )}
        {trial.data && examples.length === 0 && (
          <Box sx={{ color: 'text.secondary' }}>
            It would change no text yet: the other values aren’t words for a sentence.
          </Box>
        )}
        {trial.error && <Box sx={{ color: 'error.main' }}>{trial.error.message}</Box>}
        {trial.data?.problems.map((p) => (
          <Box key={p} sx={{ color: 'error.main' }}>
            It doesn’t hold for all: {p}
          </Box>
        ))}
        {examples.map((e) => (
          <Box key={e.product} sx={{ mt: 0.5, fontSize: 14 }} data-testid="learned-example">
            <Box component="span" sx={{ color: 'text.secondary' }}>
              {e.name}:
            </Box>{' '}
            {e.now
              .filter((s) => !e.then.includes(s))
              .map((s) => (
                <Box component="del" key={s} sx={{ color: 'text.secondary', mr: 0.5 }}>
                  {s}
                </Box>
              ))}
            {e.then
              .filter((s) => !e.now.includes(s))
              .map((s) => (
                <Box component="ins" key={s} sx={{ textDecorationColor: 'success.main', mr: 0.5 }}>
                  {s}
                </Box>
              ))}
          </Box>
        ))}
      </Box>
      <Button
        size="small"
        variant="outlined"
        sx={{ flex: 'none', alignSelf: 'flex-start' }}
        disabled={props.isBusy || !trial.data || trial.data.problems.length > 0}
        onClick={props.onYes}
      >
        Tell it so{trial.data ? `, in ${count(trial.data.asWritten, 'text')}` : ''}
      </Button>
    </Box>
  );
}

const line = {
  display: 'flex',
  alignItems: 'baseline',
  gap: 2,
  borderLeft: 2,
  borderColor: 'success.main',
  pl: 1.5,
  my: 1.5,
};

const worded = ({ heading, concept, kind, form, wording }: Learnable) => ({
  heading,
  concept,
  kind,
  form,
  wording,
});

/** A kind of fact is put otherwise of other kinds of products, a heading of its own isn't. */
const whom = (l: Learnable) =>
  l.concept === ''
    ? 'every product that has it'
    : l.of === ''
      ? 'all products whose kind isn’t known'
      : `all ${l.of}`;

const said = (l: Learnable) => told(l.form, l.wording.replace(/\{(?:asis|v)\}/, `⟨${l.heading}⟩`));
