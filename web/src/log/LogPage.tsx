import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take } from '../api/client';
import { when } from '../frame/format';

const PAGE = 100;

/** Who did what in this house, when, and from where. */
export function LogPage() {
  const [search, setSearch] = useState('');
  const log = useInfiniteQuery({
    queryKey: ['log', search],
    queryFn: ({ pageParam }) =>
      take(api.GET('/api/log', { params: { query: { search, before: pageParam } } })),
    initialPageParam: 0,
    getNextPageParam: (last) => (last.length < PAGE ? undefined : last[last.length - 1]!.id),
    placeholderData: keepPreviousData,
  });
  const entries = log.data?.pages.flat() ?? [];
  return (
    <Box sx={{ maxWidth: 1100 }}>
      <Typography variant="h1" gutterBottom>
        Log
      </Typography>
      <TextField
        variant="standard"
        label="Find a person, an act or a thing"
        value={search}
        onChange={(e) => setSearch(e.target.value)}
        sx={{ width: 320, mb: 2 }}
      />
      {log.error && <Typography role="alert">{log.error.message}</Typography>}
      <Table size="small">
        <TableHead>
          <TableRow>
            <TableCell>When</TableCell>
            <TableCell>Who</TableCell>
            <TableCell>What</TableCell>
            <TableCell>About</TableCell>
            <TableCell>More</TableCell>
            <TableCell>From</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {entries.map((e) => (
            <TableRow key={e.id}>
              <TableCell>{when(e.at)}</TableCell>
              <TableCell>{e.who}</TableCell>
              <TableCell>{e.event}</TableCell>
              <TableCell>{e.about}</TableCell>
              <TableCell>{e.detail}</TableCell>
              <TableCell>{e.address}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {log.isSuccess && entries.length === 0 && (
        <Box sx={{ mt: 2, color: 'text.secondary' }}>Nothing in the log says that.</Box>
      )}
      {log.hasNextPage && <Button onClick={() => log.fetchNextPage()}>Earlier</Button>}
    </Box>
  );
}
