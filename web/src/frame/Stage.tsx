import Box from '@mui/material/Box';
import type { Schema } from '../api/client';

const STAGES = ['UNWRITTEN', 'DRAFTED', 'IN_PROOF', 'SIGNED_OFF', 'PUBLISHED'];
const NAMES = ['unwritten', 'drafted', 'in proof', 'signed off', 'published'];

/** What a stage is called where people read it. */
export const stageName = (stage: string) => NAMES[STAGES.indexOf(stage)] ?? '';

/** Five ticks on a line, filled from the left. */
export function Stage({ product }: { product: Schema['ProductLine'] }) {
  const at = STAGES.indexOf(product.stage);
  const beside = product.failed
    ? 'failed'
    : product.mustFix > 0
      ? 'held'
      : product.stale
        ? 'stale'
        : '';
  return (
    <Box
      component="span"
      sx={{ display: 'inline-flex', alignItems: 'center', gap: 1, whiteSpace: 'nowrap' }}
    >
      <Box component="svg" viewBox="0 0 56 12" sx={{ width: 56, height: 12 }} aria-hidden>
        <Box
          component="line"
          x1="2"
          x2="54"
          y1="9"
          y2="9"
          sx={{ stroke: 'currentColor', strokeWidth: 0.75, opacity: 0.5 }}
        />
        {STAGES.map((s, i) => (
          <Box
            key={s}
            component="line"
            x1={4 + i * 12}
            x2={4 + i * 12}
            y1={i <= at ? 1.5 : 6.5}
            y2="9"
            sx={{
              stroke: 'currentColor',
              color: i <= at ? 'success.main' : 'text.secondary',
              strokeWidth: i <= at ? 3 : 1,
            }}
          />
        ))}
      </Box>
      <span>{NAMES[at]}</span>
      {beside && (
        <Box component="em" sx={{ color: beside === 'stale' ? 'warning.main' : 'error.main' }}>
          {beside}
        </Box>
      )}
    </Box>
  );
}
