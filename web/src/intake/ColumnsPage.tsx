import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import {
  keepPreviousData,
  useInfiniteQuery,
  useMutation,
  useQueryClient,
} from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, take } from '../api/client';
import { when } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { useMay } from '../frame/session';
import { useMeanings } from './meanings';

const PAGE = 100;

/** What people said that columns are; like columns of any supplier are read so. */
export function ColumnsPage() {
  const queries = useQueryClient();
  const notice = useNotice();
  const mayWrite = useMay('WRITER');
  const [search, setSearch] = useState('');
  const answers = useInfiniteQuery({
    queryKey: ['column-answers', search],
    queryFn: ({ pageParam }) =>
      take(api.GET('/api/column-answers', { params: { query: { search, ...pageParam } } })),
    initialPageParam: { after: '', afterId: 0 },
    getNextPageParam: (last) => {
      const end = last.at(-1);
      return last.length < PAGE || !end ? undefined : { after: end.heading, afterId: end.id };
    },
    placeholderData: keepPreviousData,
  });
  const forget = useMutation({
    mutationFn: (id: number) =>
      take(api.DELETE('/api/column-answers/{id}', { params: { path: { id } } })),
    onSuccess: () => notice.say('Taken back. Sheets that come from now on are read without it.'),
    onError: notice.trouble,
    onSettled: () => queries.invalidateQueries({ queryKey: ['column-answers'] }),
  });
  const all = answers.data?.pages.flat() ?? [];
  const { label } = useMeanings(all.map((a) => a.meaning));
  return (
    <Box sx={{ maxWidth: 1000 }}>
      <Typography variant="h1" gutterBottom>
        Columns
      </Typography>
      <Box sx={{ color: 'text.secondary', mb: 2 }}>
        What people of the house said that a column is. A column of the same heading is read so on
        any supplier’s sheet, unless its cells are of another kind; then it is asked about again.
      </Box>
      <TextField
        variant="standard"
        label="Find a heading or a supplier"
        value={search}
        onChange={(e) => setSearch(e.target.value)}
        sx={{ width: 320, mb: 2 }}
      />
      {answers.error && <Typography role="alert">{answers.error.message}</Typography>}
      {all.length > 0 && (
        <Table size="small">
          <TableHead>
            <TableRow>
              <TableCell>Heading</TableCell>
              <TableCell>is read as</TableCell>
              <TableCell>said on a sheet of</TableCell>
              <TableCell>by</TableCell>
              <TableCell>on</TableCell>
              <TableCell />
            </TableRow>
          </TableHead>
          <TableBody>
            {all.map((a) => (
              <TableRow key={a.id}>
                <TableCell sx={{ fontWeight: 600 }}>{a.heading}</TableCell>
                <TableCell>{label(a.meaning)}</TableCell>
                <TableCell>{a.supplier}</TableCell>
                <TableCell>{a.by}</TableCell>
                <TableCell>{when(a.at)}</TableCell>
                <TableCell>
                  {mayWrite && (
                    <Button
                      size="small"
                      disabled={forget.isPending}
                      aria-label={`Take back what was said of ${a.heading}`}
                      onClick={() => forget.mutate(a.id)}
                    >
                      Take back
                    </Button>
                  )}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
      {answers.isSuccess && all.length === 0 && (
        <Box sx={{ color: 'text.secondary' }}>
          {search
            ? 'No heading and no supplier is called that.'
            : 'Nothing yet. What you answer when a sheet’s columns aren’t clear is kept here: '}
          {!search && <Link to="/intake">see the sheets that wait</Link>}
        </Box>
      )}
      {answers.hasNextPage && <Button onClick={() => answers.fetchNextPage()}>More</Button>}
    </Box>
  );
}
