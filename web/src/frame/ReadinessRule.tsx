import Box from '@mui/material/Box';
import type { Schema } from '../api/client';

const said = (f: Schema['Factor']) =>
  `${f.name}: ${f.points} of ${f.most}${f.why ? `. ${f.why}` : ''}`;

/** Readiness as a number, with its factors as a thin segmented rule that names them. */
export function ReadinessRule({ readiness }: { readiness: Schema['Readiness'] }) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5 }} data-testid="readiness">
      <Box sx={{ fontSize: 20, fontWeight: 600 }}>{readiness.score}</Box>
      <Box sx={{ display: 'flex', gap: '2px', width: 190 }}>
        {readiness.factors.map((f) => (
          <Box
            key={f.name}
            tabIndex={0}
            role="img"
            aria-label={said(f)}
            title={said(f)}
            sx={{
              flex: f.most,
              height: 7,
              border: 1,
              borderColor: 'success.main',
              position: 'relative',
            }}
          >
            <Box
              sx={{
                position: 'absolute',
                inset: 0,
                right: 'auto',
                width: `${(100 * f.points) / f.most}%`,
                bgcolor: 'success.main',
              }}
            />
          </Box>
        ))}
      </Box>
      <Box sx={{ color: 'text.secondary' }}>of 100 ready</Box>
    </Box>
  );
}
