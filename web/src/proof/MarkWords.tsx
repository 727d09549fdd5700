import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import type { Schema } from '../api/client';

/** A mark in words: how grave it is, what it is and what to do. */
export function MarkWords(props: {
  mark: Pick<Schema['Mark'], 'weight' | 'why'>;
  children?: ReactNode;
}) {
  const isBad = props.mark.weight === 'MUST_FIX';
  return (
    <Box
      data-testid={isBad ? 'must-fix' : 'weigh'}
      sx={{
        fontSize: 12,
        lineHeight: 1.4,
        mb: 1,
        pl: 1,
        borderLeft: 2,
        borderColor: isBad ? 'error.main' : 'warning.main',
      }}
    >
      <Box component="strong" sx={{ color: isBad ? 'error.main' : 'warning.main' }}>
        {isBad ? 'must fix' : 'weigh'}
      </Box>
      : {props.mark.why}
      {props.children}
    </Box>
  );
}
