import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { keepPreviousData, useInfiniteQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { Link, useSearchParams } from 'react-router';
import { api, take, type Schema } from '../api/client';
import { count, figure } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { PILE } from '../frame/orders';
import { useMay } from '../frame/session';
import { ChoiceSentence } from '../product/ChoiceSentence';
import { fromAddress, toAddress, type Filter } from '../product/filter';
import { serif } from '../theme';
import {
  clipboardRows,
  inParts,
  moved,
  paste,
  type Correction,
  type Pasted,
  type Place,
} from './cells';

type Row = Schema['TableRow'];

const PAGE = 40;

/** As many products as the server corrects in one request. */
const AT_ONCE = 20;

const READABLE = ['PROOF', 'READY', 'FIX', 'COMMENTED', 'STALE', 'SIGNED_OFF', 'PUBLISHED'];

const FIELDS = [
  { code: 'title', label: 'Title' },
  { code: 'short_description', label: 'Short description' },
  { code: 'description', label: 'Description' },
  { code: 'highlights', label: 'Highlights' },
  { code: 'meta_title', label: 'Meta title' },
  { code: 'meta_description', label: 'Meta description' },
  { code: 'tags', label: 'Tags' },
  { code: 'image_alt', label: 'Picture alt text' },
];
const AT_FIRST = ['title', 'meta_title', 'meta_description'];

/** Many products’ texts beside each other, corrected cell by cell or pasted from a spreadsheet. */
export function TextsPage() {
  const [address, setAddress] = useSearchParams();
  const filter = fromAddress(address, PILE);
  const chosen = address.get('fields')?.split(' ') ?? AT_FIRST;
  const fields = FIELDS.filter((f) => chosen.includes(f.code));
  const show = (part: Partial<Filter>, codes: string[]) => {
    const to = toAddress({ ...filter, ...part }, PILE);
    if (codes.join(' ') !== AT_FIRST.join(' ')) to.set('fields', codes.join(' '));
    setAddress(to, { replace: true });
  };
  const queries = useQueryClient();
  const notice = useNotice();
  const mayWrite = useMay('WRITER');
  const queryKey = ['texts', filter];
  const pages = useInfiniteQuery({
    queryKey,
    queryFn: ({ pageParam }) =>
      take(
        api.GET('/api/texts', {
          params: { query: { ...filter, after: pageParam, limit: PAGE } },
        }),
      ),
    initialPageParam: '',
    getNextPageParam: (last) => last.next || undefined,
    placeholderData: keepPreviousData,
    // A correction makes a text more or less ready: read anew, the rows would change places under
    // the person who works in them.
    refetchOnReconnect: false,
  });
  const rows = pages.data?.pages.flatMap((p) => p.rows) ?? [];
  const total = pages.data?.pages[0]?.total ?? 0;

  const [at, setAt] = useState<Place>({ row: 0, column: 0 });
  const [typed, setTyped] = useState<Typed | null>(null);
  const [pasted, setPasted] = useState<Pasted | null>(null);
  const [progress, setProgress] = useState<{ done: number; of: number } | null>(null);
  // What was typed and couldn’t be kept: it stays until somebody decides.
  const [unkept, setUnkept] = useState<Unkept[]>([]);
  const revisions = useRef(new Map<number, number>());
  const queue = useRef(Promise.resolve());
  // What was done in this sitting, the last at the end.
  const [acts, setActs] = useState<{ act: number; texts: number }[]>([]);
  const grid = useRef<HTMLTableElement>(null);
  const focus = (place: Place) => {
    setAt(place);
    grid.current?.querySelector<HTMLElement>(`[data-at="${place.row} ${place.column}"]`)?.focus();
  };

  const putRows = (fresh: Row[]) => {
    const byId = new Map(fresh.map((r) => [r.product.id, r]));
    queries.setQueryData<typeof pages.data>(
      queryKey,
      (old) =>
        old && {
          ...old,
          pages: old.pages.map((p) => ({
            ...p,
            rows: p.rows.map((r) => byId.get(r.product.id) ?? r),
          })),
        },
    );
    for (const key of ['products', 'proof', 'waiting', 'acts']) {
      queries.invalidateQueries({ queryKey: [key] });
    }
  };

  const send = async (corrections: Correction[]) => {
    let act = 0;
    let texts = 0;
    const parts = inParts(corrections, AT_ONCE);
    let open = corrections;
    try {
      if (parts.length > 1) setProgress({ done: 0, of: parts.length });
      for (const [i, part] of parts.entries()) {
        const cells = part.map((c) => ({
          ...c,
          revision: revisions.current.get(c.product) ?? c.revision,
        }));
        const done = await take(api.POST('/api/texts/corrections', { body: { act, cells } }));
        act = done.act || act;
        texts += done.texts;
        const left = new Map(done.left.map((l) => [l.product, l.why]));
        for (const r of done.rows) {
          // What somebody else wrote has to be seen before it is written over.
          if (!left.has(r.product.id)) revisions.current.set(r.product.id, r.revision);
        }
        putRows(done.rows);
        open = open.filter((c) => !part.includes(c));
        const refused = part.flatMap((c) => {
          const why = left.get(c.product);
          return why === undefined ? [] : [{ ...c, why }];
        });
        if (refused.length > 0) setUnkept((u) => [...u, ...refused]);
        if (parts.length > 1) setProgress({ done: i + 1, of: parts.length });
      }
    } catch (e) {
      notice.trouble(e);
      setUnkept((u) => [...u, ...open.map((c) => ({ ...c, why: 'It didn’t get through.' }))]);
    } finally {
      setProgress(null);
      if (act > 0) setActs((a) => [...a, { act, texts }]);
    }
  };
  // One after the other: the next correction of a text is made on the revision of the one before.
  const correct = (corrections: Correction[]) => {
    queue.current = queue.current.then(() => send(corrections));
  };

  const takeBack = async () => {
    const last = acts.at(-1);
    if (!last) return;
    try {
      const path = { act: last.act };
      const back = await take(
        api.POST('/api/texts/corrections/{act}/take-back', { params: { path } }),
      );
      setActs((a) => a.slice(0, -1));
      revisions.current.clear();
      putRows(back.rows);
      if (back.rows.length < back.texts) queries.invalidateQueries({ queryKey: ['texts'] });
      notice.say(
        `${count(back.texts, 'text')} as before.` +
          (back.texts < last.texts ? ' The others were changed since, and stay.' : ''),
      );
    } catch (e) {
      notice.trouble(e);
    }
  };

  /** What was typed is kept, whichever way the cell is left. */
  const leave = (to?: Place) => {
    if (typed) {
      const text = typed.text.trim();
      if (typed.before !== text) correct([{ ...typed.cell, text }]);
      setTyped(null);
    }
    if (to) requestAnimationFrame(() => focus(to));
  };

  const begin = (place: Place, text?: string) => {
    const row = rows[place.row];
    const field = fields[place.column];
    if (!mayWrite || !row || !field || row.revision === 0) return;
    setAt(place);
    const before = row.cells[field.code] ?? '';
    const cell = { product: row.product.id, revision: row.revision, field: field.code };
    setTyped({ cell, before, text: text ?? before });
  };

  const onKey = (e: KeyboardEvent, place: Place) => {
    if (typed) return;
    const to = moved(e.key, place, rows.length, fields.length);
    if (to) {
      e.preventDefault();
      focus(to);
    } else if (e.key === 'Enter' || e.key === 'F2') {
      e.preventDefault();
      begin(place);
    } else if (e.key === 'z' && (e.ctrlKey || e.metaKey)) {
      e.preventDefault();
      void takeBack();
    } else if (e.key.length === 1 && !e.ctrlKey && !e.metaKey && !e.altKey) {
      e.preventDefault();
      begin(place, e.key);
    }
  };

  const onTyping = (e: KeyboardEvent, place: Place) => {
    const isLine = !hasLines(fields[place.column]?.code);
    if (e.key === 'Escape' || (e.key === 'Enter' && (isLine || e.ctrlKey || e.metaKey))) {
      e.preventDefault();
      e.stopPropagation();
      const down = { row: Math.min(place.row + 1, rows.length - 1), column: place.column };
      leave(e.key === 'Escape' ? place : down);
    } else if (e.key === 'Tab') {
      e.preventDefault();
      const column = place.column + (e.shiftKey ? -1 : 1);
      leave({ row: place.row, column: Math.min(Math.max(column, 0), fields.length - 1) });
    }
  };

  // A paste into nothing else than a cell: fields of forms have their own.
  useEffect(() => {
    const on = (e: ClipboardEvent) => {
      const place = (e.target as HTMLElement).dataset?.at;
      const text = e.clipboardData?.getData('text/plain');
      if (!place || !text || !mayWrite) return;
      e.preventDefault();
      const [row, column] = place.split(' ').map(Number) as [number, number];
      setPasted(
        paste(
          rows,
          fields.map((f) => f.code),
          { row, column },
          clipboardRows(text),
        ),
      );
    };
    document.addEventListener('paste', on);
    return () => document.removeEventListener('paste', on);
  });

  return (
    <Box>
      <ChoiceSentence filter={filter} states={READABLE} onChange={(part) => show(part, chosen)} />
      <Box
        component="fieldset"
        sx={{ border: 0, p: 0, m: 0, mb: 1.5, display: 'flex', flexWrap: 'wrap', gap: 2 }}
      >
        <Box component="legend" sx={{ float: 'left', p: 0, mr: 2 }}>
          Side by side:
        </Box>
        {FIELDS.map((f) => (
          <label key={f.code}>
            <input
              type="checkbox"
              checked={chosen.includes(f.code)}
              onChange={(e) =>
                show(
                  {},
                  FIELDS.map((x) => x.code).filter((c) =>
                    c === f.code ? e.target.checked : chosen.includes(c),
                  ),
                )
              }
            />{' '}
            {f.label}
          </label>
        ))}
        <Box sx={{ flex: 1 }} />
        <Link to={{ pathname: '/proofs', search: toAddress(filter, PILE).toString() }}>
          One by one
        </Link>
      </Box>
      {pages.isFetching && <LinearProgress aria-label="Loading texts" />}
      {progress && (
        <Box role="status">
          <LinearProgress
            variant="determinate"
            value={(100 * progress.done) / progress.of}
            aria-label="How far it is"
          />
          Part {figure(progress.done)} of {figure(progress.of)}
        </Box>
      )}
      {pasted && (
        <Pasting
          pasted={pasted}
          rows={rows}
          isBusy={progress !== null}
          onYes={() => {
            setPasted(null);
            focus(at);
            correct(pasted.corrections);
          }}
          onNo={() => {
            setPasted(null);
            focus(at);
          }}
        />
      )}
      {unkept.map((u, i) => (
        <NotKept
          key={`${u.product} ${u.field} ${i}`}
          unkept={u}
          row={rows.find((r) => r.product.id === u.product)}
          onAgain={(revision) => {
            setUnkept((all) => all.filter((x) => x !== u));
            revisions.current.delete(u.product);
            const { product, field, text } = u;
            correct([{ product, field, text, revision }]);
          }}
          onLeave={() => setUnkept((all) => all.filter((x) => x !== u))}
        />
      ))}
      <Box sx={{ color: 'text.secondary', fontSize: 13, mb: 1, display: 'flex', gap: 2 }}>
        <span>
          {mayWrite
            ? 'Type into a cell to write it anew, Enter to change it, Tab and Enter to go on. Cells from a spreadsheet are pasted from the cell on that you are in.'
            : 'You may read here; people who write may correct.'}
        </span>
        <Box sx={{ flex: 1 }} />
        {acts.length > 0 && (
          <Button size="small" sx={{ p: 0, whiteSpace: 'nowrap' }} onClick={() => void takeBack()}>
            Take back the last ({count(acts.at(-1)!.texts, 'text')})
          </Button>
        )}
      </Box>
      <Box
        component="table"
        ref={grid}
        role="grid"
        aria-label="Texts"
        aria-rowcount={total + 1}
        sx={{
          borderCollapse: 'collapse',
          width: '100%',
          tableLayout: 'fixed',
          '& th': { textAlign: 'left', fontWeight: 500, borderBottom: 1, borderColor: 'divider' },
          '& td, & th': { p: '6px 8px', verticalAlign: 'top' },
          '& tbody tr > *': { borderTop: 1, borderTopColor: 'divider' },
        }}
      >
        <thead>
          <tr>
            <Box component="th" scope="col" sx={{ width: 190 }}>
              Product
            </Box>
            {fields.map((f) => (
              <th key={f.code} scope="col">
                {f.label}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((r, row) => (
            <tr key={r.product.id} aria-rowindex={row + 2}>
              <th scope="row">
                <Link to={`/proofs/${r.product.id}`}>{r.product.name}</Link>
                <Box sx={{ color: 'text.secondary', fontSize: 12, fontWeight: 400 }}>
                  {r.product.sku}, ready {r.product.readiness < 0 ? 'never' : r.product.readiness}
                </Box>
              </th>
              {fields.map((f, column) => {
                const isTyped = typed?.cell.product === r.product.id && typed.cell.field === f.code;
                const isFixed = r.toFix.includes(f.code);
                return (
                  <Box
                    component="td"
                    key={f.code}
                    role="gridcell"
                    data-at={`${row} ${column}`}
                    tabIndex={at.row === row && at.column === column ? 0 : -1}
                    onFocus={() => setAt({ row, column })}
                    onDoubleClick={() => begin({ row, column })}
                    onKeyDown={(e: KeyboardEvent) => onKey(e, { row, column })}
                    sx={{
                      fontFamily: serif,
                      fontSize: 15,
                      lineHeight: 1.35,
                      whiteSpace: 'pre-line',
                      overflowWrap: 'anywhere',
                      cursor: mayWrite ? 'cell' : 'default',
                      borderLeft: isFixed ? 3 : 1,
                      borderLeftColor: isFixed ? 'error.main' : 'divider',
                      '&:focus': { outline: 2, outlineColor: 'success.main', outlineOffset: -2 },
                    }}
                  >
                    {isTyped ? (
                      <Box
                        component="textarea"
                        autoFocus
                        aria-label={`${f.label} of ${r.product.name}`}
                        value={typed.text}
                        rows={Math.max(2, Math.ceil(typed.text.length / 42))}
                        onFocus={(e) =>
                          e.target.setSelectionRange(e.target.value.length, e.target.value.length)
                        }
                        onChange={(e) => setTyped({ ...typed, text: e.target.value })}
                        onKeyDown={(e: KeyboardEvent) => onTyping(e, { row, column })}
                        onBlur={() => leave()}
                        sx={{
                          width: '100%',
                          font: 'inherit',
                          color: 'inherit',
                          bgcolor: 'background.default',
                          border: 0,
                          outline: 'none',
                          p: 0,
                          resize: 'vertical',
                        }}
                      />
                    ) : (
                      <Clipped text={r.cells[f.code] ?? ''} />
                    )}
                    {isFixed && !isTyped && (
                      <Box
                        sx={{ fontFamily: 'body1.fontFamily', fontSize: 12, color: 'error.main' }}
                      >
                        <Link to={`/proofs/${r.product.id}`}>something must be fixed</Link>
                      </Box>
                    )}
                    {isTyped && (
                      <Box sx={{ fontSize: 12, color: 'text.secondary' }}>
                        {count(typed.text.trim().length, 'character')}
                      </Box>
                    )}
                  </Box>
                );
              })}
            </tr>
          ))}
        </tbody>
      </Box>
      <Box sx={{ color: 'text.secondary', mt: 1.5, display: 'flex', gap: 2 }}>
        <span data-testid="shown">
          {total === 0
            ? 'No text matches the sentence above.'
            : `${figure(rows.length)} of ${count(total, 'text')} shown.`}
        </span>
        {pages.hasNextPage && (
          <Button size="small" disabled={pages.isFetching} onClick={() => pages.fetchNextPage()}>
            Show {PAGE} more
          </Button>
        )}
      </Box>
    </Box>
  );
}

/** What somebody is typing, by the text that it is typed over. */
interface Typed {
  cell: Omit<Correction, 'text'>;
  before: string;
  text: string;
}

/** A correction that couldn’t be kept, and why. */
type Unkept = Correction & { why: string };

/** What somebody typed that couldn’t be kept, beside what stands there now. */
function NotKept(props: {
  unkept: Unkept;
  row: Row | undefined;
  onAgain: (revision: number) => void;
  onLeave: () => void;
}) {
  const { unkept, row } = props;
  const label = FIELDS.find((f) => f.code === unkept.field)?.label ?? unkept.field;
  return (
    <Box
      role="alert"
      sx={{ borderLeft: 2, borderColor: 'error.main', pl: 1.5, mb: 2 }}
      data-testid="not-kept"
    >
      {label} of {row ? `${row.product.name}, ${row.product.sku}` : 'a product'} wasn’t kept.{' '}
      {unkept.why}
      <Box sx={{ fontFamily: serif, fontSize: 15 }}>
        You typed “{unkept.text}”{row && `; it says “${row.cells[unkept.field] ?? ''}” now`}.
      </Box>
      {row && (
        <Button size="small" variant="outlined" onClick={() => props.onAgain(row.revision)}>
          Put it in all the same
        </Button>
      )}
      <Button size="small" onClick={props.onLeave}>
        Leave it
      </Button>
    </Box>
  );
}

/** Fields of several lines, in which Enter begins another one. */
const hasLines = (code?: string) => code === 'description' || code === 'highlights';

const LONGEST = 420;

/** So much of a text as a cell has room for. */
function Clipped({ text }: { text: string }) {
  return <>{text.length > LONGEST ? `${text.slice(0, LONGEST)}…` : text}</>;
}

/** What a paste would do, in numbers and three examples. */
function Pasting(props: {
  pasted: Pasted;
  rows: Row[];
  isBusy: boolean;
  onYes: () => void;
  onNo: () => void;
}) {
  const { corrections, same, outside } = props.pasted;
  const products = new Set(corrections.map((c) => c.product)).size;
  const row = (id: number) => props.rows.find((r) => r.product.id === id);
  return (
    <Box
      role="region"
      aria-label="What pasting would do"
      sx={{
        borderLeft: 2,
        borderColor: 'success.main',
        bgcolor: 'background.default',
        pl: 1.5,
        mb: 2,
        // Whoever pastes far down sees it, too.
        position: 'sticky',
        top: 56,
        zIndex: 2,
      }}
    >
      <Box aria-live="polite">
        {corrections.length === 0 ? (
          'Pasting this would change nothing.'
        ) : (
          <>
            <strong>{count(corrections.length, 'cell')}</strong> of {count(products, 'product')}{' '}
            would read otherwise.
          </>
        )}
        {same > 0 && ` ${figure(same)} say${same === 1 ? 's' : ''} so already.`}
        {outside > 0 &&
          ` ${figure(outside)} ${outside === 1 ? 'has' : 'have'} no place: below the rows shown, beside the last column, or where no text is written.`}
      </Box>
      {corrections.slice(0, 3).map((c) => (
        <Box key={`${c.product} ${c.field}`} sx={{ fontFamily: serif, fontSize: 15, mt: 0.5 }}>
          <Box component="span" sx={{ color: 'text.secondary' }}>
            {row(c.product)?.product.name}, {row(c.product)?.product.sku}:
          </Box>{' '}
          <Box component="del" sx={{ color: 'text.secondary' }}>
            {row(c.product)?.cells[c.field]?.slice(0, 160)}
          </Box>{' '}
          <Box component="ins" sx={{ textDecorationColor: 'success.main' }}>
            {c.text.slice(0, 160)}
          </Box>
        </Box>
      ))}
      <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
        {corrections.length > 0 && (
          <Button
            size="small"
            variant="contained"
            disabled={props.isBusy}
            autoFocus
            onClick={props.onYes}
          >
            Put {count(corrections.length, 'cell')} in
          </Button>
        )}
        <Button size="small" onClick={props.onNo}>
          Leave it
        </Button>
      </Box>
    </Box>
  );
}
