import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { when } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Sentence, TypedWord, Word } from '../frame/Sentence';
import { SureButton } from '../frame/SureButton';

type Order = Schema['TokenOrder'];

const RIGHTS = [
  { value: 'READER', label: 'read' },
  { value: 'WRITER', label: 'take sheets in and write' },
  { value: 'EDITOR', label: 'write, sign off and publish' },
];

const LASTS = [
  { value: '30', label: '30 days' },
  { value: '90', label: '90 days' },
  { value: '365', label: 'a year' },
];

/** What lets programs work in the house; the owner's. */
export function TokensPage() {
  const notice = useNotice();
  const queries = useQueryClient();
  const [order, setOrder] = useState<Order>({ name: '', role: 'WRITER', days: 90 });
  const [made, setMade] = useState('');
  const tokens = useQuery({ queryKey: ['tokens'], queryFn: () => take(api.GET('/api/tokens')) });
  const make = useMutation({
    mutationFn: () => take(api.POST('/api/tokens', { body: order })),
    onSuccess: ({ token, all }) => {
      queries.setQueryData(['tokens'], all);
      setMade(token);
      setOrder({ ...order, name: '' });
    },
    onError: notice.trouble,
  });
  const end = useMutation({
    mutationFn: (id: number) => take(api.DELETE('/api/tokens/{id}', { params: { path: { id } } })),
    onSuccess: (all) => queries.setQueryData(['tokens'], all),
    onError: notice.trouble,
  });
  return (
    <Box sx={{ maxWidth: 1000 }}>
      <Typography variant="h1">Tokens for programs</Typography>
      <Sentence>
        A program for{' '}
        <TypedWord
          key={made}
          label="What it is for"
          value={order.name}
          otherwise="what"
          onSettled={(name) => setOrder({ ...order, name })}
        />{' '}
        may{' '}
        <Word
          label="Rights"
          value={order.role}
          choices={RIGHTS}
          onChange={(role) => setOrder({ ...order, role: role as Order['role'] })}
        />{' '}
        in my name for{' '}
        <Word
          label="How long"
          value={String(order.days)}
          choices={LASTS}
          onChange={(days) => setOrder({ ...order, days: Number(days) })}
        />
        .{' '}
        <Button
          variant="contained"
          disabled={!order.name.trim() || make.isPending}
          onClick={() => make.mutate()}
        >
          Make a token
        </Button>
      </Sentence>
      {made && (
        <Box role="status" sx={{ borderLeft: 3, borderColor: 'success.main', pl: 1.5, my: 1.5 }}>
          This is the token. It is shown this once; only its fingerprint is kept here.
          <Box
            component="code"
            data-testid="token"
            sx={{ display: 'block', fontSize: 15, overflowWrap: 'anywhere', my: 0.5 }}
          >
            {made}
          </Box>
          <Button
            size="small"
            onClick={() =>
              navigator.clipboard
                .writeText(made)
                .then(() => notice.say('Copied.'))
                .catch(notice.trouble)
            }
          >
            Copy it
          </Button>
        </Box>
      )}
      {(tokens.data ?? []).length > 0 && (
        <Table size="small" sx={{ mt: 2 }}>
          <TableHead>
            <TableRow>
              <TableCell>For</TableCell>
              <TableCell>May</TableCell>
              <TableCell>In the name of</TableCell>
              <TableCell>Last used</TableCell>
              <TableCell>Ends</TableCell>
              <TableCell />
            </TableRow>
          </TableHead>
          <TableBody>
            {tokens.data!.map((t) => (
              <TableRow key={t.id}>
                <TableCell>{t.name}</TableCell>
                <TableCell>{RIGHTS.find((r) => r.value === t.role)?.label}</TableCell>
                <TableCell>{t.madeBy}</TableCell>
                <TableCell>{Date.parse(t.usedAt) > 0 ? when(t.usedAt) : 'never'}</TableCell>
                <TableCell>{t.hasEnded ? 'has ended' : when(t.endsAt)}</TableCell>
                <TableCell align="right">
                  <SureButton sure="End it now" onSure={() => end.mutate(t.id)}>
                    End …
                  </SureButton>
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
    </Box>
  );
}
