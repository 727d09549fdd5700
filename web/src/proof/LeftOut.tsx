import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Schema } from '../api/client';
import { when } from '../frame/format';

/** What stands in no sentence, why, and what would bring it in. */
export function LeftOut({ facts }: { facts: Schema['LeftOutFact'][] }) {
  if (facts.length === 0) return null;
  return (
    <Box component="details" sx={{ mt: 3, fontSize: 13 }} data-testid="left-out">
      <Box component="summary" sx={{ cursor: 'pointer' }}>
        Left out of the sentences: {facts.length}
      </Box>
      {facts.map((f, i) => (
        <Box key={i} sx={{ py: 0.75, borderTop: 1, borderColor: 'divider' }}>
          <strong>{f.label}</strong>: {f.value}
          <Box sx={{ color: 'text.secondary' }}>
            {f.why} {f.remedy}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

/** Marks that somebody has let be, with a way to raise them again. */
export function Overruled(props: {
  marks: Schema['Overruled'][];
  onRaiseAgain?: (id: number) => void;
}) {
  const { marks, onRaiseAgain } = props;
  if (marks.length === 0) return null;
  return (
    <Box data-testid="let-be">
      <Typography variant="h3" sx={{ mt: 3 }}>
        Let be
      </Typography>
      {marks.map((m) => (
        <Box key={m.id} sx={{ fontSize: 12.5, py: 0.5, borderTop: 1, borderColor: 'divider' }}>
          “{m.words || m.sentence}” ({m.check}){' '}
          {m.opinionOf
            ? `rests on “${m.label}: ${m.cell}”, says ${m.opinionOf}; asked by ${m.by}`
            : m.by}
          , {when(m.at)}{' '}
          {onRaiseAgain && (
            <Button size="small" sx={{ p: 0, px: 0.5 }} onClick={() => onRaiseAgain(m.id)}>
              raise again
            </Button>
          )}
        </Box>
      ))}
    </Box>
  );
}
