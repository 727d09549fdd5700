import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { skipToken, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api, take } from '../api/client';
import { Offer } from './Taught';
import { trialOf, whom, type Learnable } from './teaching';

/** Between the last letter typed and the reading of the sentence. */
const PAUSE = 350;

/** A longer value isn’t repeated where it is to be typed. */
const LONGEST_SHOWN = 60;

/** A line in which somebody says one fact of a product, so that all such facts are told so. */
export function SayHow(props: {
  product: number;
  heading: string;
  value: string;
  isBusy: boolean;
  onTeach: (learnable: Learnable[]) => void;
  /** Told what may be taught as the line stands; nothing if it isn’t understood or doesn’t hold. */
  onSaid: (heading: string, learnable: Learnable | undefined) => void;
}) {
  const { product, heading, value, onSaid } = props;
  const [typed, setTyped] = useState('');
  const [sentence, setSentence] = useState('');
  useEffect(() => {
    const later = setTimeout(() => setSentence(typed.trim()), PAUSE);
    return () => clearTimeout(later);
  }, [typed]);
  const read = useQuery({
    queryKey: ['wording', product, heading, sentence],
    queryFn: () =>
      take(
        api.POST('/api/proofs/{id}/wording', {
          params: { path: { id: product } },
          body: { heading, sentence },
        }),
      ),
    enabled: sentence !== '',
    retry: false,
  });
  const learnable = sentence === '' ? undefined : read.data?.learnable[0];
  const trial = useQuery(
    learnable ? trialOf(learnable) : { queryKey: ['no-wording'], queryFn: skipToken },
  );
  const holds = learnable && trial.data?.problems.length === 0 ? learnable : undefined;
  useEffect(() => {
    onSaid(heading, holds);
    return () => onSaid(heading, undefined);
  }, [heading, holds, onSaid]);
  const isFlag = value === 'yes' || value === 'no';
  const shown = value.length > LONGEST_SHOWN ? '…' : `… ${value}.`;
  return (
    <Box data-testid="say-how">
      <TextField
        size="small"
        fullWidth
        variant="standard"
        placeholder={isFlag ? 'It is …, where it says yes' : `It has ${shown}`}
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        slotProps={{ htmlInput: { 'aria-label': `${heading} in a sentence`, maxLength: 400 } }}
      />
      {sentence !== '' && read.error && (
        <Box sx={{ color: 'error.main' }}>{read.error.message}</Box>
      )}
      {sentence !== '' && read.data?.why && (
        <Box sx={{ color: 'text.secondary' }}>{read.data.why}</Box>
      )}
      {learnable && (
        <Offer
          learnable={learnable}
          lead={`Told so of ${whom(learnable)}:`}
          isBusy={props.isBusy}
          onYes={() => props.onTeach([learnable])}
        />
      )}
    </Box>
  );
}
