import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

/** An empty screen: says what comes first, and offers it. */
export function Empty({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box sx={{ maxWidth: 560, my: 8, mx: 'auto', borderTop: 1, borderColor: 'divider', pt: 2 }}>
      <Typography variant="h2" component="h1" gutterBottom>
        {title}
      </Typography>
      <Box sx={{ color: 'text.secondary', fontSize: 15 }}>{children}</Box>
    </Box>
  );
}
