import Box from '@mui/material/Box';
import LinearProgress from '@mui/material/LinearProgress';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, take } from '../api/client';
import { Empty } from '../frame/Empty';
import { count, figure } from '../frame/format';

/** The shop’s category pages as they were pulled in. */
export function CategoriesPage() {
  const categories = useQuery({
    queryKey: ['categories'],
    queryFn: () => take(api.GET('/api/categories')),
  });
  if (categories.error) return <Typography role="alert">{categories.error.message}</Typography>;
  if (!categories.data) return <LinearProgress aria-label="Loading category pages" />;
  const bare = categories.data.filter((c) => c.words === 0).length;
  return (
    <Box sx={{ maxWidth: 900 }}>
      <Typography variant="h1">Category pages</Typography>
      {categories.data.length === 0 ? (
        <Empty title="No category page has come yet">
          <Link to="/intake">Pull them from the shop</Link>, together with its products.
        </Empty>
      ) : (
        <>
          <Typography sx={{ color: 'text.secondary', my: 1 }}>
            {count(categories.data.length, 'page')} of the shop, {figure(bare)} without any text.
          </Typography>
          <Table size="small">
            <TableHead>
              <TableRow>
                <TableCell>Page</TableCell>
                <TableCell align="right">Products</TableCell>
                <TableCell align="right">Words</TableCell>
                <TableCell>Text there now</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {categories.data.map((c) => (
                <TableRow key={c.key}>
                  <TableCell>{c.name}</TableCell>
                  <TableCell align="right">{figure(c.products)}</TableCell>
                  <TableCell align="right">{figure(c.words)}</TableCell>
                  <TableCell sx={{ color: c.text ? 'text.primary' : 'warning.main' }}>
                    {c.text || 'none'}
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </>
      )}
    </Box>
  );
}
