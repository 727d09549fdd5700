import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Schema } from '../api/client';
import { without } from '../frame/without';

type Length = Schema['Length'];
type Part = keyof Length;

const PARTS: [Part, string][] = [
  ['leastCharacters', 'Least characters'],
  ['mostCharacters', 'Most characters'],
  ['leastWords', 'Least words'],
  ['mostWords', 'Most words'],
];
const NONE: Length = { leastCharacters: 0, mostCharacters: 0, leastWords: 0, mostWords: 0 };

/** How long each field may be; what is left empty is as usual. */
export function Lengths(props: {
  usual: Schema['UsualLength'][];
  lengths: Record<string, Length>;
  problems: Schema['StyleProblem'][];
  onChange: (lengths: Record<string, Length>) => void;
}) {
  const set = (field: string, part: Part, typed: string) => {
    const own = { ...(props.lengths[field] ?? NONE), [part]: Number(typed) || 0 };
    const isNone = PARTS.every(([p]) => own[p] === 0);
    props.onChange(isNone ? without(props.lengths, field) : { ...props.lengths, [field]: own });
  };
  const usual = (u: Schema['UsualLength'], part: Part) =>
    part === 'leastCharacters' ? String(u.least) : part === 'mostCharacters' ? String(u.most) : '–';
  const cell = { py: 0.25, pr: 2, borderBottom: 1, borderColor: 'divider' } as const;
  return (
    <Box sx={{ mt: 3 }}>
      <Typography variant="h3">Lengths</Typography>
      <Box component="table" sx={{ borderCollapse: 'collapse', fontSize: 13.5 }}>
        <thead>
          <Box component="tr" sx={{ textAlign: 'left', color: 'text.secondary', fontSize: 12.5 }}>
            <Box component="th" sx={cell} />
            {PARTS.map(([part, label]) => (
              <Box component="th" key={part} sx={{ ...cell, fontWeight: 500 }}>
                {label}
              </Box>
            ))}
          </Box>
        </thead>
        <tbody>
          {props.usual.map((u) => (
            <tr key={u.field}>
              <Box component="td" sx={cell}>
                {u.label}
              </Box>
              {PARTS.map(([part, label]) => (
                <Box component="td" key={part} sx={cell}>
                  <Box
                    component="input"
                    type="number"
                    min={0}
                    aria-label={`${label} of ${u.label}`}
                    placeholder={usual(u, part)}
                    value={props.lengths[u.field]?.[part] || ''}
                    onChange={(e: React.ChangeEvent<HTMLInputElement>) =>
                      set(u.field, part, e.target.value)
                    }
                    sx={{
                      width: 76,
                      font: 'inherit',
                      color: 'inherit',
                      bgcolor: 'transparent',
                      border: 0,
                      borderBottom: 1,
                      borderColor: 'divider',
                    }}
                  />
                </Box>
              ))}
            </tr>
          ))}
        </tbody>
      </Box>
      {props.problems.map((p) => (
        <Box key={p.why} role="alert" sx={{ fontSize: 13, color: 'error.main', mt: 0.5 }}>
          {p.why}
        </Box>
      ))}
    </Box>
  );
}
