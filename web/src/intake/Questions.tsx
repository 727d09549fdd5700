import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect } from 'react';
import type { Schema } from '../api/client';

type Answer = { column: number; meaning: string; unit?: string };

/** Columns of which a person may say what they are; until then they stay as they are, or back. */
export function Questions(props: {
  sheet: Schema['IntakeView'];
  label: (meaning: string) => string;
  mayAnswer: boolean;
  onAnswer: (answer: Answer) => void;
}) {
  const { sheet, label, mayAnswer, onAnswer } = props;
  const asking = sheet.columns
    .map((column, index) => ({ column, index }))
    .filter(({ column }) => column.choices.length + column.units.length > 0);
  const first = asking[0];
  useEffect(() => {
    function onKey(e: KeyboardEvent) {
      const at = Number(e.key) - 1;
      const typing = (e.target as HTMLElement).closest?.('input, textarea, select, [role=dialog]');
      if (!first || !mayAnswer || typing || e.ctrlKey || e.metaKey || e.altKey) return;
      const { column, index } = first;
      const meaning = column.choices[at];
      const unit = column.units[at];
      if (column.choices.length > 0 && meaning) onAnswer({ column: index, meaning });
      else if (column.choices.length === 0 && unit) {
        onAnswer({ column: index, meaning: column.meaning, unit });
      }
    }
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
  return (
    <Box
      data-testid="questions"
      sx={{ borderLeft: 3, borderColor: 'warning.main', pl: 2, my: 1.5 }}
    >
      <Typography variant="h3">
        {asking.length === 1 ? 'One column isn’t clear' : `${asking.length} columns aren’t clear`}
      </Typography>
      {asking.length > 1 && mayAnswer && (
        <Box sx={{ color: 'text.secondary' }}>
          The keys 1 to 9 answer for {first?.column.heading}, and then for the next.
        </Box>
      )}
      {asking.map(({ column, index }) => (
        <Box
          key={column.heading}
          role="group"
          aria-label={`What ${column.heading} is`}
          sx={{ borderTop: 1, borderColor: 'divider', py: 1, mt: 0.5 }}
        >
          <strong>{column.heading}</strong>
          <Box component="span" sx={{ color: 'text.secondary', ml: 1.5 }}>
            {examples(sheet, index)}
          </Box>
          <Box>{column.reason}</Box>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1, mt: 0.5 }}>
            {column.choices.length > 0 ? (
              <>
                {column.meaning === 'keep'
                  ? 'It is kept back unless you say what it is:'
                  : 'It stays under its own heading unless you say what it is:'}
                {column.choices.map((meaning, n) => (
                  <Button
                    key={meaning}
                    size="small"
                    variant="outlined"
                    disabled={!mayAnswer}
                    onClick={() => onAnswer({ column: index, meaning })}
                  >
                    {index === first?.index && <Key n={n + 1} />}
                    {label(meaning)}
                  </Button>
                ))}
              </>
            ) : (
              <>
                They are in
                {column.units.map((unit, n) => (
                  <Button
                    key={unit}
                    size="small"
                    variant="outlined"
                    disabled={!mayAnswer}
                    onClick={() => onAnswer({ column: index, meaning: column.meaning, unit })}
                  >
                    {index === first?.index && <Key n={n + 1} />}
                    {unit}
                  </Button>
                ))}
                <Button
                  size="small"
                  disabled={!mayAnswer}
                  onClick={() => onAnswer({ column: index, meaning: column.meaning, unit: '' })}
                >
                  nothing that is known: leave them out
                </Button>
              </>
            )}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

/** The key that gives an answer. */
function Key({ n }: { n: number }) {
  return (
    <Box
      component="span"
      aria-hidden
      sx={{
        color: 'text.secondary',
        fontWeight: 400,
        mr: 0.75,
        '&::before': { content: `"${n}"` },
      }}
    />
  );
}

/** The first different cells of a column. */
function examples(sheet: Schema['IntakeView'], index: number) {
  const cells = sheet.preview.map((r) => r.cells[index] ?? '').filter((c) => c !== '');
  return [...new Set(cells)].slice(0, 4).join(', ');
}
