import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, take, type Schema } from '../api/client';
import { useNotice } from '../frame/Notice';
import { useMay } from '../frame/session';
import { OfProduct } from '../keyword/OfProduct';
import { Obeys } from '../style/Obeys';

/** One product's facts, each with the cell it comes from; what is disputed or missing comes first. */
export function Facts({ id, onClose }: { id: number; onClose: () => void }) {
  const queries = useQueryClient();
  const notice = useNotice();
  const mayWrite = useMay('WRITER');
  const product = useQuery({
    queryKey: ['product', id],
    queryFn: () => take(api.GET('/api/products/{id}', { params: { path: { id } } })),
  });
  const act = async (call: () => Promise<Schema['ProductView']>, said: string) => {
    try {
      queries.setQueryData(['product', id], await call());
      queries.invalidateQueries({ queryKey: ['products'] });
      queries.invalidateQueries({ queryKey: ['missing'] });
      notice.say(said);
      return true;
    } catch (e) {
      notice.trouble(e);
      return false;
    }
  };
  const settlement = (fact: string) => ({ params: { path: { id, fact } } });
  const settle = (fact: string, version: number) =>
    act(
      () =>
        take(
          api.PUT('/api/products/{id}/settlements/{fact}', {
            ...settlement(fact),
            body: { version },
          }),
        ),
      'Settled. A text written before is marked as stale.',
    );
  const unsettle = (fact: string) =>
    act(
      () => take(api.DELETE('/api/products/{id}/settlements/{fact}', settlement(fact))),
      'Open again.',
    );
  const type = (fact: string, label: string, text: string) =>
    act(
      () =>
        take(
          api.PUT('/api/products/{id}/facts/{fact}', {
            ...settlement(fact),
            body: { label, text },
          }),
        ),
      text ? 'Kept. It counts before any sheet.' : 'Taken away; the sheets count again.',
    );
  if (product.error) return <Typography role="alert">{product.error.message}</Typography>;
  if (!product.data) return null;
  const { line, facts, contradictions, missing } = product.data;
  return (
    <Box component="aside" aria-label="Facts" sx={{ borderLeft: 1, borderColor: 'divider', pl: 3 }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'baseline' }}>
        <Typography variant="h2">{line.name}</Typography>
        <Button size="small" onClick={onClose}>
          Close
        </Button>
      </Box>
      <Typography sx={{ color: 'text.secondary', mb: 1 }}>
        {line.sku}
        {line.readiness >= 0 && (
          <>
            {' · '}
            <Link to={`/proofs/${id}`}>read the proof</Link>
          </>
        )}
      </Typography>
      <OfProduct id={id} />
      <Obeys id={id} />
      <Pictures id={id} />
      {contradictions.map((c) => (
        <Box
          key={c.id}
          data-testid="dispute"
          sx={{ borderLeft: 3, borderColor: 'warning.main', pl: 1.5, mb: 1.5 }}
        >
          <strong>{c.label}: the sources disagree.</strong> The texts leave it out.
          {c.versions.map((v, i) => (
            <Box key={i} sx={{ mt: 0.75 }}>
              {mayWrite ? (
                <Button size="small" variant="outlined" onClick={() => settle(c.id, i)}>
                  {v.value} is right
                </Button>
              ) : (
                v.value
              )}
              {v.sources.map((s, k) => (
                <Cell key={k} source={s} />
              ))}
            </Box>
          ))}
        </Box>
      ))}
      {missing.length > 0 && (
        <Box
          data-testid="missing-facts"
          sx={{ borderLeft: 3, borderColor: 'error.main', pl: 1.5, mb: 1.5 }}
        >
          <strong>Essential and not known</strong>
          {missing.map((m) => (
            <Box key={m.id} sx={{ display: 'flex', gap: 1, alignItems: 'baseline' }}>
              <Box sx={{ minWidth: 90 }}>{m.label}</Box>
              {mayWrite && <TypeIn label={m.label} onTyped={(t) => type(m.id, m.label, t)} />}
            </Box>
          ))}
        </Box>
      )}
      <Box component="dl" sx={{ m: 0 }}>
        {facts.map((f) => (
          <Box key={f.id} sx={{ borderTop: 1, borderColor: 'divider', py: 0.75 }}>
            <Box
              component="dt"
              sx={{ color: 'text.secondary', fontSize: 12.5, display: 'flex', gap: 1 }}
            >
              {f.label}
              {f.foreign && ' (in another language: kept out of prose)'}
              <Box sx={{ flex: 1 }} />
              {mayWrite && f.byHand && (
                <Word
                  onClick={() =>
                    f.sources[0]?.sheet === '' ? type(f.id, f.label, '') : unsettle(f.id)
                  }
                >
                  {f.sources[0]?.sheet === '' ? 'take away' : 'open again'}
                </Word>
              )}
              {mayWrite && (
                <TypeIn
                  label={f.label}
                  value={f.value}
                  onTyped={(t) => type(f.id, f.label, t)}
                  folded
                />
              )}
            </Box>
            <Box component="dd" sx={{ m: 0 }}>
              {f.value}
              {f.byHand && (
                <Box component="em" sx={{ color: 'success.main', fontSize: 12.5 }}>
                  {' '}
                  by a person’s word
                </Box>
              )}
              {f.sources.map((s, i) => (
                <Cell key={i} source={s} />
              ))}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

/** The product's pictures, small. */
function Pictures({ id }: { id: number }) {
  const pictures = useQuery({
    queryKey: ['product', id, 'pictures'],
    queryFn: () => take(api.GET('/api/products/{id}/pictures', { params: { path: { id } } })),
  });
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mb: 1.5 }}>
      {pictures.data?.map((p) => (
        <Box
          key={p.id}
          component="img"
          src={`/api/pictures/${p.id}/small`}
          alt={`${p.name}, ${p.fileName}`}
          title={p.findings.join(' ')}
          sx={{
            width: 90,
            height: 90,
            objectFit: 'contain',
            bgcolor: '#fff',
            border: 1,
            borderColor: p.status === 'CONFIRMED' ? 'success.main' : 'divider',
          }}
        />
      ))}
    </Box>
  );
}

/** A quiet word that does something. */
function Word(props: { onClick: () => void; label?: string; children: string }) {
  return (
    <Box
      component="button"
      type="button"
      aria-label={props.label}
      onClick={props.onClick}
      sx={{
        font: 'inherit',
        color: 'success.main',
        bgcolor: 'transparent',
        border: 0,
        p: 0,
        cursor: 'pointer',
        textDecoration: 'underline',
      }}
    >
      {props.children}
    </Box>
  );
}

/** A field for one fact, opened by a word where there is a value already. */
function TypeIn(props: {
  label: string;
  value?: string;
  folded?: boolean;
  onTyped: (text: string) => Promise<boolean>;
}) {
  const [isOpen, setOpen] = useState(!props.folded);
  const [text, setText] = useState(props.value ?? '');
  const keep = async () => {
    if (text.trim() && text !== props.value && (await props.onTyped(text)) && props.folded) {
      setOpen(false);
    }
  };
  if (!isOpen) {
    return (
      <Word label={`Put ${props.label} right`} onClick={() => setOpen(true)}>
        put right
      </Word>
    );
  }
  return (
    <Box
      component="input"
      aria-label={`${props.label}, typed in`}
      placeholder="type it in, then Enter"
      value={text}
      autoFocus={props.folded}
      onChange={(e: React.ChangeEvent<HTMLInputElement>) => setText(e.target.value)}
      onKeyDown={(e: React.KeyboardEvent) => {
        if (e.key === 'Enter') keep();
        if (e.key === 'Escape' && props.folded) setOpen(false);
      }}
      sx={{
        font: 'inherit',
        color: 'text.primary',
        bgcolor: 'transparent',
        border: 0,
        borderBottom: 1,
        borderColor: 'success.main',
        width: 170,
        p: 0,
      }}
    />
  );
}

/** Sheet, row, column and raw value of a cell. */
export function Cell({ source }: { source: Schema['Source'] }) {
  return (
    <Box sx={{ fontSize: 12, color: 'text.secondary', overflowWrap: 'anywhere' }}>
      {source.row > 0 && `row ${source.row}, `}
      {source.column}: <q>{source.raw}</q>
      <Box component="span"> {source.sheet}</Box>
    </Box>
  );
}
