import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Schema } from '../api/client';

type Aspect = Schema['UsualWeight']['aspect'];

/** What readiness weighs: points of a hundred for each aspect. */
export function Weights(props: {
  usual: Schema['UsualWeight'][];
  weights: Partial<Record<Aspect, number>>;
  problems: Schema['StyleProblem'][];
  onChange: (weights: Partial<Record<Aspect, number>>) => void;
}) {
  const points = (u: Schema['UsualWeight']) => props.weights[u.aspect] ?? u.points;
  const set = (aspect: Aspect, typed: string) => {
    const all = Object.fromEntries(props.usual.map((u) => [u.aspect, points(u)]));
    all[aspect] = Number(typed) || 0;
    const isUsual = props.usual.every((u) => all[u.aspect] === u.points);
    props.onChange(isUsual ? {} : all);
  };
  return (
    <Box sx={{ mt: 3 }}>
      <Typography variant="h3">What readiness weighs</Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 3, rowGap: 0.5, fontSize: 13.5 }}>
        {props.usual.map((u) => (
          <label key={u.aspect}>
            {u.label}{' '}
            <Box
              component="input"
              type="number"
              min={0}
              max={100}
              aria-label={`Points for ${u.label}`}
              value={points(u)}
              onChange={(e: React.ChangeEvent<HTMLInputElement>) => set(u.aspect, e.target.value)}
              sx={{
                width: 52,
                font: 'inherit',
                color: 'inherit',
                bgcolor: 'transparent',
                border: 0,
                borderBottom: 1,
                borderColor: 'divider',
              }}
            />
          </label>
        ))}
      </Box>
      {props.problems.map((p) => (
        <Box key={p.why} role="alert" sx={{ fontSize: 13, color: 'error.main' }}>
          {p.why}
        </Box>
      ))}
    </Box>
  );
}
