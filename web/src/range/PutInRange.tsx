import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take } from '../api/client';
import { count, figure } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { TypedWord, Word } from '../frame/Sentence';
import { which, type Filter } from '../product/filter';
import { useRanges } from './ranges';

interface Props {
  filter: Filter;
  total: number;
  chosen: number[];
}

/** Puts the products chosen, or all that are shown, into a range, or takes them out of the one shown. */
export function PutInRange({ filter, total, chosen }: Props) {
  const queries = useQueryClient();
  const notice = useNotice();
  const ranges = useRanges();
  const [target, setTarget] = useState('new');
  const [name, setName] = useState('');
  const moved = (said: string) => {
    notice.say(said);
    setName('');
    for (const key of ['ranges', 'products', 'audit', 'proof']) {
      queries.invalidateQueries({ queryKey: [key] });
    }
  };
  const body = which(filter, chosen);
  const put = useMutation({
    mutationFn: async () => {
      const range =
        target === 'new'
          ? await take(api.POST('/api/ranges', { body: { name } }))
          : ranges.data?.find((r) => String(r.id) === target);
      if (!range) throw new Error('Choose a range first.');
      const done = await take(
        api.POST('/api/ranges/{id}/products', { params: { path: { id: range.id } }, body }),
      );
      setTarget(String(range.id));
      return `${count(done.products, 'product')} in the range “${range.name}”.`;
    },
    onSuccess: moved,
    onError: notice.trouble,
  });
  const leave = useMutation({
    mutationFn: async () => {
      const done = await take(
        api.POST('/api/ranges/{id}/leave', { params: { path: { id: filter.range } }, body }),
      );
      return `${count(done.products, 'product')} taken out of the range.`;
    },
    onSuccess: moved,
    onError: notice.trouble,
  });
  return (
    <Box sx={{ mb: 1.5, display: 'flex', gap: 1, alignItems: 'baseline', flexWrap: 'wrap' }}>
      <span>
        Put{' '}
        {chosen.length > 0 ? count(chosen.length, 'chosen product') : `all ${figure(total)} shown`}{' '}
        in{' '}
        <Word
          label="Which range"
          value={target}
          choices={[
            { value: 'new', label: 'a new range' },
            ...(ranges.data ?? [])
              .filter((r) => !r.isAside)
              .map((r) => ({ value: String(r.id), label: r.name })),
          ]}
          onChange={setTarget}
        />
        {target === 'new' && (
          <>
            {' '}
            called <TypedWord label="Name of the range" value={name} onSettled={setName} />
          </>
        )}
      </span>
      <Button
        size="small"
        variant="outlined"
        disabled={put.isPending || (target === 'new' && name.trim() === '')}
        onClick={() => put.mutate()}
      >
        Put in
      </Button>
      {filter.range !== 0 && (
        <Button size="small" disabled={leave.isPending} onClick={() => leave.mutate()}>
          Take out of this range
        </Button>
      )}
    </Box>
  );
}
