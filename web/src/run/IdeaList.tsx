import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, take } from '../api/client';
import { count, when } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { useMay } from '../frame/session';

const SHOWN = 6;

/** What is to be written one day: a schedule takes the next one each time, and none twice. */
export function IdeaList() {
  const notice = useNotice();
  const queries = useQueryClient();
  const mayWrite = useMay('WRITER');
  const [lines, setLines] = useState('');
  const [isOpen, setOpen] = useState(false);
  const ideas = useQuery({
    queryKey: ['ideas'],
    queryFn: () => take(api.GET('/api/ideas')),
    refetchInterval: 10_000,
  });
  const settled = (now: NonNullable<typeof ideas.data>) => queries.setQueryData(['ideas'], now);
  const add = useMutation({
    mutationFn: () => take(api.POST('/api/ideas', { body: { lines } })),
    onSuccess: (now) => {
      settled(now);
      setLines('');
      setOpen(false);
    },
    onError: notice.trouble,
  });
  const remove = useMutation({
    mutationFn: (id: number) => take(api.DELETE('/api/ideas/{id}', { params: { path: { id } } })),
    onSuccess: settled,
    onError: notice.trouble,
  });
  const all = ideas.data ?? [];
  const waiting = all.filter((i) => Date.parse(i.takenAt) === 0);
  const been = all.filter((i) => Date.parse(i.takenAt) > 0).slice(0, SHOWN);
  return (
    <Box data-testid="ideas" sx={{ mt: 4 }}>
      <Typography variant="h2">Ideas</Typography>
      <Box sx={{ color: 'text.secondary' }}>
        {waiting.length > 0
          ? `${count(waiting.length, 'idea')} to come; a run that begins by itself may take the next one each time.`
          : 'A run that begins by itself may take the next idea of a list each time. The list is empty.'}
      </Box>
      {waiting.map((i, n) => (
        <Box key={i.id} sx={{ display: 'flex', gap: 1.5, borderTop: 1, borderColor: 'divider' }}>
          <Box sx={{ py: 0.75 }}>
            {n + 1}. {i.words}
          </Box>
          <Box sx={{ flex: 1 }} />
          {mayWrite && (
            <Button
              size="small"
              sx={{ color: 'text.secondary' }}
              onClick={() => remove.mutate(i.id)}
            >
              Take off
            </Button>
          )}
        </Box>
      ))}
      {been.map((i) => (
        <Box
          key={i.id}
          sx={{ borderTop: 1, borderColor: 'divider', py: 0.75, color: 'text.secondary' }}
        >
          {i.words}: {when(i.takenAt)},{' '}
          {i.run ? <Link to={`/runs/${i.run}`}>run {i.run}</Link> : i.said || 'nothing began'}
        </Box>
      ))}
      {mayWrite && !isOpen && (
        <Button sx={{ mt: 0.5, ml: -1 }} onClick={() => setOpen(true)}>
          Add ideas …
        </Button>
      )}
      {isOpen && (
        <Box sx={{ mt: 1 }}>
          <TextField
            label="Ideas, one a line"
            multiline
            minRows={3}
            maxRows={12}
            fullWidth
            autoFocus
            value={lines}
            placeholder={
              'rewrite the saddle bags in the warm voice\nwrite the lights, 60 words at most'
            }
            onChange={(e) => setLines(e.target.value)}
          />
          <Button disabled={!lines.trim() || add.isPending} onClick={() => add.mutate()}>
            Put them on the list
          </Button>
          <Button sx={{ color: 'text.secondary' }} onClick={() => setOpen(false)}>
            Leave it
          </Button>
        </Box>
      )}
    </Box>
  );
}
