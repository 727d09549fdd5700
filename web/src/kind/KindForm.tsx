import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { capital, count } from '../frame/format';
import { without } from '../frame/without';
import { useNotice } from '../frame/Notice';
import { serif } from '../theme';

type View = Schema['KindView'];
type Body = Schema['KindBody'];

/** The facts of a kind in the order of its specification list: those given first, then the rest. */
function inOrder(view: View) {
  const place = (id: string) => {
    const at = view.kind.specification.indexOf(id);
    return at < 0 ? view.kind.specification.length : at;
  };
  return [...view.facts].sort((a, b) => place(a.id) - place(b.id));
}

/** The slot of a fact: a known kind’s id, or a heading of its own in small letters. */
const slot = (id: string) =>
  id
    .replace(/^extra:/, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '_');

/** One kind of product: which facts must be known, how much they matter, what is listed, in what order. */
export function KindForm(props: {
  view: View;
  mayDecide: boolean;
  onKept: (texts: number) => void;
  onRestore: () => void;
  onClose: () => void;
}) {
  const { view, mayDecide } = props;
  const notice = useNotice();
  const [facts, setFacts] = useState(() => inOrder(view));
  const [body, setBody] = useState<Body>(view.kind);
  const [dragged, setDragged] = useState<string | null>(null);
  const isChanged = JSON.stringify(body) !== JSON.stringify(view.kind);
  const trial = useQuery({
    queryKey: ['kinds', 'try', body],
    queryFn: () => take(api.POST('/api/kinds/try', { body })),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const keep = useMutation({
    mutationFn: () => take(api.PUT('/api/kinds/{id}', { params: { path: { id: body.id } }, body })),
    onSuccess: (touched) => props.onKept(touched.texts),
    onError: notice.trouble,
  });
  const set = (change: Partial<Body>) => setBody((now) => ({ ...now, ...change }));
  /** Puts a fact at another place; from then on the house gives the order. */
  const move = (id: string, to: number) => {
    const fact = facts.find((f) => f.id === id);
    if (!fact || to < 0 || to >= facts.length) return;
    const moved = facts.filter((f) => f.id !== id);
    moved.splice(to, 0, fact);
    setFacts(moved);
    const last = Math.max(to, ...body.specification.map((s) => moved.findIndex((f) => f.id === s)));
    set({
      specification: moved
        .slice(0, last + 1)
        .map((f) => f.id)
        .filter((f) => !body.unspecified.includes(f)),
    });
  };
  const list = (id: string, listed: boolean) =>
    set({
      unspecified: listed ? body.unspecified.filter((u) => u !== id) : [...body.unspecified, id],
      specification: listed ? body.specification : body.specification.filter((s) => s !== id),
    });
  const cell = { py: 0.25, px: 0.75, borderBottom: 1, borderColor: 'divider' } as const;
  return (
    <Box data-testid="kind">
      <Typography variant="h2" gutterBottom>
        {capital(view.kind.plural)}
      </Typography>
      <Box component="table" sx={{ borderCollapse: 'collapse', width: '100%', fontSize: 13.5 }}>
        <thead>
          <Box component="tr" sx={{ textAlign: 'left', color: 'text.secondary', fontSize: 12.5 }}>
            <Box component="th" sx={cell}>
              Fact
            </Box>
            <Box component="th" sx={{ ...cell, textAlign: 'right' }}>
              Products
            </Box>
            <Box component="th" sx={cell}>
              Must be known
            </Box>
            <Box component="th" sx={cell}>
              Matters
            </Box>
            <Box component="th" sx={cell}>
              Listed
            </Box>
            <Box component="th" sx={cell}>
              Place
            </Box>
          </Box>
        </thead>
        <tbody>
          {facts.map((f, i) => (
            <Box
              component="tr"
              key={f.id}
              draggable={mayDecide}
              onDragStart={() => setDragged(f.id)}
              onDragOver={(e: React.DragEvent) => e.preventDefault()}
              onDrop={() => dragged && move(dragged, i)}
              sx={{ opacity: body.unspecified.includes(f.id) ? 0.6 : 1 }}
            >
              <Box component="td" sx={cell}>
                {f.label}
              </Box>
              <Box component="td" sx={{ ...cell, textAlign: 'right' }}>
                {f.products}
              </Box>
              <Box component="td" sx={cell}>
                <Checkbox
                  size="small"
                  sx={{ p: 0.25 }}
                  disabled={!mayDecide || f.id.startsWith('extra:')}
                  slotProps={{ input: { 'aria-label': `${f.label} must be known` } }}
                  checked={body.essential.includes(f.id)}
                  onChange={(e) =>
                    set({
                      essential: e.target.checked
                        ? [...body.essential, f.id]
                        : body.essential.filter((x) => x !== f.id),
                    })
                  }
                />
              </Box>
              <Box component="td" sx={cell}>
                <Box
                  component="input"
                  type="number"
                  min={0}
                  max={100}
                  aria-label={`How much ${f.label} matters`}
                  disabled={!mayDecide || f.id.startsWith('extra:')}
                  placeholder="as usual"
                  value={body.matters[f.id] ?? ''}
                  onChange={(e: React.ChangeEvent<HTMLInputElement>) => {
                    const rest = without(body.matters, f.id);
                    set({
                      matters:
                        e.target.value === '' ? rest : { ...rest, [f.id]: Number(e.target.value) },
                    });
                  }}
                  sx={{
                    width: 76,
                    font: 'inherit',
                    color: 'inherit',
                    bgcolor: 'transparent',
                    border: 0,
                    borderBottom: 1,
                    borderColor: 'divider',
                  }}
                />
              </Box>
              <Box component="td" sx={cell}>
                <Checkbox
                  size="small"
                  sx={{ p: 0.25 }}
                  disabled={!mayDecide}
                  slotProps={{ input: { 'aria-label': `List ${f.label}` } }}
                  checked={!body.unspecified.includes(f.id)}
                  onChange={(e) => list(f.id, e.target.checked)}
                />
              </Box>
              <Box component="td" sx={{ ...cell, whiteSpace: 'nowrap' }}>
                {(
                  [
                    ['up', '↑', i - 1],
                    ['down', '↓', i + 1],
                    ['to the top', '⤒', 0],
                  ] as const
                ).map(([way, sign, to]) => (
                  <Box
                    component="button"
                    key={way}
                    aria-label={`Move ${f.label} ${way}`}
                    disabled={!mayDecide || to < 0 || to >= facts.length || to === i}
                    onClick={() => move(f.id, to)}
                    sx={{
                      border: 0,
                      bgcolor: 'transparent',
                      color: 'text.secondary',
                      cursor: 'pointer',
                      '&:disabled': { opacity: 0.3, cursor: 'default' },
                    }}
                  >
                    {sign}
                  </Box>
                ))}
              </Box>
            </Box>
          ))}
        </tbody>
      </Box>
      <Box sx={{ fontSize: 12.5, color: 'text.secondary', my: 1 }}>
        {view.facts.length === 0
          ? 'The house has no products of this kind yet.'
          : body.specification.length === 0
            ? 'The list follows the order of the supplier’s columns until something is moved.'
            : 'Drag a row or use the arrows. What isn’t shown here follows in the supplier’s order.'}
      </Box>
      <TextField
        label="Title, with slots"
        fullWidth
        size="small"
        sx={{ mt: 1.5 }}
        disabled={!mayDecide}
        placeholder="as usual: brand, name, keyword or kind, figures"
        value={body.title}
        onChange={(e) => set({ title: e.target.value })}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <Box sx={{ fontSize: 12.5, color: 'text.secondary', mt: 0.5 }}>
        {'{{brand}} {{name}}, {{kind}}, {{keyword}}'}
        {facts.length > 0 && ' and facts: '}
        {facts.slice(0, 8).map((f) => (
          <Box
            component="button"
            key={f.id}
            aria-label={`Put ${f.label} into the title`}
            disabled={!mayDecide}
            onClick={() =>
              set({ title: `${body.title || '{{brand}} {{name}}'}, {{${slot(f.id)}}}` })
            }
            sx={{
              border: 0,
              bgcolor: 'transparent',
              font: 'inherit',
              color: 'inherit',
              textDecoration: 'underline',
              cursor: 'pointer',
              px: 0.5,
            }}
          >
            {f.label}
          </Box>
        ))}
        . What a product hasn’t got goes, with the comma or dash before it.
      </Box>
      <Box sx={{ display: 'flex', gap: 1, my: 1.5, flexWrap: 'wrap' }}>
        {mayDecide && (
          <Button
            variant="contained"
            disabled={!isChanged || (trial.data?.problems.length ?? 0) > 0 || keep.isPending}
            onClick={() => keep.mutate()}
          >
            Keep it
          </Button>
        )}
        {mayDecide && view.state !== 'AS_DELIVERED' && (
          <Button onClick={props.onRestore}>
            {view.state === 'OWN' ? 'Take it away' : 'Back as delivered'}
          </Button>
        )}
        <Button onClick={props.onClose}>Close</Button>
      </Box>
      {view.by && (
        <Box sx={{ fontSize: 12.5, color: 'text.secondary', mb: 1 }}>Decided by {view.by}.</Box>
      )}
      <Box data-testid="kind-trial">
        {trial.data?.problems.map((p) => (
          <Box key={p} role="alert" sx={{ color: 'warning.main' }}>
            {p}
          </Box>
        ))}
        {isChanged && (trial.data?.texts ?? 0) > 0 && (
          <Box sx={{ fontSize: 13, mb: 1 }}>
            {count(trial.data?.texts ?? 0, 'text')} of this kind will be stale.
          </Box>
        )}
        {trial.data?.examples.map((e) => (
          <Box key={e.product} sx={{ mb: 1.5 }}>
            <Box sx={{ fontSize: 12, color: 'text.secondary' }}>
              {e.sku} {e.name}
            </Box>
            <Box sx={{ fontFamily: serif, fontSize: 16 }} data-testid="kind-title">
              {e.titleNow !== e.titleThen && isChanged ? (
                <>
                  <Box component="del" sx={{ color: 'text.secondary' }}>
                    {e.titleNow}
                  </Box>{' '}
                  <Box component="ins" sx={{ textDecorationColor: 'success.main' }}>
                    {e.titleThen}
                  </Box>
                </>
              ) : (
                e.titleNow
              )}
            </Box>
            <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 2 }}>
              <Listed label="Listed now" entries={e.now} other={isChanged ? e.then : e.now} />
              {isChanged && <Listed label="Then" entries={e.then} other={e.now} />}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

/** A specification list; entries that the other one lacks are underlined. */
function Listed(props: { label: string; entries: string[]; other: string[] }) {
  return (
    <Box>
      <Box sx={{ fontSize: 12, color: 'text.secondary' }}>{props.label}</Box>
      <Box component="ul" sx={{ m: 0, pl: 2.5, fontFamily: serif, fontSize: 15 }}>
        {props.entries.map((entry) => (
          <Box
            component="li"
            key={entry}
            sx={{ textDecoration: props.other.includes(entry) ? 'none' : 'underline' }}
          >
            {entry}
          </Box>
        ))}
      </Box>
    </Box>
  );
}

/** A kind of product that only this house has. */
export function NewKind(props: { onKept: (id: string) => void; onClose: () => void }) {
  const notice = useNotice();
  const [noun, setNoun] = useState('');
  const [plural, setPlural] = useState('');
  const [names, setNames] = useState('');
  const id = noun
    .trim()
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '_')
    .replace(/^_|_$/g, '');
  const body: Body = {
    id,
    noun: noun.trim(),
    plural: plural.trim(),
    names: names.split('\n').filter((n) => n.trim()),
    essential: [],
    matters: {},
    specification: [],
    unspecified: [],
    title: '',
  };
  const keep = useMutation({
    mutationFn: () => take(api.PUT('/api/kinds/{id}', { params: { path: { id } }, body })),
    onSuccess: () => props.onKept(id),
    onError: notice.trouble,
  });
  const field = { size: 'small', fullWidth: true, sx: { mb: 1.5 } } as const;
  return (
    <Box data-testid="new-kind">
      <Typography variant="h2" gutterBottom>
        A new kind of product
      </Typography>
      <TextField
        {...field}
        label="One is called …"
        placeholder="bicycle bell"
        value={noun}
        onChange={(e) => setNoun(e.target.value)}
      />
      <TextField
        {...field}
        label="Several are called …"
        placeholder="bicycle bells"
        value={plural}
        onChange={(e) => setPlural(e.target.value)}
      />
      <TextField
        {...field}
        multiline
        label="Sheets call them one of these, a line each"
        placeholder={'bicycle bells\nbells'}
        value={names}
        onChange={(e) => setNames(e.target.value)}
      />
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button variant="contained" disabled={!id || keep.isPending} onClick={() => keep.mutate()}>
          Add it
        </Button>
        <Button onClick={props.onClose}>Close</Button>
      </Box>
    </Box>
  );
}
