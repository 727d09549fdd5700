import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type ClipboardEvent, type KeyboardEvent } from 'react';
import { Link } from 'react-router';
import { api, take } from '../api/client';
import { Empty } from '../frame/Empty';
import { count } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Sentence, Word } from '../frame/Sentence';
import { useMay } from '../frame/session';

/** Row and column of a cell of the grid. */
type Key = `${number} ${number}`;
type Cells = Record<Key, string>;

/** What is essential and missing, as a grid that is filled in with the keyboard or by pasting. */
export function MissingPage() {
  const queries = useQueryClient();
  const notice = useNotice();
  const mayWrite = useMay('WRITER');
  const [productClass, setProductClass] = useState('');
  const [after, setAfter] = useState(0);
  const [typed, setTyped] = useState<Cells>({});
  const [refused, setRefused] = useState<Cells>({});
  const page = useQuery({
    queryKey: ['missing', productClass, after],
    queryFn: () => take(api.GET('/api/missing', { params: { query: { productClass, after } } })),
  });
  if (page.error) return <Typography role="alert">{page.error.message}</Typography>;
  if (!page.data) return <LinearProgress aria-label="Loading what is missing" />;
  const { classes, columns, rows, next } = page.data;
  if (classes.length === 0) {
    return (
      <Empty title="Nothing essential is missing">
        Every product whose kind is known has what its buyers ask first.{' '}
        <Link to="/products">Back to the products</Link>.
      </Empty>
    );
  }
  const filled = (Object.entries(typed) as [Key, string][]).filter(([, text]) => text.trim());
  const start = (chosen: string, from: number) => {
    setProductClass(chosen);
    setAfter(from);
    setTyped({});
    setRefused({});
  };

  const keep = async () => {
    const cells = filled.map(([key, text]) => {
      const [row, column] = key.split(' ').map(Number) as [number, number];
      return { product: rows[row]!.id, fact: columns[column]!.id, text };
    });
    try {
      const answer = await take(api.POST('/api/missing', { body: { cells } }));
      const still: Cells = {};
      const why: Cells = {};
      for (const r of answer.refusals) {
        const row = rows.findIndex((x) => x.id === r.product);
        const key: Key = `${row} ${columns.findIndex((c) => c.id === r.fact)}`;
        still[key] = typed[key] ?? '';
        why[key] = r.why;
      }
      setRefused(why);
      setTyped(still);
      if (answer.refusals.length > 0) {
        notice.trouble(
          `${count(answer.kept, 'fact')} kept; the cells that can’t be read are marked.`,
        );
      } else {
        notice.say(`${count(answer.kept, 'fact')} kept.`);
        queries.invalidateQueries({ queryKey: ['missing'] });
      }
      queries.invalidateQueries({ queryKey: ['products'] });
    } catch (e) {
      notice.trouble(e);
    }
  };

  const move = (e: KeyboardEvent, row: number, column: number) => {
    const step = { Enter: 1, ArrowDown: 1, ArrowUp: -1 }[e.key];
    if (!step) return;
    e.preventDefault();
    for (let r = row + step; r >= 0 && r < rows.length; r += step) {
      const cell = document.getElementById(`missing ${r} ${column}`);
      if (cell) return cell.focus();
    }
  };

  /** A block copied from a spreadsheet fills the open cells from here to the right and down. */
  const paste = (e: ClipboardEvent, row: number, column: number) => {
    const block = e.clipboardData.getData('text').replace(/\r?\n$/, '');
    if (!/[\t\n]/.test(block)) return;
    e.preventDefault();
    const more: Cells = {};
    block.split(/\r?\n/).forEach((line, r) =>
      line.split('\t').forEach((text, c) => {
        if (rows[row + r]?.cells[column + c] === '' && text.trim()) {
          more[`${row + r} ${column + c}`] = text;
        }
      }),
    );
    setTyped((t) => ({ ...t, ...more }));
  };

  return (
    <Box>
      <Sentence>
        What buyers ask first and no source says, for{' '}
        <Word
          label="Which kind of product"
          value={productClass || classes[0]!.id}
          choices={classes.map((c) => ({ value: c.id, label: `${c.products} ${c.noun}` }))}
          onChange={(v) => start(v, 0)}
        />
        .
        {mayWrite && (
          <Button sx={{ ml: 2 }} variant="contained" disabled={!filled.length} onClick={keep}>
            Keep {count(filled.length, 'fact')}
          </Button>
        )}
      </Sentence>
      <Typography sx={{ color: 'text.secondary', mb: 1 }}>
        Enter goes down, Tab goes right, and a block copied from a spreadsheet can be pasted.
      </Typography>
      <Box component="table" aria-label="What is missing" sx={gridStyle}>
        <thead>
          <tr>
            <th>SKU</th>
            <th>Name</th>
            {columns.map((c) => (
              <th key={c.id}>{c.label}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((r, row) => (
            <tr key={r.id}>
              <td>{r.sku}</td>
              <th scope="row">
                <Link to={`/products/${r.id}`}>{r.name}</Link>
              </th>
              {r.cells.map((cell, column) => {
                const key: Key = `${row} ${column}`;
                if (cell || !mayWrite) {
                  return (
                    <td key={key} className="known">
                      {cell}
                    </td>
                  );
                }
                return (
                  <td key={key} className={refused[key] ? 'open refused' : 'open'}>
                    <input
                      id={`missing ${key}`}
                      aria-label={`${columns[column]!.label} of ${r.sku}`}
                      aria-invalid={refused[key] ? true : undefined}
                      value={typed[key] ?? ''}
                      onChange={(e) => setTyped((t) => ({ ...t, [key]: e.target.value }))}
                      onKeyDown={(e) => move(e, row, column)}
                      onPaste={(e) => paste(e, row, column)}
                    />
                    {refused[key] && <small>{refused[key]}</small>}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </Box>
      <Box sx={{ mt: 1.5, display: 'flex', gap: 1 }}>
        {after > 0 && <Button onClick={() => start(productClass, 0)}>From the start</Button>}
        {next > 0 && (
          <Button disabled={filled.length > 0} onClick={() => start(productClass, next)}>
            The next ones
          </Button>
        )}
      </Box>
    </Box>
  );
}

const gridStyle = {
  borderCollapse: 'collapse',
  '& th, & td': {
    textAlign: 'left',
    border: '1px solid',
    borderColor: 'divider',
    px: 1.25,
    py: '4px',
    verticalAlign: 'top',
  },
  '& thead th': { color: 'text.secondary', fontWeight: 500 },
  '& tbody th': { fontWeight: 400 },
  '& .known': { color: 'text.secondary' },
  '& td.open': { p: 0, bgcolor: 'background.paper', minWidth: 150 },
  '& .open input': {
    width: '100%',
    boxSizing: 'border-box',
    font: 'inherit',
    color: 'inherit',
    bgcolor: 'transparent',
    border: 0,
    px: 1.25,
    py: '4px',
  },
  '& .refused': { outline: '2px solid', outlineColor: 'error.main', outlineOffset: -2 },
  '& .refused small': { display: 'block', color: 'error.main', px: 1.25, pb: 0.5, maxWidth: 220 },
} as const;
