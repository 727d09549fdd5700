import Box from '@mui/material/Box';
import { serif } from '../theme';
import { figure } from './format';

/** What keeps something from being kept, or else how it reads on real products, while it is typed. */
export function Trial(props: {
  testId: string;
  problems: string[];
  /** How many products it concerns, in words, without a full stop. */
  concerns?: string;
  lookedAt: number;
  all: boolean;
  /** What stands in texts now, as a sentence. */
  now?: string;
  examples: { key: number; words: string; source: string }[];
}) {
  const { problems, lookedAt } = props;
  return (
    <Box
      data-testid={props.testId}
      sx={{
        borderLeft: 3,
        borderColor: problems.length ? 'warning.main' : 'success.main',
        pl: 2,
      }}
    >
      {problems.map((p) => (
        <Box key={p} role="alert" sx={{ color: 'warning.main' }}>
          {p}
        </Box>
      ))}
      {props.concerns && problems.length === 0 && (
        <Box sx={{ fontSize: 13 }}>
          {props.concerns}
          {props.all
            ? `, of ${figure(lookedAt)}.`
            : `, of the first ${figure(lookedAt)} looked at.`}{' '}
          {props.now}
        </Box>
      )}
      {props.examples.map((e) => (
        <Box key={e.key} sx={{ mt: 0.75 }}>
          <Box sx={{ fontFamily: serif, fontSize: 16 }}>{e.words}</Box>
          <Box sx={{ fontSize: 12, color: 'text.secondary' }}>{e.source}</Box>
        </Box>
      ))}
    </Box>
  );
}
