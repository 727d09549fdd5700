import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { api, take, type Schema } from '../api/client';
import { count } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { useMay } from '../frame/session';

type Intake = Schema['IntakeView'];

const WORDS: Record<string, string> = {
  MOVED: 'moved',
  RENAMED: 'renamed?',
  NEW: 'new',
  GONE: 'missing',
  OTHER_VALUES: 'holds something else',
};

/** How a sheet differs from the supplier’s last one, side by side, before anything is read. */
export function Changes(props: { sheet: Intake; onChanged: (fresh: Intake) => void }) {
  const { sheet, onChanged } = props;
  const notice = useNotice();
  const mayWrite = useMay('WRITER');
  const setSeen = useMutation({
    mutationFn: () =>
      take(api.PUT('/api/intakes/{id}/seen', { params: { path: { id: sheet.id } } })),
    onSuccess: onChanged,
    onError: notice.trouble,
  });
  const changes = sheet.changes.filter((c) => c.change !== 'SAME');
  if (changes.length === 0) {
    return (
      <Typography sx={{ color: 'success.main', my: 1 }}>
        The layout is the same as in the last sheet of {sheet.supplier}; it is read in the same way.
      </Typography>
    );
  }
  return (
    <Box
      data-testid="changes"
      sx={{
        borderLeft: 3,
        borderColor: sheet.hasToBeSeen && !sheet.seen ? 'error.main' : 'divider',
        pl: 2,
        my: 1.5,
      }}
    >
      <Typography variant="h3">
        Not like the last sheet of {sheet.supplier}: {count(changes.length, 'column')}
      </Typography>
      <Box component="table" sx={{ borderCollapse: 'collapse', fontSize: 13, my: 1 }}>
        <thead>
          <tr>
            {['then', 'now', '', ''].map((h, i) => (
              <Box
                key={i}
                component="th"
                sx={{ textAlign: 'left', color: 'text.secondary', fontWeight: 500, pr: 3 }}
              >
                {h}
              </Box>
            ))}
          </tr>
        </thead>
        <tbody>
          {changes.map((c) => (
            <Box
              key={c.before + c.now}
              component="tr"
              sx={{ '& td': { borderTop: 1, borderColor: 'divider', py: 0.5, pr: 3 } }}
            >
              <td>{c.before || '–'}</td>
              <td>{c.now || '–'}</td>
              <Box
                component="td"
                sx={{
                  fontWeight: 600,
                  whiteSpace: 'nowrap',
                  color:
                    c.change === 'OTHER_VALUES'
                      ? 'error.main'
                      : c.change === 'MOVED'
                        ? 'text.secondary'
                        : 'warning.main',
                }}
              >
                {WORDS[c.change]}
              </Box>
              <td>{c.note}</td>
            </Box>
          ))}
        </tbody>
      </Box>
      {sheet.hasToBeSeen &&
        (sheet.seen ? (
          <Typography sx={{ color: 'success.main' }}>Looked at; the sheet can come in.</Typography>
        ) : (
          mayWrite && (
            <Button
              size="small"
              variant="outlined"
              disabled={setSeen.isPending}
              onClick={() => setSeen.mutate()}
            >
              I have looked: read it as shown below
            </Button>
          )
        ))}
    </Box>
  );
}
