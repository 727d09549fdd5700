import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useInfiniteQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, take } from '../api/client';
import { Empty } from '../frame/Empty';
import { count, figure } from '../frame/format';

/** What is live. */
export function ResultsPage() {
  const live = useInfiniteQuery({
    queryKey: ['products', 'live'],
    queryFn: ({ pageParam }) =>
      take(
        api.GET('/api/products', {
          params: { query: { state: 'PUBLISHED', limit: 200, after: pageParam } },
        }),
      ),
    initialPageParam: '',
    getNextPageParam: (last) => last.next || undefined,
  });
  const items = live.data?.pages.flatMap((p) => p.items) ?? [];
  const total = live.data?.pages[0]?.total ?? 0;
  if (live.isSuccess && items.length === 0) {
    return (
      <Empty title="Nothing is live yet">
        Pages are listed here once an <Link to="/editions">edition</Link> has gone out.
      </Empty>
    );
  }
  return (
    <>
      <Typography variant="h1" gutterBottom>
        Live pages
      </Typography>
      <Typography sx={{ color: 'text.secondary' }}>
        {items.length < total
          ? `${figure(items.length)} of ${count(total, 'page')} shown.`
          : `${count(total, 'page')}.`}
      </Typography>
      <Table size="small" sx={{ maxWidth: 900 }}>
        <TableBody>
          {items.map((p) => (
            <TableRow key={p.id}>
              <TableCell>{p.sku}</TableCell>
              <TableCell>
                <Link to={`/proofs/${p.id}`}>{p.name}</Link>
              </TableCell>
              <TableCell>
                <a href={p.page} target="_blank" rel="noreferrer">
                  {p.page}
                </a>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {live.hasNextPage && (
        <Button disabled={live.isFetchingNextPage} onClick={() => live.fetchNextPage()}>
          More
        </Button>
      )}
    </>
  );
}
