import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take } from '../api/client';
import { count, figure } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Sentence, Word } from '../frame/Sentence';
import { useMay } from '../frame/session';
import { Keyworded } from './Keyworded';
import { inSteps } from './steps';

const FACTS = [
  { value: '', label: 'nothing' },
  { value: 'material', label: 'the material' },
  { value: 'colour', label: 'the colour' },
  { value: 'capacity', label: 'the capacity' },
  { value: 'size', label: 'the size' },
  { value: 'use', label: 'the use' },
];

/** Keywords by rule for the products that have none, seen before they are given. */
export function Rule({ without }: { without: number }) {
  const queries = useQueryClient();
  const notice = useNotice();
  const mayWrite = useMay('WRITER');
  const [first, setFirst] = useState('material');
  const [second, setSecond] = useState('');
  const [given, setGiven] = useState<number | null>(null);
  const concepts = [...new Set([first, second])].filter((c) => c !== '');
  const trial = useQuery({
    queryKey: ['keywords', 'rule', concepts, without],
    queryFn: () =>
      take(api.POST('/api/keywords/rule', { body: { concepts, after: 0, keep: false } })),
    enabled: without > 0,
    placeholderData: keepPreviousData,
  });
  if (without === 0) {
    return <Sentence>Every product has a keyword.</Sentence>;
  }
  const give = async () => {
    setGiven(0);
    try {
      const done = await inSteps(
        (after) => take(api.POST('/api/keywords/rule', { body: { concepts, after, keep: true } })),
        setGiven,
      );
      notice.say(`${count(done, 'product')} with a keyword.`);
    } catch (e) {
      notice.trouble(e);
    } finally {
      setGiven(null);
      queries.invalidateQueries({ queryKey: ['keywords'] });
      queries.invalidateQueries({ queryKey: ['audit'] });
    }
  };
  return (
    <Box data-testid="rule">
      <Sentence>
        {count(without, 'product')} {without === 1 ? 'has' : 'have'} no keyword. Give them{' '}
        <Word label="First fact" value={first} choices={FACTS} onChange={setFirst} /> and{' '}
        <Word label="Second fact" value={second} choices={FACTS} onChange={setSecond} /> with what
        they are.
      </Sentence>
      <Keyworded examples={trial.data?.examples ?? []} />
      {trial.data && trial.data.given === 0 && (
        <Box sx={{ color: 'text.secondary' }}>
          None of the first {figure(trial.data.left)} has these facts. Choose others.
        </Box>
      )}
      {mayWrite && (
        <Button
          variant="outlined"
          size="small"
          sx={{ mt: 1 }}
          disabled={given !== null || !trial.data?.given}
          onClick={give}
        >
          {given === null ? 'Give them these keywords' : `${figure(given)} given …`}
        </Button>
      )}
    </Box>
  );
}
