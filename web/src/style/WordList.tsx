import Box from '@mui/material/Box';
import { useState } from 'react';
import type { Schema } from '../api/client';
import { Lines } from '../frame/Lines';

/** Words a line each; they count when the field is left. */
export function WordList(props: {
  label: string;
  rows?: number;
  help: string;
  value: string;
  problems: Schema['StyleProblem'][];
  onSettled: (typed: string) => void;
}) {
  const [typed, setTyped] = useState(props.value);
  const [given, setGiven] = useState(props.value);
  if (given !== props.value) {
    setGiven(props.value);
    setTyped(props.value);
  }
  return (
    <Box>
      <Lines
        label={props.label}
        rows={props.rows ?? 4}
        value={typed}
        isWrong={props.problems.length > 0}
        onChange={setTyped}
        onLeave={() => typed !== props.value && props.onSettled(typed)}
      />
      <Box sx={{ fontSize: 12, color: 'text.secondary' }}>{props.help}</Box>
      {props.problems.slice(0, 3).map((p) => (
        <Box key={p.why} role="alert" sx={{ fontSize: 13, color: 'error.main' }}>
          {p.why}
        </Box>
      ))}
      {props.problems.length > 3 && (
        <Box sx={{ fontSize: 13, color: 'error.main' }}>And {props.problems.length - 3} more.</Box>
      )}
    </Box>
  );
}
