import Box from '@mui/material/Box';
import { useState } from 'react';
import type { Schema } from '../api/client';
import { count, figure } from '../frame/format';

const SHOWN = 200;

/** What taking a sheet in would do, product by product; nothing of it has happened. */
export function DryRun({ id, run }: { id: number; run: Schema['DryRun'] }) {
  const r = run.result;
  const outcomes = [
    { key: 'CHANGED', n: r.changed, words: 'changed' },
    { key: 'NEW', n: r.added, words: 'new' },
    { key: 'GONE', n: r.gone, words: 'no longer named' },
    { key: 'LEFT', n: r.left, words: 'left alone' },
    { key: 'DUPLICATE', n: r.duplicates, words: 'named twice' },
    { key: 'REJECTED', n: r.rejected, words: 'rejected' },
    { key: 'UNCHANGED', n: r.unchanged, words: 'unchanged' },
  ].filter((o) => o.n > 0);
  const [shown, setShown] = useState(outcomes[0]?.key ?? 'NEW');
  const lines = run.lines.filter((l) => l.outcome === shown);
  const total = outcomes.find((o) => o.key === shown)?.n ?? 0;
  return (
    <Box
      data-testid="dry-run"
      sx={{ border: 1, borderColor: 'divider', bgcolor: 'background.paper', p: 2, mb: 2 }}
    >
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2.5, mb: 1 }}>
        <Box sx={{ color: 'text.secondary' }}>What it would do:</Box>
        {outcomes.map((o) => (
          <Box
            key={o.key}
            component="button"
            type="button"
            aria-pressed={o.key === shown}
            onClick={() => setShown(o.key)}
            sx={{
              font: 'inherit',
              color: 'inherit',
              bgcolor: 'transparent',
              border: 0,
              borderBottom: 2,
              borderColor: o.key === shown ? 'error.main' : 'transparent',
              fontWeight: o.key === shown ? 600 : 400,
              p: 0,
              cursor: 'pointer',
            }}
          >
            {figure(o.n)} {o.words}
          </Box>
        ))}
      </Box>
      {(shown === 'REJECTED' || shown === 'DUPLICATE') && (
        <a href={`/api/intakes/${id}/rejected`} download>
          These rows as a sheet, with the reasons, to mend and drop again
        </a>
      )}
      {shown === 'GONE' && (
        <Box sx={{ color: 'text.secondary' }}>
          The supplier’s last sheet named them; this one doesn’t. They stay as they are.
        </Box>
      )}
      <Box sx={{ maxHeight: 320, overflowY: 'auto', mt: 0.5 }}>
        {lines.map((l, i) => (
          <Box
            key={i}
            sx={{
              display: 'grid',
              gridTemplateColumns: '60px 120px minmax(0, 1fr)',
              columnGap: 1.5,
              borderTop: 1,
              borderColor: 'divider',
              py: 0.5,
            }}
          >
            <Box sx={{ color: 'text.secondary' }}>{l.row > 0 && `row ${l.row}`}</Box>
            <Box>{l.sku}</Box>
            <Box>
              {l.name}
              {l.problem && <Box sx={{ color: 'error.main' }}>{l.problem}</Box>}
              {l.changes.map((c) => (
                <Box key={c.label} sx={{ fontSize: 13 }}>
                  <Box component="span" sx={{ color: 'text.secondary' }}>
                    {c.label}:{' '}
                  </Box>
                  <del>{c.before}</del> {c.before && c.after && '→ '}
                  <Box component="ins" sx={{ color: 'success.main', textDecoration: 'none' }}>
                    {c.after || (c.before && 'no longer said')}
                  </Box>
                </Box>
              ))}
            </Box>
          </Box>
        ))}
        {total > SHOWN && (
          <Box sx={{ color: 'text.secondary', py: 0.5 }}>
            The first {SHOWN} of {count(total, 'product')}.
          </Box>
        )}
      </Box>
    </Box>
  );
}
