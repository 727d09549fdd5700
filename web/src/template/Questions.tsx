import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Schema } from '../api/client';
import { TypedWord, Word } from '../frame/Sentence';
import { Problems } from './SlotText';

type Question = Schema['Question'];

/** What a template asks about each product: answered by a fact, or else in words typed here. */
export function Questions(props: {
  questions: Question[];
  slots: Schema['SlotView'][];
  problems: Schema['TemplateProblem'][];
  onChange: (questions: Question[]) => void;
}) {
  const set = (at: number, change: Partial<Question>) =>
    props.onChange(props.questions.map((q, i) => (i === at ? { ...q, ...change } : q)));
  return (
    <Box sx={{ mt: 3 }}>
      <Typography variant="h3">What it asks</Typography>
      {props.questions.map((q, i) => (
        <Box key={`${i} ${q.key}`} sx={{ py: 0.5, lineHeight: 1.9 }}>
          <TypedWord
            label={`Question ${i + 1}`}
            value={q.label}
            otherwise="a question"
            onSettled={(label) => set(i, { label })}
          />{' '}
          fills the slot{' '}
          <TypedWord
            label={`Slot of question ${i + 1}`}
            value={q.key}
            otherwise="name"
            onSettled={(key) => set(i, { key })}
          />{' '}
          with{' '}
          <Word
            label={`Fact of question ${i + 1}`}
            value={q.fact}
            choices={[
              { value: '', label: 'no fact' },
              ...props.slots.map((s) => ({ value: s.name, label: s.label.toLowerCase() })),
            ]}
            onChange={(fact) => set(i, { fact })}
          />
          , else{' '}
          <TypedWord
            label={`Answer to question ${i + 1}`}
            value={q.otherwise}
            otherwise="nothing"
            onSettled={(otherwise) => set(i, { otherwise })}
          />
          .{' '}
          <Button
            size="small"
            sx={{ p: 0, minWidth: 0, fontSize: 12.5 }}
            onClick={() => props.onChange(props.questions.filter((_, k) => k !== i))}
          >
            out
          </Button>
          <Problems problems={props.problems.filter((p) => p.where === `questions.${i}`)} />
        </Box>
      ))}
      <Button
        size="small"
        onClick={() =>
          props.onChange([...props.questions, { key: '', label: '', fact: '', otherwise: '' }])
        }
      >
        Ask something
      </Button>
    </Box>
  );
}
