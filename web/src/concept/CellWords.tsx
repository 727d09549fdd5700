import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { skipToken, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { count } from '../frame/format';
import type { CellsSaid } from './teaching';

/** So many cells of other products are asked for at a time. */
const AT_A_TIME = 12;

/** Lines in which somebody says what cells mean that no sentence can take as they stand. */
export function CellWords(props: {
  fact: string;
  label: string;
  /** The cell of the product at hand; it comes first. */
  cell: string;
  isBusy: boolean;
  onPut: (some: CellsSaid[]) => void;
  /** Told what the lines say by now; nothing if none says anything new. */
  onSaid: (fact: string, said: CellsSaid | undefined) => void;
}) {
  const { fact, label, cell, onSaid } = props;
  const [isOpen, setOpen] = useState(false);
  const [more, setMore] = useState(0);
  const [typed, setTyped] = useState<ReadonlyMap<string, string>>(new Map());
  const cells = useQuery({
    queryKey: ['cells', fact],
    queryFn: isOpen
      ? () => take(api.GET('/api/cells', { params: { query: { fact } } }))
      : skipToken,
  });
  const said = (cells.data ?? [])
    .map((c) => ({ written: c.written, words: (typed.get(c.written) ?? c.words).trim() }))
    .filter((c, i) => c.words !== cells.data?.[i]?.words);
  const key = JSON.stringify(said);
  useEffect(() => {
    const some = JSON.parse(key) as Schema['CellWord'][];
    onSaid(fact, some.length > 0 ? { fact, label, cells: some } : undefined);
    return () => onSaid(fact, undefined);
  }, [fact, label, key, onSaid]);
  if (!isOpen) {
    return (
      <Button
        size="small"
        sx={{ gridColumn: { sm: 2 }, justifySelf: 'start', px: 0 }}
        aria-label={`Put it in words: ${label}`}
        onClick={() => setOpen(true)}
      >
        Put it in words
      </Button>
    );
  }
  if (cells.error) return <Box role="alert">{cells.error.message}</Box>;
  if (!cells.data) return null;
  const isHere = (c: Schema['CellLine']) => same(c.written) === same(cell);
  // Those that no sentence can take as they stand come first.
  const asked = [...cells.data.filter(isHere), ...cells.data.filter((c) => !isHere(c))];
  const inTheWay = asked.filter((c) => isHere(c) || c.why !== '' || c.words !== '').length;
  const shown = Math.min(AT_A_TIME, inTheWay) + more;
  const touched = said.reduce(
    (sum, c) => sum + (asked.find((a) => a.written === c.written)?.products ?? 0),
    0,
  );
  return (
    <Box data-testid="cell-words" sx={{ gridColumn: '1 / -1', pt: 0.5 }}>
      {asked.slice(0, shown).map((c) => (
        <Box
          key={c.written}
          sx={{ display: 'grid', gridTemplateColumns: '1fr 1.6fr', columnGap: 2, pb: 0.5 }}
        >
          <Box sx={{ color: 'text.secondary', overflowWrap: 'anywhere' }}>
            “{c.written}”, {count(c.products, 'product')}
          </Box>
          <TextField
            size="small"
            fullWidth
            variant="standard"
            placeholder="means …"
            value={typed.get(c.written) ?? c.words}
            onChange={(e) => setTyped(new Map(typed).set(c.written, e.target.value))}
            slotProps={{
              htmlInput: { 'aria-label': `${label} “${c.written}” in words`, maxLength: 400 },
            }}
          />
        </Box>
      ))}
      {asked.length > shown && (
        <Button size="small" onClick={() => setMore(more + AT_A_TIME)}>
          Show {shown < inTheWay ? 'the next' : 'what reads well'}
        </Button>
      )}
      <Button
        size="small"
        variant="outlined"
        disabled={props.isBusy || said.length === 0}
        onClick={() => props.onPut([{ fact, label, cells: said }])}
      >
        Read so{touched > 0 && `, in ${count(touched, 'product')}`}
      </Button>
      <Button size="small" onClick={() => setOpen(false)}>
        Close
      </Button>
    </Box>
  );
}

const same = (cell: string) => cell.trim().toLowerCase();
