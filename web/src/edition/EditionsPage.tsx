import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import {
  keepPreviousData,
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
} from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, take } from '../api/client';
import { Empty } from '../frame/Empty';
import { count, figure, when } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { useMay } from '../frame/session';
import { InTheShop } from './InTheShop';

const PAGE = 50;

/** Editions: signed-off texts published together, with links to their live pages. */
export function EditionsPage() {
  const { id } = useParams();
  const navigate = useNavigate();
  const notice = useNotice();
  const queries = useQueryClient();
  const maySign = useMay('EDITOR');
  const pages = useInfiniteQuery({
    queryKey: ['editions'],
    queryFn: ({ pageParam }) =>
      take(api.GET('/api/editions', { params: { query: { before: pageParam } } })),
    initialPageParam: 0,
    getNextPageParam: (last) => (last.length < PAGE ? undefined : last[last.length - 1]!.id),
    refetchInterval: (q) =>
      q.state.data?.pages.flat().some((e) => e.status !== 'DONE') ? 700 : 5000,
  });
  const editions = pages.data?.pages.flat();
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
  const chosen = id ? Number(id) : editions?.[0]?.id;
  const isOut = editions?.find((e) => e.id === chosen)?.status === 'DONE';
  const edition = useQuery({
    queryKey: ['edition', chosen, isOut],
    queryFn: () => take(api.GET('/api/editions/{id}', { params: { path: { id: chosen! } } })),
    enabled: chosen !== undefined,
    refetchInterval: isOut ? false : 700,
    placeholderData: keepPreviousData,
  });
  useEffect(() => {
    // What waits to go out is another number once it is out.
    if (isOut) {
      queries.invalidateQueries({ queryKey: ['waiting'] });
      queries.invalidateQueries({ queryKey: ['products'] });
    }
  }, [isOut, queries]);
  const [compared, setCompared] = useState(0);
  if (editions?.length === 0 && ready === 0) {
    return (
      <Empty title="Nothing to publish yet">
        A text can go out when somebody has signed it off. <Link to="/proofs">Read the proofs</Link>{' '}
        first.
      </Empty>
    );
  }
  const shown = edition.data;
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
            {editions?.map((e) => (
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
        {pages.hasNextPage && <Button onClick={() => pages.fetchNextPage()}>Earlier</Button>}
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
          {shown.items.length < shown.total && (
            <Typography sx={{ color: 'text.secondary' }}>
              The first {figure(shown.items.length)} of {count(shown.total, 'text')}, those first
              that did not go out.
            </Typography>
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
                        {i.reason}{' '}
                        {i.changedThere && (
                          <Button
                            size="small"
                            aria-expanded={compared === i.productId}
                            onClick={() => setCompared(compared === i.productId ? 0 : i.productId)}
                          >
                            Compare the two
                          </Button>
                        )}
                      </Box>
                    )}
                    {compared === i.productId && i.changedThere && (
                      <InTheShop
                        product={i.productId}
                        onDone={(replacing) => {
                          setCompared(0);
                          if (replacing) navigate(`/editions/${replacing}`);
                        }}
                      />
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
