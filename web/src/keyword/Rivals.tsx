import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, take } from '../api/client';
import { count } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { useMay } from '../frame/session';

/** The products that compete for a keyword, each with a longer one that only it would have. */
export function Rivals(props: { keyword: string; onSettled: () => void }) {
  const queries = useQueryClient();
  const notice = useNotice();
  const mayWrite = useMay('WRITER');
  const [typed, setTyped] = useState<Record<number, string>>({});
  const rivals = useQuery({
    queryKey: ['keywords', 'rivals', props.keyword],
    queryFn: () =>
      take(api.GET('/api/keywords/rivals', { params: { query: { keyword: props.keyword } } })),
  });
  const pages = useQuery({
    queryKey: ['keywords', 'pages', props.keyword],
    queryFn: () =>
      take(api.GET('/api/keywords/pages', { params: { query: { keyword: props.keyword } } })),
  });
  const chosen = (id: number, proposal: string) => typed[id] ?? (proposal || props.keyword);
  const changed = Object.fromEntries(
    (rivals.data ?? [])
      .map((r) => [r.product, chosen(r.product, r.proposal)] as const)
      .filter(([, keyword]) => keyword.trim() !== props.keyword),
  );
  const assign = useMutation({
    mutationFn: () => take(api.POST('/api/keywords/assign', { body: { keywords: changed } })),
    onSuccess: (done) => {
      notice.say(
        `${count(done.products, 'product')} with another keyword. Texts that were written for the old one are stale.`,
      );
      queries.invalidateQueries({ queryKey: ['keywords'] });
      queries.invalidateQueries({ queryKey: ['audit'] });
      props.onSettled();
    },
    onError: notice.trouble,
  });
  if (!rivals.data) return <LinearProgress aria-label="Looking for ways out" />;
  const number = Object.keys(changed).length;
  return (
    <Box data-testid="rivals">
      <Typography variant="h2">{props.keyword}</Typography>
      <Box sx={{ my: 1 }}>
        A longer keyword is proposed for each product that a fact sets apart. Change what you like;
        what stays the same goes on competing.
      </Box>
      {(pages.data ?? []).map((p) => (
        <Box key={p.page} sx={{ fontSize: 13, color: 'text.secondary' }}>
          Found by it already, at place {p.position.toFixed(1)}: {p.page}
        </Box>
      ))}
      {rivals.data.map((r) => (
        <Box key={r.product} sx={{ mt: 1.25 }}>
          <Box sx={{ fontSize: 12.5 }}>
            <Link to={`/products/${r.product}`}>
              {r.sku} {r.name}
            </Link>
            {r.page && ', live'}
            {!r.proposal && ', no fact sets it apart'}
          </Box>
          <Box
            component="input"
            aria-label={`Keyword of ${r.sku}`}
            disabled={!mayWrite}
            value={chosen(r.product, r.proposal)}
            maxLength={100}
            onChange={(e: React.ChangeEvent<HTMLInputElement>) =>
              setTyped({ ...typed, [r.product]: e.target.value })
            }
            sx={{
              width: '100%',
              font: 'inherit',
              color: r.proposal ? 'success.main' : 'inherit',
              bgcolor: 'transparent',
              border: 0,
              borderBottom: 1,
              borderColor: 'divider',
              py: 0.25,
            }}
          />
        </Box>
      ))}
      {mayWrite && (
        <Button
          variant="contained"
          sx={{ mt: 2 }}
          disabled={number === 0 || assign.isPending}
          onClick={() => assign.mutate()}
        >
          Give {count(number, 'product')} these keywords
        </Button>
      )}
    </Box>
  );
}
