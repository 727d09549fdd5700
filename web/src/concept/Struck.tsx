import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, take, type Schema } from '../api/client';
import { count } from '../frame/format';
import { useNotice } from '../frame/Notice';

/** Facts whose sentences people strike out in several texts; on a yes they stay in the list. */
export function Struck(props: { onSilenced: (texts: number) => void }) {
  const queries = useQueryClient();
  const notice = useNotice();
  const struck = useQuery({
    queryKey: ['concepts', 'struck'],
    queryFn: () => take(api.GET('/api/concepts/struck')),
  });
  const path = (s: Schema['Struck']) => ({ params: { path: { id: s.concept } } });
  const silence = useMutation({
    mutationFn: (s: Schema['Struck']) => take(api.POST('/api/concepts/{id}/silence', path(s))),
    onSuccess: (touched) => {
      queries.invalidateQueries({ queryKey: ['concepts'] });
      props.onSilenced(touched.texts);
    },
    onError: notice.trouble,
  });
  const leave = useMutation({
    mutationFn: (s: Schema['Struck']) => take(api.POST('/api/concepts/{id}/keep-telling', path(s))),
    onSuccess: (left) => queries.setQueryData(['concepts', 'struck'], left),
    onError: notice.trouble,
  });
  if (!struck.data?.length) return null;
  const isBusy = silence.isPending || leave.isPending;
  return (
    <Box component="section" aria-label="Struck out again and again" sx={{ my: 2 }}>
      <Typography variant="h2">Struck out again and again</Typography>
      {struck.data.map((s) => (
        <Box key={s.concept} sx={{ py: 0.5 }}>
          <strong>{s.label}</strong>, out of {count(s.texts, 'text')} by {s.people.join(', ')}
          <Box sx={{ display: 'flex', gap: 1, ml: -0.75 }}>
            <Button size="small" disabled={isBusy} onClick={() => silence.mutate(s)}>
              Leave it to the list
            </Button>
            <Button size="small" disabled={isBusy} onClick={() => leave.mutate(s)}>
              Go on telling it
            </Button>
          </Box>
        </Box>
      ))}
    </Box>
  );
}
