import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take as answer, type Schema } from '../api/client';
import { Sentence, Word } from '../frame/Sentence';
import { Manuscript } from './Manuscript';
import { article, useVoices } from './voices';

type Wish = Schema['Rewriting'];

const WAYS = [
  { value: 'REWORDED', label: 'reworded' },
  { value: 'PLAINER', label: 'plainer' },
  { value: 'SHORTER', label: 'shorter' },
  { value: 'LONGER', label: 'longer' },
  { value: 'IN_VOICE', label: 'the same' },
];

interface Props {
  id: number;
  field: Schema['FieldView'];
  revision: number;
  onKeep: (wish: Wish) => void;
  onClose: () => void;
}

/** Rewrites a field or the sentences chosen in it; shows what would stand before anything is kept. */
export function Rewriting({ id, field, revision, onKeep, onClose }: Props) {
  const { choices, about } = useVoices();
  const [chosen, setChosen] = useState<number[]>([]);
  const [way, setWay] = useState('REWORDED');
  const [voice, setVoice] = useState('plain');
  const [take, setTake] = useState(0);
  const wish = { field: field.code, way, voice, sentences: chosen, take } as Wish;
  const proposal = useQuery({
    queryKey: ['rewriting', id, revision, wish],
    queryFn: () =>
      answer(api.POST('/api/proofs/{id}/rewriting', { params: { path: { id } }, body: wish })),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const toggle = (sentence: number) =>
    setChosen(
      chosen.includes(sentence) ? chosen.filter((s) => s !== sentence) : [...chosen, sentence],
    );
  return (
    <Box data-testid="rewriting">
      <Sentence>
        Make{' '}
        <strong>
          {chosen.length === 0
            ? `the whole ${field.label.toLowerCase()}`
            : chosen.length === 1
              ? 'the chosen sentence'
              : `the ${chosen.length} chosen sentences`}
        </strong>{' '}
        <Word label="What it becomes" value={way} choices={WAYS} onChange={setWay} />
        {way !== 'PLAINER' && (
          <>
            {' '}
            in {article(voice)}{' '}
            <Word label="Voice" value={voice} choices={choices} onChange={setVoice} /> voice
          </>
        )}
        .
      </Sentence>
      <Box sx={{ fontSize: 13, color: 'text.secondary', mb: 1.5 }}>
        Click sentences on the left to rewrite only those. {about(voice)} What no fact bears out
        stays word for word, for you to decide.
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', columnGap: 3 }}>
        <Manuscript
          field={{ ...field, marks: [] }}
          lit={[]}
          onLight={() => {}}
          chosen={chosen}
          onChoose={toggle}
        />
        <Box sx={{ borderLeft: 1, borderColor: 'divider', pl: 3 }}>
          {proposal.isFetching && <LinearProgress aria-label="Rewriting" />}
          {proposal.error ? (
            <Box role="alert" sx={{ color: 'warning.main' }}>
              {proposal.error.message}
            </Box>
          ) : (
            proposal.data && (
              <Manuscript
                field={proposal.data}
                lit={[]}
                onLight={() => {}}
                old={
                  chosen.length === 0
                    ? undefined
                    : field.blocks.flatMap((b) => b.sentences.map((s) => s.text))
                }
              />
            )
          )}
        </Box>
      </Box>
      <Box sx={{ borderTop: 1, borderColor: 'divider', pt: 1, mt: 1, display: 'flex', gap: 1.5 }}>
        <Button
          variant="contained"
          disabled={!proposal.data || !!proposal.error || proposal.isFetching}
          onClick={() => onKeep(wish)}
        >
          Keep the new words
        </Button>
        <Button disabled={!!proposal.error} onClick={() => setTake(take + 1)}>
          Other words
        </Button>
        <Button onClick={onClose}>Leave as it stands</Button>
      </Box>
    </Box>
  );
}
