import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, take, type Schema } from '../api/client';
import { useNotice } from '../frame/Notice';

type Habit = Schema['Habit'];

/** Words that people put for others in several texts; on a yes the house says it so. */
export function Habits(props: { said: string[]; onSay: (habit: Habit) => void }) {
  const queries = useQueryClient();
  const notice = useNotice();
  const habits = useQuery({
    queryKey: ['style', 'habits'],
    queryFn: () => take(api.GET('/api/style/habits')),
  });
  const leave = useMutation({
    mutationFn: ({ word, instead }: Habit) =>
      take(api.POST('/api/style/habits/left', { body: { word, instead } })),
    onSuccess: (left) => queries.setQueryData(['style', 'habits'], left),
    onError: notice.trouble,
  });
  const open = (habits.data ?? []).filter((h) => !props.said.includes(h.word));
  if (open.length === 0) return null;
  return (
    <Box component="section" aria-label="Changed by hand again and again" sx={{ mt: 2 }}>
      <Typography variant="h2">Changed by hand again and again</Typography>
      {open.map((h) => (
        <Box
          key={`${h.word} ${h.instead}`}
          sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: 1, py: 0.5 }}
        >
          <span>
            “{h.word}” to <strong>“{h.instead}”</strong> in {h.texts} texts, by{' '}
            {h.people.join(', ')}
          </span>
          <Button size="small" onClick={() => props.onSay(h)}>
            Say it so everywhere
          </Button>
          <Button size="small" disabled={leave.isPending} onClick={() => leave.mutate(h)}>
            Leave it
          </Button>
        </Box>
      ))}
    </Box>
  );
}
