import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, take } from '../api/client';
import { Empty } from '../frame/Empty';

/** What is live. */
export function ResultsPage() {
  const live = useQuery({
    queryKey: ['products', 'live'],
    queryFn: () =>
      take(api.GET('/api/products', { params: { query: { state: 'PUBLISHED', limit: 200 } } })),
  });
  if (live.data?.items.length === 0) {
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
      <Table size="small" sx={{ maxWidth: 900 }}>
        <TableBody>
          {live.data?.items.map((p) => (
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
    </>
  );
}
