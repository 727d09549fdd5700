import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { api, take, type Schema } from '../api/client';
import { count } from '../frame/format';

/** Headings of sheets whose facts no sentence tells yet, those of most products first. */
export function Untold(props: {
  mayDecide: boolean;
  onSay: (heading: Schema['UntoldHeading']) => void;
}) {
  const untold = useQuery({
    queryKey: ['concepts', 'untold'],
    queryFn: () => take(api.GET('/api/concepts/untold')),
  });
  if (!untold.data?.length) return null;
  return (
    <Box component="details" sx={{ my: 2 }} data-testid="untold">
      <Box component="summary" sx={{ cursor: 'pointer' }}>
        {count(untold.data.length, 'heading')} of your sheets{' '}
        {untold.data.length === 1 ? 'has' : 'have'} no words yet: their facts are listed and told in
        no sentence
      </Box>
      {untold.data.map((u) => (
        <Box
          key={u.heading}
          sx={{
            display: 'grid',
            gridTemplateColumns: '1fr auto',
            columnGap: 1.5,
            py: 0.5,
            borderTop: 1,
            borderColor: 'divider',
          }}
        >
          <Box>
            <strong>{u.heading}</strong>, {count(u.products, 'product')}
            <Box sx={{ color: 'text.secondary', fontSize: 12.5 }}>{u.values.join(' · ')}</Box>
          </Box>
          {props.mayDecide && (
            <Button size="small" onClick={() => props.onSay(u)}>
              Say how
            </Button>
          )}
        </Box>
      ))}
    </Box>
  );
}
