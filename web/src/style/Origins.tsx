import Box from '@mui/material/Box';
import type { Schema } from '../api/client';

/** What holds for some texts, setting by setting, and what has decided it. */
export function Origins({ settings }: { settings: Schema['Setting'][] }) {
  const cell = { py: 0.25, pr: 2, borderBottom: 1, borderColor: 'divider', textAlign: 'left' };
  return (
    <Box component="table" data-testid="origins" sx={{ borderCollapse: 'collapse', fontSize: 13 }}>
      <thead>
        <Box component="tr" sx={{ color: 'text.secondary', fontSize: 12 }}>
          {['What', 'holds so', 'decided by'].map((heading) => (
            <Box component="th" key={heading} sx={{ ...cell, fontWeight: 500 }}>
              {heading}
            </Box>
          ))}
        </Box>
      </thead>
      <tbody>
        {settings.map((s) => (
          <Box component="tr" key={s.name} sx={{ verticalAlign: 'top' }}>
            <Box component="td" sx={cell}>
              {s.label}
            </Box>
            <Box component="td" sx={cell}>
              {s.value}
            </Box>
            <Box
              component="td"
              sx={{ ...cell, color: s.from === 'the house' ? 'text.secondary' : 'success.main' }}
            >
              {s.from}
            </Box>
          </Box>
        ))}
      </tbody>
    </Box>
  );
}
