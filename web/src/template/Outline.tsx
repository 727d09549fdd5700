import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Schema } from '../api/client';
import { TypedWord, Word } from '../frame/Sentence';
import { Problems, SlotText } from './SlotText';

type Part = Schema['Part'];
type Kind = Part['kind'];

const KINDS: Record<Kind, string> = {
  OPENING: 'What it is',
  STORY: 'What there is to tell',
  BENEFITS: 'Facts and what they are good for',
  SPECIFICATION: 'The facts as a list',
  USE: 'What it is for',
  CARE: 'How it is looked after',
  BOX: 'What comes with it',
  CLOSING: 'Where it comes from',
  OWN: 'The house’s own words',
};

/** The blocks of a description, in order. */
export function Outline(props: {
  outline: Part[];
  slots: Schema['SlotView'][];
  problems: Schema['TemplateProblem'][];
  onChange: (outline: Part[]) => void;
}) {
  const { outline } = props;
  const set = (at: number, change: Partial<Part>) =>
    props.onChange(outline.map((p, i) => (i === at ? { ...p, ...change } : p)));
  const move = (at: number, by: number) => {
    const next = [...outline];
    const [part] = next.splice(at, 1);
    if (part) next.splice(at + by, 0, part);
    props.onChange(next);
  };
  const free = (Object.keys(KINDS) as Kind[]).filter(
    (k) => k === 'OWN' || !outline.some((p) => p.kind === k),
  );
  return (
    <Box sx={{ mt: 2 }}>
      <Typography variant="h3">The description, block by block</Typography>
      {outline.length === 0 && (
        <Box sx={{ color: 'text.secondary' }}>
          As the composer sees fit. Add a block to say how.
        </Box>
      )}
      <Box component="ol" sx={{ pl: 2.5, my: 1 }}>
        {outline.map((part, i) => (
          <Box component="li" key={`${i} ${part.kind}`} sx={{ py: 0.5 }}>
            <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline' }}>
              <Box sx={{ flex: 1 }}>
                {KINDS[part.kind]}{' '}
                <Box component="span" sx={{ color: 'text.secondary' }}>
                  under{' '}
                  <TypedWord
                    key={part.heading}
                    label={`Heading of block ${i + 1}`}
                    value={part.heading}
                    otherwise="no heading"
                    onSettled={(heading) => set(i, { heading })}
                  />
                </Box>
              </Box>
              <Small label={`Block ${i + 1} up`} disabled={i === 0} onClick={() => move(i, -1)}>
                up
              </Small>
              <Small
                label={`Block ${i + 1} down`}
                disabled={i === outline.length - 1}
                onClick={() => move(i, 1)}
              >
                down
              </Small>
              <Small
                label={`Block ${i + 1} out`}
                onClick={() => props.onChange(outline.filter((_, k) => k !== i))}
              >
                out
              </Small>
            </Box>
            {part.kind === 'OWN' ? (
              <SlotText
                label={`Words of block ${i + 1}`}
                rows={2}
                value={part.text}
                placeholder="It weighs {{weight}}. A sentence whose slot is empty is left out."
                slots={props.slots}
                problems={props.problems.filter((p) => p.where === `outline.${i}`)}
                onChange={(text) => set(i, { text })}
              />
            ) : (
              <Problems problems={props.problems.filter((p) => p.where === `outline.${i}`)} />
            )}
          </Box>
        ))}
      </Box>
      Add{' '}
      <Word
        label="Add a block"
        value=""
        choices={[
          { value: '', label: 'a block' },
          ...free.map((k) => ({ value: k, label: KINDS[k].toLowerCase() })),
        ]}
        onChange={(k) =>
          k && props.onChange([...outline, { kind: k as Kind, heading: '', text: '' }])
        }
      />
    </Box>
  );
}

function Small(props: {
  label: string;
  disabled?: boolean;
  onClick: () => void;
  children: string;
}) {
  return (
    <Button
      size="small"
      aria-label={props.label}
      disabled={props.disabled}
      onClick={props.onClick}
      sx={{ p: 0, minWidth: 0, fontSize: 12.5 }}
    >
      {props.children}
    </Button>
  );
}
