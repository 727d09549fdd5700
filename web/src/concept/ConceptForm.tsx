import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { count } from '../frame/format';
import { Trial } from '../frame/Trial';
import { useNotice } from '../frame/Notice';
import { Versions } from '../frame/Versions';
import { OfSomeKinds } from './OfSomeKinds';
import { SayFields } from './SayFields';

type View = Schema['ConceptView'];
type Body = Schema['ConceptBody'];

const KINDS: Record<Body['kind'], string> = {
  WORDS: 'words',
  TERMS: 'a list of words',
  QUANTITY: 'an amount with a unit',
  COUNT: 'a number of things',
  SIDES: 'length × width × height',
  FLAG: 'yes or no',
  RATING: 'a rating such as IPX4',
};

const BLANK: Body = {
  id: '',
  label: '',
  names: [],
  kind: 'WORDS',
  unit: '',
  theme: 'features',
  weight: 50,
  anyOrder: false,
  say: {},
  sayOf: [],
  taught: [],
  notOf: [],
};

/** A new kind of fact for a heading of a sheet; for no heading an empty one. */
export const blank = (heading: string): Body =>
  heading
    ? {
        ...BLANK,
        id: `own_${heading.toLowerCase().replace(/[^a-z0-9]+/g, '_')}`
          .slice(0, 36)
          .replace(/_+$/, ''),
        label: heading,
        names: [heading.toLowerCase()],
      }
    : BLANK;

/** One kind of fact while it is read or changed, and how it reads on real products meanwhile. */
export function ConceptForm(props: {
  concept: View | null;
  /** What a new one starts with. */
  start: Body;
  choices: Schema['ConceptChoices'];
  mayDecide: boolean;
  onKept: (texts: number) => void;
  onRestore: () => void;
  onClose: () => void;
}) {
  const { concept, choices, mayDecide } = props;
  const notice = useNotice();
  const [body, setBody] = useState<Body>(concept?.concept ?? props.start);
  const tried = useDeferredValue(body);
  const isOwn = !concept || concept.state === 'OWN';
  const trial = useQuery({
    queryKey: ['concepts', 'try', tried],
    queryFn: () => take(api.POST('/api/concepts/try', { body: tried })),
    enabled: tried.id !== '',
    placeholderData: keepPreviousData,
    retry: false,
  });
  const keep = useMutation({
    mutationFn: () =>
      take(api.PUT('/api/concepts/{id}', { params: { path: { id: body.id } }, body })),
    onSuccess: (touched) => props.onKept(touched.texts),
    onError: notice.trouble,
  });
  const versions = useQuery({
    queryKey: ['concepts', 'versions', body.id],
    queryFn: () =>
      take(api.GET('/api/concepts/{id}/versions', { params: { path: { id: body.id } } })),
    enabled: body.id !== '',
    retry: false,
  });
  const set = (change: Partial<Body>) => setBody((now) => ({ ...now, ...change }));
  const isChanged = JSON.stringify(body) !== JSON.stringify(concept?.concept ?? props.start);
  const problems = trial.data?.problems ?? [];
  const field = { size: 'small', fullWidth: true, disabled: !mayDecide, sx: { mb: 1.5 } } as const;
  const half = { display: 'grid', gridTemplateColumns: '1fr 1fr', columnGap: 1.5 };
  return (
    <Box data-testid="concept">
      <Typography variant="h2" gutterBottom>
        {concept ? concept.concept.label : 'A new kind of fact'}
      </Typography>
      <Box sx={half}>
        {concept ? null : (
          <TextField
            {...field}
            label="Short name"
            placeholder="bell_pitch"
            value={body.id}
            onChange={(e) => set({ id: e.target.value })}
          />
        )}
        <TextField
          {...field}
          label="The specification list calls it"
          value={body.label}
          onChange={(e) => set({ label: e.target.value })}
        />
        <TextField
          {...field}
          type="number"
          label="It matters, from 0 to 100"
          value={body.weight}
          onChange={(e) => set({ weight: Number(e.target.value) })}
        />
        {isOwn && (
          <TextField
            {...field}
            select
            label="Cells hold"
            value={body.kind}
            slotProps={{ select: { native: true } }}
            onChange={(e) => set({ kind: e.target.value as Body['kind'] })}
          >
            {Object.entries(KINDS)
              .filter(([value]) => value !== 'RATING' || body.kind === 'RATING')
              .map(([value, label]) => (
                <option key={value} value={value}>
                  {label}
                </option>
              ))}
          </TextField>
        )}
        {isOwn && body.kind === 'QUANTITY' && (
          <TextField
            {...field}
            select
            label="in the unit, if no other is given"
            value={body.unit}
            slotProps={{ select: { native: true }, inputLabel: { shrink: true } }}
            onChange={(e) => set({ unit: e.target.value })}
          >
            <option value="">none</option>
            {choices.units.map((u) => (
              <option key={u} value={u}>
                {u}
              </option>
            ))}
          </TextField>
        )}
        {isOwn && (
          <TextField
            {...field}
            select
            label="It shares sentences with facts about"
            value={body.theme}
            slotProps={{ select: { native: true } }}
            onChange={(e) => set({ theme: e.target.value })}
          >
            {choices.themes.map((t) => (
              <option key={t} value={t}>
                {t}
              </option>
            ))}
          </TextField>
        )}
      </Box>
      <TextField
        {...field}
        multiline
        maxRows={4}
        label="Sheets head their column with one of these, a line each"
        value={body.names.join('\n')}
        onChange={(e) => set({ names: e.target.value.split('\n') })}
      />
      <Typography variant="h3" gutterBottom>
        Texts tell it like this
      </Typography>
      <Box sx={{ fontSize: 12.5, color: 'text.secondary', mb: 1 }}>
        A wording a line; {'{v}'} is the value. A kind of fact without wordings stands in the
        specification list only.
      </Box>
      <SayFields say={body.say} mayDecide={mayDecide} onChange={(say) => set({ say })} />
      <OfSomeKinds
        body={body}
        classes={choices.classes}
        mayDecide={mayDecide}
        onChange={(sayOf, notOf) => set({ sayOf, notOf })}
        onTaught={(taught) => set({ taught })}
      />
      {body.kind === 'TERMS' && (
        <FormControlLabel
          disabled={!mayDecide}
          control={
            <Checkbox
              size="small"
              checked={body.anyOrder}
              onChange={(e) => set({ anyOrder: e.target.checked })}
            />
          }
          label="Its items may stand in any order"
        />
      )}
      <Box sx={{ display: 'flex', gap: 1, mb: 2, flexWrap: 'wrap' }}>
        {mayDecide && (
          <Button
            variant="contained"
            disabled={!isChanged || problems.length > 0 || !body.id || keep.isPending}
            onClick={() => keep.mutate()}
          >
            Keep it
          </Button>
        )}
        {mayDecide && concept && concept.state !== 'AS_DELIVERED' && (
          <Button onClick={props.onRestore}>
            {concept.state === 'OWN' ? 'Take it away' : 'Back as delivered'}
          </Button>
        )}
        <Button onClick={props.onClose}>Close</Button>
      </Box>
      {concept?.by && (
        <Box sx={{ fontSize: 12.5, color: 'text.secondary', mb: 1 }}>Decided by {concept.by}.</Box>
      )}
      <Trial
        testId="concept-trial"
        problems={problems}
        concerns={
          trial.data &&
          (trial.data.have === 0
            ? 'No product has such a fact'
            : `${count(trial.data.have, 'product')} ${trial.data.have === 1 ? 'has' : 'have'} such a fact`)
        }
        lookedAt={trial.data?.lookedAt ?? 0}
        all={trial.data?.all ?? true}
        now={
          trial.data && trial.data.texts > 0
            ? `${count(trial.data.texts, 'text')} ${trial.data.texts === 1 ? 'tells' : 'tell'} it now.`
            : undefined
        }
        examples={(trial.data?.examples ?? []).map((e) => ({
          key: e.product,
          words: e.sentences.join(' ') || 'In the specification list only.',
          source: `${e.sku} ${e.name}: “${e.raw}”`,
        }))}
      />
      <Versions
        versions={versions.data}
        now={concept && concept.state !== 'AS_DELIVERED' ? (versions.data?.[0]?.version ?? 0) : 0}
        onLook={(version) => {
          const looked = versions.data?.find((v) => v.version === version);
          if (looked) setBody(looked.concept);
        }}
      />
    </Box>
  );
}
