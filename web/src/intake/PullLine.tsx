import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { api, take } from '../api/client';
import { count } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { useMay } from '../frame/session';

/** Pulls what stands in the shop in, page by page; a pull that failed goes on where it was. */
export function PullLine() {
  const queries = useQueryClient();
  const notice = useNotice();
  const mayWrite = useMay('WRITER');
  const pull = useQuery({
    queryKey: ['pull'],
    queryFn: () => take(api.GET('/api/pulls/latest')),
    refetchInterval: (q) => (q.state.data?.status === 'RUNNING' ? 1000 : false),
  });
  const status = pull.data?.status;
  useEffect(() => {
    if (status === 'DONE') {
      queries.invalidateQueries({ queryKey: ['products'] });
      queries.invalidateQueries({ queryKey: ['waiting'] });
    }
  }, [status, queries]);
  const start = useMutation({
    mutationFn: () => take(api.POST('/api/pulls')),
    onSuccess: (p) => queries.setQueryData(['pull'], p),
    onError: notice.trouble,
  });
  if (!pull.data) return null;
  const { categories, pulled, trouble } = pull.data;
  const came = `${count(pulled, 'product')} and ${count(categories, 'category page')}`;
  return (
    <Box data-testid="pull" sx={{ mb: 2.5 }}>
      {mayWrite && status !== 'RUNNING' && (
        <Button
          size="small"
          variant="outlined"
          disabled={start.isPending}
          onClick={() => start.mutate()}
        >
          {status === 'FAILED' ? 'Go on pulling from the shop' : 'Pull products from the shop'}
        </Button>
      )}
      {status === 'RUNNING' && <>Pulling from the shop: {came} so far.</>}
      {status === 'DONE' && (
        <Box sx={{ color: 'text.secondary', fontSize: 12.5 }}>
          {came} came from the shop last time. <Link to="/categories">See the category pages</Link>
        </Box>
      )}
      {status === 'FAILED' && (
        <Box role="alert" sx={{ color: 'error.main', fontSize: 12.5 }}>
          It stopped after {came}. {trouble}
        </Box>
      )}
    </Box>
  );
}
