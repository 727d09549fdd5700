import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate, useParams } from 'react-router';
import { api, take } from '../api/client';
import { Empty } from '../frame/Empty';
import { count, figure, when } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { useMay } from '../frame/session';

/** Editions: signed-off texts published together, with links to their live pages. */
export function EditionsPage() {
  const { id } = useParams();
  const navigate = useNavigate();
  const notice = useNotice();
  const queries = useQueryClient();
  const maySign = useMay('EDITOR');
  const editions = useQuery({
    queryKey: ['editions'],
    queryFn: () => take(api.GET('/api/editions')),
    refetchInterval: (q) => (q.state.data?.some((e) => e.status !== 'DONE') ? 700 : 5000),
  });
  const waiting = useQuery({
    queryKey: ['waiting'],
    queryFn: () => take(api.GET('/api/waiting')),
  });
  const publish = useMutation({
    mutationFn: () => take(api.POST('/api/editions', { body: { products: [] } })),
    onSuccess: (e) => {
      queries.invalidateQueries();
      navigate(`/editions/${e.id}`);
    },
    onError: notice.trouble,
  });
  const ready = waiting.data?.editions ?? 0;
  if (editions.data?.length === 0 && ready === 0) {
    return (
      <Empty title="Nothing to publish yet">
        A text can go out when somebody has signed it off. <Link to="/proofs">Read the proofs</Link>{' '}
        first.
      </Empty>
    );
  }
  const shown = editions.data?.find((e) => e.id === Number(id)) ?? editions.data?.[0];
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { md: '340px minmax(0, 1fr)' }, gap: 5 }}>
      <Box>
        <Typography variant="h1" gutterBottom>
          Editions
        </Typography>
        {maySign && (
          <Button
            variant="contained"
            disabled={ready === 0 || publish.isPending}
            onClick={() => publish.mutate()}
          >
            {ready === 0 ? 'Nothing waits to go out' : `Publish ${count(ready, 'signed-off text')}`}
          </Button>
        )}
        <Table size="small" sx={{ mt: 2 }}>
          <TableBody>
            {editions.data?.map((e) => (
              <TableRow key={e.id} selected={e.id === shown?.id} hover>
                <TableCell>
                  <Link to={`/editions/${e.id}`}>Edition {e.id}</Link>
                  <Box sx={{ color: 'text.secondary', fontSize: 12 }}>
                    {when(e.createdAt)}, {e.createdBy}
                  </Box>
                </TableCell>
                <TableCell align="right">
                  {figure(e.published)} of {figure(e.total)} out
                  {e.failed > 0 && <Box sx={{ color: 'error.main' }}>{e.failed} failed</Box>}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
      {shown && (
        <Box
          component="section"
          aria-label={`Edition ${shown.id}`}
          data-status={shown.status}
          data-testid="edition"
        >
          <Typography variant="h2">
            Edition {shown.id}: {shown.status === 'DONE' ? 'out' : 'on its way'}
          </Typography>
          {shown.status !== 'DONE' && (
            <LinearProgress
              aria-label="Progress of the edition"
              variant="determinate"
              color="success"
              value={(100 * (shown.published + shown.failed)) / shown.total}
              sx={{ my: 1 }}
            />
          )}
          <Table size="small">
            <TableHead>
              <TableRow>
                <TableCell>SKU</TableCell>
                <TableCell>Name</TableCell>
                <TableCell>In the shop</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {shown.items.map((i) => (
                <TableRow key={i.productId}>
                  <TableCell>{i.sku}</TableCell>
                  <TableCell>
                    <Link to={`/proofs/${i.productId}`}>{i.name}</Link>
                  </TableCell>
                  <TableCell>
                    {i.status === 'PUBLISHED' && (
                      <a href={i.page} target="_blank" rel="noreferrer">
                        see the live page
                      </a>
                    )}
                    {i.status === 'WAITING' && 'on its way'}
                    {i.status === 'FAILED' && (
                      <Box component="span" sx={{ color: 'error.main' }}>
                        {i.reason}
                      </Box>
                    )}
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </Box>
      )}
    </Box>
  );
}
