import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, take, type Schema } from '../api/client';

/** One product's facts, each with the cell it comes from. */
export function Facts({ id, onClose }: { id: number; onClose: () => void }) {
  const product = useQuery({
    queryKey: ['product', id],
    queryFn: () => take(api.GET('/api/products/{id}', { params: { path: { id } } })),
  });
  if (product.error) return <Typography role="alert">{product.error.message}</Typography>;
  if (!product.data) return null;
  const { line, facts, contradictions } = product.data;
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
      {contradictions.map((c) => (
        <Box key={c.label} sx={{ borderLeft: 3, borderColor: 'warning.main', pl: 1.5, mb: 1.5 }}>
          <strong>{c.label}: the sources disagree.</strong> The texts leave it out.
          {c.sources.map((s, i) => (
            <Cell key={i} source={s} />
          ))}
        </Box>
      ))}
      <Box component="dl" sx={{ m: 0 }}>
        {facts.map((f) => (
          <Box key={f.id} sx={{ borderTop: 1, borderColor: 'divider', py: 0.75 }}>
            <Box component="dt" sx={{ color: 'text.secondary', fontSize: 12.5 }}>
              {f.label}
              {f.foreign && ' (in another language: kept out of prose)'}
            </Box>
            <Box component="dd" sx={{ m: 0 }}>
              {f.value}
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

/** Sheet, row, column and raw value of a cell. */
export function Cell({ source }: { source: Schema['Source'] }) {
  return (
    <Box sx={{ fontSize: 12, color: 'text.secondary', overflowWrap: 'anywhere' }}>
      row {source.row}, {source.column}: <q>{source.raw}</q>
      <Box component="span"> {source.sheet}</Box>
    </Box>
  );
}
