import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import type { Schema } from '../api/client';
import { SayFields } from './SayFields';
import { told } from './told';

type Body = Schema['ConceptBody'];
type SayOf = Body['sayOf'][number];

/**
 * Wordings for some kinds of products only: a bag holds twenty litres, paint doesn't. Before them
 * stands how people put it in texts, which is said in place of all others.
 */
export function OfSomeKinds(props: {
  body: Body;
  classes: Schema['ClassChoice'][];
  mayDecide: boolean;
  onChange: (sayOf: SayOf[], notOf: string[]) => void;
  onTaught: (taught: SayOf[]) => void;
}) {
  const { body, classes, mayDecide, onChange, onTaught } = props;
  const plural = (id: string) => classes.find((c) => c.id === id)?.plural ?? id;
  const put = (at: number, changed: SayOf) =>
    onChange(
      body.sayOf.map((s, i) => (i === at ? changed : s)),
      body.notOf,
    );
  // Without words of their own they are told like all the others again.
  const takeOut = (out: SayOf) =>
    onChange(
      body.sayOf.filter((s) => s !== out),
      body.notOf.filter((c) => !out.classes.includes(c)),
    );
  const free = classes.filter((c) => !body.sayOf.some((s) => s.classes.includes(c.id)));
  return (
    <Box sx={{ mb: 1.5 }} data-testid="of-some-kinds">
      {body.taught.map((of, at) => (
        <Box
          key={JSON.stringify(of)}
          sx={{ borderTop: 1, borderColor: 'divider', pt: 1.5, mb: 1 }}
          data-testid="taught"
        >
          <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mb: 1.5 }}>
            <Box sx={{ flex: 1 }}>
              <Box component="span" sx={{ fontWeight: 600 }}>
                Before all others, of{' '}
                {of.classes.map(plural).join(', ') || 'products whose kind isn’t known'}:
              </Box>{' '}
              {Object.entries(of.say).map(([form, wordings]) => wordings.map((w) => told(form, w)))}
            </Box>
            {mayDecide && (
              <Button onClick={() => onTaught(body.taught.filter((_, i) => i !== at))}>
                Forget it
              </Button>
            )}
          </Box>
        </Box>
      ))}
      {body.sayOf.map((of, at) => (
        <Box
          key={of.classes.join(' ') || at}
          sx={{ borderTop: 1, borderColor: 'divider', pt: 1.5, mb: 1 }}
        >
          <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mb: 1.5 }}>
            <Box sx={{ flex: 1, fontWeight: 600 }}>
              Of {of.classes.map(plural).join(', ') || 'no kind yet'}
            </Box>
            {mayDecide && <Button onClick={() => takeOut(of)}>Take these out</Button>}
          </Box>
          <SayFields
            say={of.say}
            mayDecide={mayDecide}
            onChange={(say) => put(at, { ...of, say })}
          />
          <FormControlLabel
            disabled={!mayDecide || of.classes.length === 0}
            control={
              <Checkbox
                size="small"
                checked={of.classes.length > 0 && of.classes.every((c) => body.notOf.includes(c))}
                onChange={(e) =>
                  onChange(
                    body.sayOf,
                    e.target.checked
                      ? [...new Set([...body.notOf, ...of.classes])]
                      : body.notOf.filter((c) => !of.classes.includes(c)),
                  )
                }
              />
            }
            label="Of these never as of all the others"
          />
        </Box>
      ))}
      {mayDecide && (
        <TextField
          select
          size="small"
          label="Other words for one kind of product"
          value=""
          slotProps={{ select: { native: true }, inputLabel: { shrink: true } }}
          onChange={(e) =>
            e.target.value &&
            onChange([...body.sayOf, { classes: [e.target.value], say: {} }], body.notOf)
          }
          sx={{ minWidth: 280 }}
        >
          <option value="">choose the kind</option>
          {free.map((c) => (
            <option key={c.id} value={c.id}>
              {c.plural}
            </option>
          ))}
        </TextField>
      )}
    </Box>
  );
}
