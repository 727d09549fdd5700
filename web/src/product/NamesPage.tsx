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
import { count, figure } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Sentence, TypedWord, Word } from '../frame/Sentence';
import { useMay } from '../frame/session';

type Kind = Schema['NewHouseName']['kind'];

const KINDS: { value: Kind; label: string }[] = [
  { value: 'COLOUR', label: 'the colour' },
  { value: 'MATERIAL', label: 'the material' },
  { value: 'SIZE', label: 'the size' },
  { value: 'UNIT', label: 'amounts in' },
  { value: 'OTHER', label: 'the value' },
];

/** The house's own names for what suppliers call otherwise, tried on real values before they count. */
export function NamesPage() {
  const queries = useQueryClient();
  const notice = useNotice();
  const mayWrite = useMay('WRITER');
  const [kind, setKind] = useState<Kind>('COLOUR');
  const [written, setWritten] = useState('');
  const [printed, setPrinted] = useState('');
  const [round, setRound] = useState(0);
  const names = useQuery({
    queryKey: ['house-names'],
    queryFn: () => take(api.GET('/api/house-names')),
  });
  const body = { kind, written, printed };
  const isWhole = written.trim() !== '' && printed.trim() !== '';
  const trial = useQuery({
    queryKey: ['house-names', 'try', body],
    queryFn: () => take(api.POST('/api/house-names/try', { body })),
    enabled: isWhole,
    retry: false,
  });
  const changed = (all: Schema['HouseNameView'][]) => {
    queries.setQueryData(['house-names'], all);
    queries.invalidateQueries({ queryKey: ['product'] });
    queries.invalidateQueries({ queryKey: ['products'] });
  };
  const add = useMutation({
    mutationFn: () => take(api.POST('/api/house-names', { body })),
    onSuccess: (all) => {
      changed(all);
      setWritten('');
      setPrinted('');
      setRound(round + 1);
      notice.say('Kept. Texts it touches are marked as stale.');
    },
    onError: notice.trouble,
  });
  const remove = useMutation({
    mutationFn: (id: number) =>
      take(api.DELETE('/api/house-names/{id}', { params: { path: { id } } })),
    onSuccess: changed,
    onError: notice.trouble,
  });
  return (
    <Box sx={{ maxWidth: 900 }}>
      <Typography variant="h1" gutterBottom>
        Names of the house
      </Typography>
      {mayWrite && (
        <>
          <Sentence key={round}>
            Where suppliers write{' '}
            <Word
              label="Kind of name"
              value={kind}
              choices={KINDS}
              onChange={(v) => setKind(v as Kind)}
            />{' '}
            <TypedWord label="What suppliers write" value={written} onSettled={setWritten} />, this
            house prints{' '}
            <TypedWord label="What the house prints" value={printed} onSettled={setPrinted} />.
            <Button
              sx={{ ml: 2 }}
              variant="contained"
              disabled={!isWhole || add.isPending || trial.isError}
              onClick={() => add.mutate()}
            >
              Keep the name
            </Button>
          </Sentence>
          {trial.isError && (
            <Typography role="alert" sx={{ color: 'error.main' }}>
              {trial.error.message}
            </Typography>
          )}
          {trial.data && (
            <Box
              data-testid="trial"
              sx={{ borderLeft: 3, borderColor: 'success.main', pl: 2, my: 1 }}
            >
              It would touch {count(trial.data.products, 'product')}, {figure(trial.data.texts)} of
              them with a text.
              {trial.data.examples.map((e, i) => (
                <Box key={i} sx={{ fontSize: 13 }}>
                  {e.sku} {e.name}, {e.label}: <del>{e.before}</del> → {e.after}
                </Box>
              ))}
            </Box>
          )}
        </>
      )}
      <Table size="small" aria-label="Names of the house" sx={{ mt: 2 }}>
        <TableHead>
          <TableRow>
            <TableCell>For</TableCell>
            <TableCell>suppliers write</TableCell>
            <TableCell>the house prints</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {names.data?.map((n) => (
            <TableRow key={n.id}>
              <TableCell>{KINDS.find((k) => k.value === n.kind)?.label}</TableCell>
              <TableCell>{n.written}</TableCell>
              <TableCell>{n.printed}</TableCell>
              <TableCell align="right">
                {mayWrite && (
                  <Button size="small" onClick={() => remove.mutate(n.id)}>
                    Take away
                  </Button>
                )}
              </TableCell>
            </TableRow>
          ))}
          {names.data?.length === 0 && (
            <TableRow>
              <TableCell colSpan={4} sx={{ color: 'text.secondary' }}>
                None yet: what suppliers write is printed. A name works backwards, and taking it
                away brings the supplier’s word back.
              </TableCell>
            </TableRow>
          )}
        </TableBody>
      </Table>
    </Box>
  );
}
