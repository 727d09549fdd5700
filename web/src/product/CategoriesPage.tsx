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
import { Link, useNavigate } from 'react-router';
import { api, take } from '../api/client';
import { Empty } from '../frame/Empty';
import { count, figure } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { useMay } from '../frame/session';
import { stageName } from '../frame/Stage';

/** What category pages are called where products are chosen by kind. */
const KIND = 'category page';

/** The shop’s category pages as they were pulled in, and what the house writes for them. */
export function CategoriesPage() {
  const mayWrite = useMay('WRITER');
  const queries = useQueryClient();
  const navigate = useNavigate();
  const notice = useNotice();
  const taking = useMutation({
    mutationFn: (keys: string[]) => take(api.POST('/api/categories/taken', { body: { keys } })),
    onSuccess: (taken) => {
      const changed = taken.added + taken.changed;
      notice.say(
        [
          changed > 0
            ? `${count(changed, 'page')} can be written now, from the facts of what stands on them.`
            : 'Nothing has changed on these pages since.',
          ...taken.left,
        ].join(' '),
      );
      for (const key of ['categories', 'products', 'waiting']) {
        queries.invalidateQueries({ queryKey: [key] });
      }
      if (changed > 0) navigate(`/products?kind=${encodeURIComponent(KIND)}`);
    },
    onError: notice.trouble,
  });
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
            Their texts say how many products stand there, whose they are, what they have in common
            and how they differ; they are written, proofed and published as those of products are.
          </Typography>
          {mayWrite && (
            <Button
              variant="outlined"
              disabled={taking.isPending}
              onClick={() => taking.mutate([])}
              sx={{ mb: 1.5 }}
            >
              {categories.data.some((c) => c.product > 0)
                ? 'Bring all pages up to date'
                : `Take all ${figure(categories.data.length)} in to write`}
            </Button>
          )}
          <Table size="small">
            <TableHead>
              <TableRow>
                <TableCell>Page</TableCell>
                <TableCell align="right">Products</TableCell>
                <TableCell align="right">Words</TableCell>
                <TableCell>Text there now</TableCell>
                <TableCell>Ours</TableCell>
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
                  <TableCell sx={{ whiteSpace: 'nowrap' }}>
                    {c.product > 0 ? (
                      <Link
                        to={
                          c.stage === 'UNWRITTEN'
                            ? `/products/${c.product}`
                            : `/proofs/${c.product}`
                        }
                      >
                        {stageName(c.stage)}
                      </Link>
                    ) : mayWrite ? (
                      <Button
                        size="small"
                        disabled={taking.isPending}
                        aria-label={`Take ${c.name} in to write`}
                        onClick={() => taking.mutate([c.key])}
                      >
                        Take in
                      </Button>
                    ) : (
                      'none'
                    )}
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
