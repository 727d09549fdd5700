import Box from '@mui/material/Box';
import type { Schema } from '../api/client';

/** Products with the keywords that they would have. */
export function Keyworded({ examples }: { examples: Schema['RuledKeyword'][] }) {
  return examples.map((e) => (
    <Box key={e.product} sx={{ fontSize: 13.5 }}>
      <Box component="span" sx={{ color: 'text.secondary' }}>
        {e.sku} {e.name}
      </Box>{' '}
      <Box component="span" sx={{ color: 'success.main' }}>
        {e.keyword}
      </Box>
    </Box>
  ));
}
