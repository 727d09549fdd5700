import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take } from '../api/client';
import { count } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Word } from '../frame/Sentence';
import { money, useConnections } from '../model/connections';

/** Asks a text model which cell bears out what stands in none by its words; its cost is said before. */
export function SecondOpinion(props: { product: number; open: number; onSettled: () => void }) {
  const { product, open, onSettled } = props;
  const notice = useNotice();
  const connections = useConnections();
  const [of, setOf] = useState(0);
  const connection = connections.data?.find((c) => c.id === of) ?? connections.data?.[0];
  const [said, setSaid] = useState('');
  const about = (ask: boolean) =>
    take(
      api.POST('/api/proofs/second-opinion', {
        body: { connection: connection?.id ?? 0, products: [product], ask },
      }),
    );
  const before = useQuery({
    queryKey: ['proof', product, 'second-opinion', connection?.id, open],
    queryFn: () => about(false),
    enabled: open > 0 && connection !== undefined,
  });
  const ask = useMutation({
    mutationFn: () => about(true),
    onSuccess: (opinion) => {
      const found = opinion.answered.filter((a) => a.cell).length;
      const none = opinion.answered.length - found;
      setSaid(
        [
          opinion.failed,
          found > 0 && `It names a cell for ${count(found, 'sentence')}; their marks are let be.`,
          none > 0 && `For ${count(none, 'sentence')} it finds none; the marks stay.`,
        ]
          .filter(Boolean)
          .join(' '),
      );
      onSettled();
    },
    onError: notice.trouble,
  });
  const sentences = before.data?.sentences ?? 0;
  if (!connection || (sentences === 0 && !said)) return null;
  return (
    <Box data-testid="second-opinion" aria-busy={ask.isPending}>
      <Typography variant="h3" sx={{ mt: 3 }}>
        A second opinion
      </Typography>
      {said && (
        <Box role="status" sx={{ fontSize: 13 }}>
          {said}
        </Box>
      )}
      {!said && (
        <Box sx={{ fontSize: 13 }}>
          {count(sentences, 'sentence')} here {sentences === 1 ? 'says' : 'say'} what stands in no
          cell by its words. Ask{' '}
          <Word
            label="Text model"
            value={String(connection.id)}
            choices={connections.data!.map((c) => ({ value: String(c.id), label: c.name }))}
            onChange={(id) => setOf(Number(id))}
          />{' '}
          which cell bears {sentences === 1 ? 'it' : 'them'} out,{' '}
          {before.data && before.data.estimate > 0
            ? `for about ${money(before.data.estimate)}`
            : 'for nothing: it was asked before'}
          .{' '}
          <Button
            size="small"
            sx={{ p: 0, px: 0.5 }}
            disabled={ask.isPending || before.isFetching}
            onClick={() => ask.mutate()}
          >
            {ask.isPending ? `${connection.name} is thinking…` : 'Ask'}
          </Button>
        </Box>
      )}
    </Box>
  );
}
