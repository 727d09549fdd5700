import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { count } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Trial } from '../frame/Trial';

type View = Schema['ClaimView'];
type Body = Schema['ClaimBody'];
type Decision = 'approve' | 'ban' | 'restore';

const BLANK: Body = {
  id: '',
  concept: 'material',
  contains: [],
  atLeast: null as unknown as number,
  atMost: null as unknown as number,
  unit: '',
  classes: [],
  adj: [],
  so: [],
  text: '',
};

const lines = (text: string) =>
  text
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean);

/** One claim while it is read or changed, and what it would do on real products meanwhile. */
export function ClaimForm(props: {
  claim: View | null;
  choices: Schema['ClaimChoices'];
  mayDecide: boolean;
  onKept: (texts: number) => void;
  onDecide: (what: Decision) => void;
  onClose: () => void;
}) {
  const { claim, choices, mayDecide } = props;
  const notice = useNotice();
  const [body, setBody] = useState<Body>(claim?.claim ?? BLANK);
  const tried = useDeferredValue(body);
  const trial = useQuery({
    queryKey: ['claims', 'try', tried],
    queryFn: () => take(api.POST('/api/claims/try', { body: tried })),
    enabled: tried.id !== '' || tried.so.length > 0 || tried.adj.length > 0,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const keep = useMutation({
    mutationFn: () =>
      take(api.PUT('/api/claims/{id}', { params: { path: { id: body.id } }, body })),
    onSuccess: (touched) => props.onKept(touched.texts),
    onError: notice.trouble,
  });
  const set = (change: Partial<Body>) => setBody((now) => ({ ...now, ...change }));
  const isChanged = JSON.stringify(body) !== JSON.stringify(claim?.claim ?? BLANK);
  const problems = trial.data?.problems ?? [];
  const amount = (text: string) => (text === '' ? (null as unknown as number) : Number(text));
  const field = { size: 'small', fullWidth: true, disabled: !mayDecide, sx: { mb: 1.5 } } as const;
  return (
    <Box data-testid="claim">
      <Typography variant="h2" gutterBottom>
        {claim ? 'A claim' : 'A new claim'}
      </Typography>
      {!claim && (
        <TextField
          {...field}
          label="Short name"
          helperText="Small letters and hyphens, such as nettle-lasts"
          value={body.id}
          onChange={(e) => set({ id: e.target.value })}
        />
      )}
      <TextField
        {...field}
        select
        label="The fact"
        value={body.concept}
        slotProps={{ select: { native: true } }}
        onChange={(e) => set({ concept: e.target.value })}
      >
        {choices.facts.map((c) => (
          <option key={c.id} value={c.id}>
            {c.label}
          </option>
        ))}
      </TextField>
      <TextField
        {...field}
        multiline
        label="says one of these, a line each"
        value={body.contains.join('\n')}
        onChange={(e) => set({ contains: e.target.value.split('\n') })}
        onBlur={(e) => set({ contains: lines(e.target.value) })}
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr 1fr', columnGap: 1.5 }}>
        <TextField
          {...field}
          type="number"
          label="or is at least"
          value={body.atLeast ?? ''}
          onChange={(e) => set({ atLeast: amount(e.target.value) })}
        />
        <TextField
          {...field}
          type="number"
          label="and at most"
          value={body.atMost ?? ''}
          onChange={(e) => set({ atMost: amount(e.target.value) })}
        />
        <TextField
          {...field}
          label="in the unit"
          value={body.unit}
          onChange={(e) => set({ unit: e.target.value.trim() })}
        />
      </Box>
      <TextField
        {...field}
        multiline
        label="Then a text may go on: so …"
        helperText="A line each. {it} and {them} are the product; a verb after ~ agrees with it: {it} ~dry fast"
        value={body.so.join('\n')}
        onChange={(e) => set({ so: e.target.value.split('\n') })}
        onBlur={(e) => set({ so: lines(e.target.value) })}
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', columnGap: 1.5 }}>
        <TextField
          {...field}
          label="or call the product"
          helperText="Adjectives, with commas"
          value={body.adj.join(', ')}
          onChange={(e) => set({ adj: e.target.value.split(',').map((a) => a.trimStart()) })}
          onBlur={(e) =>
            set({
              adj: e.target.value
                .split(',')
                .map((a) => a.trim())
                .filter(Boolean),
            })
          }
        />
        <TextField
          {...field}
          select
          label="for"
          value={body.classes[0] ?? ''}
          slotProps={{ select: { native: true }, inputLabel: { shrink: true } }}
          helperText={body.classes.length > 1 ? `and ${body.classes.length - 1} more kinds` : ''}
          onChange={(e) => set({ classes: e.target.value ? [e.target.value] : [] })}
        >
          <option value="">all products</option>
          {choices.classes.map((c) => (
            <option key={c.id} value={c.id}>
              {c.label}
            </option>
          ))}
        </TextField>
      </Box>
      <TextField
        {...field}
        label="because"
        helperText="Why it is so, for the list of sources"
        value={body.text}
        onChange={(e) => set({ text: e.target.value })}
      />
      <Box sx={{ display: 'flex', gap: 1, mb: 2, flexWrap: 'wrap' }}>
        {mayDecide && (
          <Button
            variant="contained"
            disabled={!isChanged || problems.length > 0 || !body.id || keep.isPending}
            onClick={() => keep.mutate()}
          >
            Keep the claim
          </Button>
        )}
        {mayDecide && claim?.state === 'AS_DELIVERED' && !isChanged && (
          <Button variant="outlined" onClick={() => props.onDecide('approve')}>
            Approve
          </Button>
        )}
        {mayDecide && claim && claim.state !== 'BANNED' && (
          <Button variant="outlined" color="error" onClick={() => props.onDecide('ban')}>
            Ban
          </Button>
        )}
        {mayDecide && claim && claim.state !== 'AS_DELIVERED' && (
          <Button onClick={() => props.onDecide('restore')}>
            {claim.state === 'OWN' ? 'Take it away' : 'Back as delivered'}
          </Button>
        )}
        <Button onClick={props.onClose}>Close</Button>
      </Box>
      {claim?.by && (
        <Box sx={{ fontSize: 12.5, color: 'text.secondary', mb: 1 }}>Decided by {claim.by}.</Box>
      )}
      <Trial
        testId="claim-trial"
        problems={problems}
        concerns={
          trial.data &&
          (trial.data.licensed === 0
            ? 'No product has a fact that licenses it'
            : `${count(trial.data.licensed, 'product')} may be told of like this`)
        }
        lookedAt={trial.data?.lookedAt ?? 0}
        all={trial.data?.all ?? true}
        now={
          trial.data && trial.data.texts > 0
            ? `${count(trial.data.texts, 'text')} ${trial.data.texts === 1 ? 'makes' : 'make'} this claim now.`
            : undefined
        }
        examples={(trial.data?.examples ?? []).map((e) => ({
          key: e.product,
          words: e.sentence,
          source: `${e.sku} ${e.name}, ${e.fact}: “${e.raw}”`,
        }))}
      />
    </Box>
  );
}
