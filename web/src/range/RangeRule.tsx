import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { count } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Sentence, Word } from '../frame/Sentence';

/** Which products come into a range by themselves, now and with every sheet. */
export function RangeRule({ range }: { range: Schema['Range'] }) {
  const queries = useQueryClient();
  const notice = useNotice();
  const [kind, setKind] = useState(range.kind);
  const [brand, setBrand] = useState(range.brand);
  const choices = useQuery({
    queryKey: ['choices'],
    queryFn: () => take(api.GET('/api/products/choices')),
  });
  const set = useMutation({
    mutationFn: () =>
      take(
        api.PUT('/api/ranges/{id}/rule', {
          params: { path: { id: range.id } },
          body: { kind, brand },
        }),
      ),
    onSuccess: (came) => {
      notice.say(
        kind || brand
          ? `${count(came.products, 'product')} came into “${range.name}”; others come as they are taken in.`
          : `Nothing comes into “${range.name}” by itself any more; what is in it stays.`,
      );
      for (const key of ['ranges', 'products', 'audit', 'proof']) {
        queries.invalidateQueries({ queryKey: [key] });
      }
    },
    onError: notice.trouble,
  });
  const named = (all: { name: string }[] | undefined, now: string) =>
    [...new Set([...(now ? [now] : []), ...(all ?? []).map((c) => c.name)])].map((name) => ({
      value: name,
      label: name,
    }));
  const aside = useMutation({
    mutationFn: () =>
      take(
        api.PUT('/api/ranges/{id}/aside', {
          params: { path: { id: range.id } },
          body: { isAside: !range.isAside },
        }),
      ),
    onSuccess: (now) => {
      notice.say(
        now.isAside
          ? `“${now.name}” is put aside: its products keep what it decides, and none come in.`
          : `“${now.name}” is taken up again.`,
      );
      queries.invalidateQueries({ queryKey: ['ranges'] });
    },
    onError: notice.trouble,
  });
  const isNew = kind !== range.kind || brand !== range.brand;
  return (
    <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1.5, flexWrap: 'wrap' }}>
      <Sentence>
        Products of{' '}
        <Word
          label="Of which kind by itself"
          value={kind}
          choices={[{ value: '', label: 'any kind' }, ...named(choices.data?.kinds, kind)]}
          onChange={setKind}
        />{' '}
        by{' '}
        <Word
          label="By which maker by itself"
          value={brand}
          choices={[{ value: '', label: 'any maker' }, ...named(choices.data?.brands, brand)]}
          onChange={setBrand}
        />{' '}
        {kind || brand
          ? 'come into it by themselves, unless they are in another range.'
          : '– but none come into it by themselves.'}
      </Sentence>
      {!isNew && (
        <Button size="small" disabled={aside.isPending} onClick={() => aside.mutate()}>
          {range.isAside ? 'Take it up again' : 'Put it aside'}
        </Button>
      )}
      {isNew && (
        <Button
          size="small"
          variant="outlined"
          disabled={set.isPending}
          onClick={() => set.mutate()}
        >
          {kind || brand ? 'Let them come' : 'Let none come'}
        </Button>
      )}
    </Box>
  );
}
