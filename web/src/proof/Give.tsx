import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take } from '../api/client';
import { count, figure } from '../frame/format';
import { which, type Filter } from '../product/filter';
import { useReaders } from '../people/readers';

/** All texts that the sentence above shows, given to people: to each an equal share, in the order in which they came in. */
export function Give(props: {
  filter: Filter;
  onChanged: (said: string) => void;
  onTrouble: (e: unknown) => void;
}) {
  const { filter, onChanged, onTrouble } = props;
  const queries = useQueryClient();
  const readers = useReaders();
  const [chosen, setChosen] = useState<number[]>([]);
  const total = useQuery({
    queryKey: ['products', 'how many', filter],
    queryFn: () => take(api.GET('/api/products', { params: { query: { ...filter, limit: 1 } } })),
  }).data?.total;
  const give = useMutation({
    mutationFn: (to: number[]) =>
      take(api.POST('/api/readers/assignments', { body: { readers: to, which: which(filter) } })),
    onSuccess: (shares) => {
      queries.invalidateQueries({ queryKey: ['readers'] });
      onChanged(shares.map((s) => `${s.name || 'Nobody'}: ${count(s.texts, 'text')}.`).join(' '));
    },
    onError: onTrouble,
  });
  if (total === undefined || !readers.data) return null;
  const names = readers.data.filter((r) => chosen.includes(r.id)).map((r) => r.name);
  return (
    <Box>
      <Box component="fieldset" sx={{ border: 0, p: 0, m: 0 }}>
        <legend>To whom</legend>
        {readers.data.map((r) => (
          <Box component="label" key={r.id} sx={{ display: 'block', py: 0.25 }}>
            <input
              type="checkbox"
              checked={chosen.includes(r.id)}
              onChange={(e) =>
                setChosen(e.target.checked ? [...chosen, r.id] : chosen.filter((id) => id !== r.id))
              }
            />{' '}
            {r.name}
            <Box component="span" sx={{ color: 'text.secondary' }}>
              {r.texts > 0 ? `, who has ${figure(r.texts)} to read` : ', who has none to read'}
            </Box>
          </Box>
        ))}
      </Box>
      <Box sx={{ color: 'text.secondary', fontSize: 13, my: 1 }}>
        {chosen.length > 1
          ? `Each gets about ${figure(Math.ceil(total / chosen.length))}, one after the other as they came in.`
          : 'Whoever has such a text now gives it up.'}
      </Box>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button
          variant="contained"
          disabled={chosen.length === 0 || total === 0 || give.isPending}
          onClick={() => give.mutate(chosen)}
        >
          Give {count(total, 'text')} to {names.join(', ') || '…'}
        </Button>
        <Button disabled={total === 0 || give.isPending} onClick={() => give.mutate([])}>
          To nobody
        </Button>
      </Box>
    </Box>
  );
}
