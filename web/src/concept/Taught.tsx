import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { count } from '../frame/format';
import { trialOf, type Learnable, type Taught } from './teaching';

const DONE = {
  told: 'Told so from now on',
  read: 'Read so from now on',
  called: 'Called so from now on',
  liked: 'Said more often from now on',
  disliked: 'Put otherwise from now on',
  noted: 'Noted, but there are no other words for it yet',
};

/** What is told so from now on, and the way back. */
export function TaughtAct(props: {
  taught: Taught;
  isWritten: boolean;
  isBusy: boolean;
  onTakeBack: () => void;
}) {
  const { taught } = props;
  return (
    <Box sx={line} data-testid="learned-act">
      <Box>
        {DONE[taught.what]}: <strong>{taught.headings.join('; ')}</strong>.{' '}
        {taught.what === 'noted' && <Link to="/facts">Type others</Link>}
        {taught.run && (
          <>
            <Link to={`/runs/${taught.run}`}>Run {taught.run}</Link>{' '}
            {props.isWritten ? 'has written' : 'is writing'} the texts anew; those signed off or
            changed by hand stay as they are.
          </>
        )}
      </Box>
      <Button size="small" sx={{ flex: 'none' }} disabled={props.isBusy} onClick={props.onTakeBack}>
        Take it all back
      </Button>
    </Box>
  );
}

/** A wording with what it would do to texts, and the yes to it. */
export function Offer(props: {
  learnable: Learnable;
  lead: ReactNode;
  isBusy: boolean;
  onYes: () => void;
}) {
  const l = props.learnable;
  const trial = useQuery(trialOf(l));
  const examples = trial.data?.examples ?? [];
  return (
    <Box sx={{ ...line, flexDirection: 'column', gap: 1 }} data-testid="learned">
      <Box>
        {props.lead}
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
        {trial.data && trial.data.problems.length === 0 && trial.data.fits < trial.data.tried && (
          <Box sx={{ color: 'text.secondary' }}>
            {count(trial.data.tried - trial.data.fits, 'other value')} would stay in the list.
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
