import Box from '@mui/material/Box';
import { useRef, useState } from 'react';
import type { Schema } from '../api/client';

type Problem = Schema['TemplateProblem'];

/** How many slots are offered at a time. */
const OFFERED = 6;

/** Words with slots: offers the facts there are as soon as two braces are open, and says what can't be filled. */
export function SlotText(props: {
  label: string;
  value: string;
  rows?: number;
  placeholder?: string;
  slots: Schema['SlotView'][];
  problems: Problem[];
  onChange: (words: string) => void;
}) {
  const field = useRef<HTMLTextAreaElement>(null);
  const [caret, setCaret] = useState(0);
  const open = /\{\{[#/^~]?(?:if |unless |each |with )?([\w.]*)$/.exec(props.value.slice(0, caret));
  const typed = open?.[1] ?? '';
  const offered = open
    ? props.slots
        .filter((s) => s.name.startsWith(typed) || s.label.toLowerCase().startsWith(typed))
        .slice(0, OFFERED)
    : [];
  const insert = (name: string) => {
    const before = props.value.slice(0, caret - typed.length) + name + '}}';
    const after = props.value.slice(caret).replace(/^\}\}/, '');
    props.onChange(before + after);
    setCaret(before.length);
    requestAnimationFrame(() => {
      field.current?.focus();
      field.current?.setSelectionRange(before.length, before.length);
    });
  };
  const moved = () => setCaret(field.current?.selectionStart ?? 0);
  return (
    <Box>
      <Box
        component="textarea"
        ref={field}
        aria-label={props.label}
        aria-invalid={props.problems.length > 0}
        rows={props.rows ?? 1}
        value={props.value}
        placeholder={props.placeholder}
        spellCheck={false}
        onChange={(e: React.ChangeEvent<HTMLTextAreaElement>) => {
          props.onChange(e.target.value);
          setCaret(e.target.selectionStart);
        }}
        onKeyUp={moved}
        onClick={moved}
        onKeyDown={(e: React.KeyboardEvent) => {
          if (e.key === 'Tab' && offered[0] && typed) {
            e.preventDefault();
            insert(offered[0].name);
          }
        }}
        sx={{
          display: 'block',
          width: '100%',
          font: 'inherit',
          color: 'inherit',
          bgcolor: 'background.paper',
          border: 1,
          borderColor: props.problems.length ? 'error.main' : 'divider',
          p: 0.75,
          resize: 'vertical',
        }}
      />
      {offered.length > 0 && (
        <Box role="listbox" aria-label="Slots" sx={{ fontSize: 12.5, lineHeight: 1.7 }}>
          {offered.map((s) => (
            <Box
              key={s.name}
              component="button"
              type="button"
              role="option"
              onMouseDown={(e: React.MouseEvent) => e.preventDefault()}
              onClick={() => insert(s.name)}
              sx={{
                font: 'inherit',
                color: 'success.main',
                bgcolor: 'transparent',
                border: 0,
                p: 0,
                mr: 1.5,
                cursor: 'pointer',
              }}
            >
              {s.name}
              {s.value && (
                <Box component="span" sx={{ color: 'text.secondary' }}>
                  {' '}
                  {s.value.slice(0, 24)}
                </Box>
              )}
            </Box>
          ))}
        </Box>
      )}
      <Problems problems={props.problems} />
    </Box>
  );
}

/** What is wrong, with line and column where it is about a place. */
export function Problems({ problems }: { problems: Problem[] }) {
  return problems.slice(0, 3).map((p) => (
    <Box key={`${p.line} ${p.why}`} role="alert" sx={{ fontSize: 13, color: 'error.main' }}>
      {p.line > 0 && `Line ${p.line}, column ${p.column}: `}
      {p.why}
    </Box>
  ));
}
