import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { without } from '../frame/without';

/** The places in a sentence, as a person would name them, with an example. */
const FORMS: [form: string, label: string, example: string][] = [
  ['verb', 'It …', 'weigh {v}'],
  ['with', 'It has …', 'a weight of {v}'],
  ['part', 'It is …', 'made of {v}'],
  ['adj', 'A … product', '{a}'],
  ['pp', 'A product …', 'in {v}'],
  ['clause', 'A clause of its own', 'the finish is {v}'],
  ['front', 'In front: …, it …', 'at {v}'],
];

/** Wordings by their places in a sentence, a wording a line. */
export function SayFields(props: {
  say: Record<string, string[]>;
  mayDecide: boolean;
  onChange: (say: Record<string, string[]>) => void;
}) {
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', columnGap: 1.5 }}>
      {FORMS.map(([form, label, example]) => (
        <TextField
          key={form}
          size="small"
          fullWidth
          multiline
          disabled={!props.mayDecide}
          sx={{ mb: 1.5 }}
          label={label}
          placeholder={example}
          slotProps={{ inputLabel: { shrink: true } }}
          value={(props.say[form] ?? []).join('\n')}
          onChange={(e) => {
            const rest = without(props.say, form);
            const wordings = e.target.value === '' ? [] : e.target.value.split('\n');
            props.onChange(wordings.length > 0 ? { ...rest, [form]: wordings } : rest);
          }}
        />
      ))}
    </Box>
  );
}
