import Box from '@mui/material/Box';
import { useState, type ReactNode } from 'react';
import { serif } from '../theme';

/** A setting that reads as a sentence; its underlined words can be changed in place. */
export function Sentence({ children }: { children: ReactNode }) {
  return (
    <Box sx={{ fontFamily: serif, fontSize: 18, lineHeight: 1.7, my: 1 }} component="div">
      {children}
    </Box>
  );
}

interface Choice {
  value: string;
  label: string;
}

/** One underlined word of a sentence: a choice. */
export function Word(props: {
  label: string;
  value: string;
  choices: Choice[];
  onChange: (value: string) => void;
}) {
  return (
    <Box
      component="select"
      aria-label={props.label}
      value={props.value}
      onChange={(e: React.ChangeEvent<HTMLSelectElement>) => props.onChange(e.target.value)}
      sx={wordStyle}
    >
      {props.choices.map((c) => (
        <option key={c.value} value={c.value}>
          {c.label}
        </option>
      ))}
    </Box>
  );
}

/** One underlined word of a sentence that is typed; it counts when the field is left or Enter pressed. */
export function TypedWord(props: {
  label: string;
  value: string;
  /** What holds as long as nothing is typed. */
  otherwise?: string;
  /** Whether nobody may read along. */
  isSecret?: boolean;
  onSettled: (value: string) => void;
}) {
  const [typed, setTyped] = useState(props.value);
  const settle = () => {
    if (typed !== props.value) props.onSettled(typed);
  };
  return (
    <Box
      component="input"
      aria-label={props.label}
      placeholder={props.otherwise}
      {...(props.isSecret ? { type: 'password', autoComplete: 'new-password' } : {})}
      value={typed}
      onChange={(e: React.ChangeEvent<HTMLInputElement>) => setTyped(e.target.value)}
      onBlur={settle}
      onKeyDown={(e: React.KeyboardEvent) => e.key === 'Enter' && settle()}
      sx={{ ...wordStyle, cursor: 'text', minWidth: 60 }}
    />
  );
}

/** One underlined word of a sentence that is a day. */
export function DayWord(props: {
  label: string;
  value: string;
  onChange: (value: string) => void;
}) {
  return (
    <Box
      component="input"
      type="date"
      aria-label={props.label}
      value={props.value}
      onChange={(e: React.ChangeEvent<HTMLInputElement>) => props.onChange(e.target.value)}
      sx={wordStyle}
    />
  );
}

const wordStyle = {
  font: 'inherit',
  fontStyle: 'italic',
  color: 'success.main',
  bgcolor: 'background.default',
  border: 0,
  borderBottom: '1.5px solid',
  borderColor: 'success.main',
  p: 0,
  mx: 0.25,
  cursor: 'pointer',
  appearance: 'none',
  maxWidth: 360,
  fieldSizing: 'content',
  '& option': { fontFamily: 'inherit', bgcolor: 'background.paper', color: 'text.primary' },
} as const;
