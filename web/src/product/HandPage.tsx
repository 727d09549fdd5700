import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, take, type Schema } from '../api/client';
import { useDraft } from '../frame/drafts';
import { useNotice } from '../frame/Notice';
import { Sentence, Word } from '../frame/Sentence';
import { useMay } from '../frame/session';

const SORTS = [
  { value: 'goods', label: 'something one can hold' },
  { value: 'service', label: 'a service' },
  { value: 'stay', label: 'a stay' },
  { value: 'outing', label: 'an outing' },
];

interface Draft {
  sku: string;
  name: string;
  text: string;
  sort: string;
  facts: Record<string, string>;
  own: { label: string; text: string }[];
}

const EMPTY: Draft = { sku: '', name: '', text: '', sort: 'goods', facts: {}, own: [] };

/** A product without a sheet: its fields, or a text that is read for facts. What is typed stays in the browser. */
export function HandPage() {
  const notice = useNotice();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const mayWrite = useMay('WRITER');
  const kept = useDraft<Draft>('by hand', 0);
  const draft = { ...EMPTY, ...kept.draft?.typed };
  const [found, setFound] = useState<Schema['Found'] | null>(null);
  const sorts = useQuery({
    queryKey: ['sorts'],
    queryFn: () => take(api.GET('/api/hand/sorts')),
    staleTime: Infinity,
  });
  const change = (more: Partial<Draft>) => kept.keep({ ...draft, ...more });
  const fields = sorts.data?.find((s) => s.sort === draft.sort)?.fields ?? [];
  const body = {
    sku: draft.sku,
    name: draft.name,
    text: draft.text,
    sort: draft.sort,
    facts: [
      ...fields.map((f) => ({ ...f, text: draft.facts[f.fact] ?? '' })),
      ...draft.own.map((o) => ({ fact: '', label: o.label, text: o.text })),
    ].filter((f) => f.text.trim() && f.label.trim()),
  };
  const look = useMutation({
    mutationFn: () => take(api.POST('/api/hand/look', { body })),
    onSuccess: setFound,
    onError: notice.trouble,
  });
  const add = useMutation({
    mutationFn: () => take(api.POST('/api/hand', { body })),
    onSuccess: ({ id }) => {
      kept.drop();
      queries.invalidateQueries({ queryKey: ['products'] });
      queries.invalidateQueries({ queryKey: ['waiting'] });
      notice.say(`${draft.name} is there.`);
      navigate(`/products/${id}`);
    },
    onError: notice.trouble,
  });
  const isNamed = draft.sku.trim() !== '' && draft.name.trim() !== '';
  if (!mayWrite) {
    return <Typography>Writers, editors and the owner enter products.</Typography>;
  }
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { md: '1fr 1fr' }, gap: 5, maxWidth: 1200 }}>
      <Box>
        <Typography variant="h1">A product by hand</Typography>
        <Sentence>
          It is{' '}
          <Word
            label="Sort of product"
            value={draft.sort}
            choices={SORTS}
            onChange={(sort) => change({ sort })}
          />
          .
        </Sentence>
        <Line label="SKU" value={draft.sku} onChange={(sku) => change({ sku })} />
        <Line label="Name" value={draft.name} onChange={(name) => change({ name })} />
        {fields.map((f) => (
          <Line
            key={f.fact}
            label={f.label}
            value={draft.facts[f.fact] ?? ''}
            onChange={(text) => change({ facts: { ...draft.facts, [f.fact]: text } })}
          />
        ))}
        {draft.own.map((o, i) => (
          <Box key={i} sx={{ display: 'flex', gap: 1 }}>
            {(['label', 'text'] as const).map((part) => (
              <Line
                key={part}
                label={part === 'label' ? 'Another fact' : 'says'}
                value={o[part]}
                onChange={(v) =>
                  change({ own: draft.own.map((x, k) => (k === i ? { ...x, [part]: v } : x)) })
                }
              />
            ))}
          </Box>
        ))}
        <Button
          size="small"
          sx={{ ml: -1.5 }}
          onClick={() => change({ own: [...draft.own, { label: '', text: '' }] })}
        >
          Another fact of its own
        </Button>
        <Box sx={{ mt: 2 }}>
          <Button
            variant="contained"
            disabled={!isNamed || add.isPending}
            onClick={() => add.mutate()}
          >
            Add the product
          </Button>
        </Box>
      </Box>
      <Box>
        <Typography variant="h2">Or from a text</Typography>
        <Typography sx={{ color: 'text.secondary', mb: 1 }}>
          Paste an old description, a document or a web page’s source. It is read for facts and kept
          as the base of a rewrite; nothing in it is run or fetched.
        </Typography>
        <Box
          component="textarea"
          aria-label="Text to read"
          rows={10}
          value={draft.text}
          onChange={(e: React.ChangeEvent<HTMLTextAreaElement>) => {
            change({ text: e.target.value });
            setFound(null);
          }}
          sx={{
            width: '100%',
            boxSizing: 'border-box',
            font: 'inherit',
            color: 'inherit',
            bgcolor: 'background.paper',
            border: 1,
            borderColor: 'divider',
            p: 1.5,
          }}
        />
        <Button
          variant="outlined"
          disabled={!isNamed || draft.text.trim() === '' || look.isPending}
          onClick={() => look.mutate()}
        >
          See what it says
        </Button>
        {!isNamed && draft.text.trim() !== '' && (
          <Box sx={{ color: 'text.secondary', mt: 0.5 }}>SKU and name come first.</Box>
        )}
        {found && (
          <Box data-testid="found" sx={{ mt: 2 }}>
            <Typography variant="h3">
              {found.facts.length === 0 ? 'No fact was found in it' : 'Facts found in it'}
            </Typography>
            {found.facts.map((f, i) => (
              <Box key={i} sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}>
                {f.label}: <strong>{f.value}</strong>
                <Box sx={{ color: 'text.secondary', fontSize: 12.5 }}>
                  <q>{f.raw}</q>
                </Box>
              </Box>
            ))}
            {found.disputed.map((d) => (
              <Box key={d} sx={{ color: 'warning.main' }}>
                {d}: the text contradicts itself; you will be asked which is right.
              </Box>
            ))}
            {found.pictures.length > 0 && (
              <Box sx={{ color: 'text.secondary', mt: 1, overflowWrap: 'anywhere' }}>
                Pictures in it: {found.pictures.join(', ')}
              </Box>
            )}
          </Box>
        )}
      </Box>
    </Box>
  );
}

function Line(props: { label: string; value: string; onChange: (value: string) => void }) {
  return (
    <Box
      component="label"
      sx={{
        display: 'grid',
        gridTemplateColumns: '130px minmax(0, 1fr)',
        gap: 1,
        alignItems: 'baseline',
        py: '3px',
        flex: 1,
      }}
    >
      <Box component="span" sx={{ color: 'text.secondary' }}>
        {props.label}
      </Box>
      <Box
        component="input"
        value={props.value}
        onChange={(e: React.ChangeEvent<HTMLInputElement>) => props.onChange(e.target.value)}
        sx={{
          font: 'inherit',
          color: 'inherit',
          bgcolor: 'transparent',
          border: 0,
          borderBottom: 1,
          borderColor: 'divider',
          minWidth: 0,
        }}
      />
    </Box>
  );
}
