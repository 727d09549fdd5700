import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Schema } from '../api/client';
import { serif } from '../theme';

/** A product's texts as they would read, and what the checks say of them. */
export function TriedText({ text }: { text: Schema['TriedText'] }) {
  const first = text.marks.slice(0, 6);
  return (
    <>
      {text.fields.map((f) => (
        <Box key={f.label} sx={{ mt: 1.5 }}>
          <Typography variant="h3" sx={{ color: 'text.secondary', fontSize: 12.5 }}>
            {f.label}
          </Typography>
          {f.label === 'Description' ? (
            <Box
              sx={{
                fontFamily: serif,
                fontSize: 16,
                lineHeight: 1.5,
                '& h3': { fontSize: 17, m: '12px 0 2px' },
                '& p': { m: '0 0 8px' },
                '& ul': { m: 0, pl: 2.5 },
              }}
              // The server wrote it and escaped what came from outside.
              dangerouslySetInnerHTML={{ __html: f.html }}
            />
          ) : (
            <Box sx={{ fontFamily: serif, fontSize: 15.5, whiteSpace: 'pre-line' }}>{f.html}</Box>
          )}
        </Box>
      ))}
      {first.length > 0 && (
        <Box
          data-testid="tried-marks"
          sx={{ mt: 1.5, borderTop: 1, borderColor: 'divider', pt: 0.5 }}
        >
          {first.map((m, i) => (
            <Box key={i} sx={{ fontSize: 12.5, mt: 0.5 }}>
              <Box
                component="span"
                sx={{ color: m.weight === 'MUST_FIX' ? 'error.main' : 'warning.main' }}
              >
                {m.weight === 'MUST_FIX' ? 'Must fix' : 'Weigh'}
              </Box>
              {', '}
              {m.field.toLowerCase()}: {m.sentence && `“${m.sentence}” `}
              {m.why}
            </Box>
          ))}
          {text.marks.length > first.length && (
            <Box sx={{ fontSize: 12.5, mt: 0.5 }}>And {text.marks.length - first.length} more.</Box>
          )}
        </Box>
      )}
    </>
  );
}
