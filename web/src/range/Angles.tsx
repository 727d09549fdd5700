import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { day } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { DayWord, Sentence, TypedWord } from '../frame/Sentence';
import { useMay } from '../frame/session';

type Angle = Schema['AngleView'];

/** The lines that descriptions carry for a time. */
export function Angles(props: { range: number; angles: Angle[] }) {
  const queries = useQueryClient();
  const notice = useNotice();
  const mayDecide = useMay('EDITOR');
  const [draft, setDraft] = useState({ name: '', line: '', first: '', last: '' });
  const changed = () => {
    for (const key of ['angles', 'audit', 'proof']) queries.invalidateQueries({ queryKey: [key] });
  };
  const add = useMutation({
    mutationFn: () => take(api.POST('/api/angles', { body: { range: props.range, ...draft } })),
    onSuccess: () => {
      notice.say('Kept. Texts carry the line from its first day to its last.');
      setDraft({ name: '', line: '', first: '', last: '' });
      changed();
    },
    onError: notice.trouble,
  });
  const remove = useMutation({
    mutationFn: (id: number) => take(api.DELETE('/api/angles/{id}', { params: { path: { id } } })),
    onSuccess: () => {
      notice.say('Taken away. Texts that carry the line are stale.');
      changed();
    },
    onError: notice.trouble,
  });
  const set = (change: Partial<typeof draft>) => setDraft((now) => ({ ...now, ...change }));
  return (
    <Box data-testid="angles">
      <Typography variant="h2">Angles</Typography>
      {props.angles.length === 0 && (
        <Box sx={{ color: 'text.secondary' }}>
          None yet. An angle is a sentence that every description{' '}
          {props.range === 0 ? 'of the house' : 'of this range'} carries for a time: a season’s, a
          promotion’s. The house answers for it.
        </Box>
      )}
      {props.angles.map((a) => (
        <Box key={a.id} sx={{ mt: 1.5, opacity: a.holds ? 1 : 0.75 }}>
          <Box sx={{ fontSize: 12.5, color: 'text.secondary' }}>
            {a.name}, from {day(a.first)} to {day(a.last)}
            {a.holds ? ', holds today' : ''}{' '}
            {mayDecide && (
              <Button size="small" sx={{ p: 0, ml: 1 }} onClick={() => remove.mutate(a.id)}>
                Take away
              </Button>
            )}
          </Box>
          <Box sx={{ fontStyle: 'italic' }}>{a.line}</Box>
        </Box>
      ))}
      {mayDecide && (
        <Box sx={{ mt: 1 }}>
          <Sentence>
            From{' '}
            <DayWord label="First day" value={draft.first} onChange={(first) => set({ first })} />{' '}
            to <DayWord label="Last day" value={draft.last} onChange={(last) => set({ last })} />{' '}
            descriptions say{' '}
            <TypedWord
              key={`line ${props.angles.length}`}
              label="Line"
              value={draft.line}
              otherwise="a sentence"
              onSettled={(line) => set({ line })}
            />{' '}
            and the house calls it{' '}
            <TypedWord
              key={`name ${props.angles.length}`}
              label="Name of the angle"
              value={draft.name}
              otherwise="a name"
              onSettled={(name) => set({ name })}
            />
            .
          </Sentence>
          <Button
            size="small"
            variant="outlined"
            disabled={!draft.first || !draft.last || !draft.line || !draft.name || add.isPending}
            onClick={() => add.mutate()}
          >
            Keep the angle
          </Button>
        </Box>
      )}
    </Box>
  );
}
