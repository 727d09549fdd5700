import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, take, type Schema } from '../api/client';
import { capital, count } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Sentence, Word as Choice } from '../frame/Sentence';
import { money, useConnections } from '../model/connections';
import { ANY, which } from '../product/filter';
import { extent } from '../run/extent';
import { RHETOR } from '../run/author';
import {
  counts,
  kindsOf,
  nameOf,
  originsOf,
  seenIn,
  skuOf,
  wanted,
  type From,
  type ProposedProduct,
  type Said,
  type Word,
} from './proposals';

const EVERY = 'every kind';
const READS_ON = 3_000;

/** Products of which there is nothing but pictures: what those say, confirmed singly or for all alike. */
export function FromPictures(props: { mayWrite: boolean; onDone: (said: string) => void }) {
  const { mayWrite, onDone } = props;
  const queries = useQueryClient();
  const notice = useNotice();
  const navigate = useNavigate();
  const [after, setAfter] = useState(0);
  const [kind, setKind] = useState(EVERY);
  const [then, setThen] = useState('write');
  const [word, setWord] = useState<Word>({ origins: [], pictures: {} });
  const connections = useConnections();
  const page = useQuery({
    queryKey: ['pictures', 'proposals', after],
    queryFn: () => take(api.GET('/api/pictures/proposals', { params: { query: { after } } })),
    refetchInterval: (q) => (q.state.data?.unread ? READS_ON : false),
  });
  const all = page.data?.pictures ?? [];
  const shown = kind === EVERY ? all : all.filter((p) => p.kind === kind);
  const say = (picture: number, said: Said) =>
    setWord((w) => ({
      ...w,
      pictures: {
        ...w.pictures,
        [picture]: {
          ...w.pictures[picture],
          ...said,
          facts: { ...w.pictures[picture]?.facts, ...said.facts },
        },
      },
    }));
  const toggle = (from: From) =>
    setWord((w) => ({
      ...w,
      origins: w.origins.includes(from)
        ? w.origins.filter((o) => o !== from)
        : [...w.origins, from],
    }));
  const make = useMutation({
    mutationFn: async (of: ProposedProduct[]) => {
      const made = await take(
        api.POST('/api/pictures/products', { body: { products: wanted(word, of) } }),
      );
      const run =
        then === 'write' && made.products.length > 0 ? await written(made.products) : undefined;
      return { made, run };
    },
    onSuccess: ({ made, run }) => {
      made.troubled.forEach((t) => notice.trouble(new Error(t.trouble)));
      if (made.products.length > 0) onDone(whatWasMade(made));
      if (run) {
        queries.invalidateQueries({ queryKey: ['waiting'] });
        navigate(`/runs/${run}`);
      }
    },
    onError: notice.trouble,
  });
  const remove = async (p: ProposedProduct) => {
    try {
      await take(api.DELETE('/api/pictures/{id}', { params: { path: { id: p.picture } } }));
      onDone('Removed.');
    } catch (e) {
      notice.trouble(e);
    }
  };
  const ready = wanted(word, shown).length;
  const seeing = (connections.data ?? []).filter((c) => c.takesPictures);
  const about = { connection: seeing[0]?.id ?? 0, pictures: shown.map((p) => p.picture) };
  const asking = useQuery({
    queryKey: ['pictures', 'asking', about],
    queryFn: () => take(api.POST('/api/pictures/asking', { body: about })),
    enabled: mayWrite && seeing.length > 0 && shown.length > 0,
  });
  const ask = useMutation({
    mutationFn: () => take(api.POST('/api/pictures/ask', { body: about })),
    onSuccess: (told) =>
      onDone(`${seeing[0]!.name} said something of ${count(told.pictures, 'picture')}.`),
    onError: notice.trouble,
    onSettled: () => queries.invalidateQueries({ queryKey: ['pictures'] }),
  });
  return (
    <Box>
      {page.error && <Typography role="alert">{page.error.message}</Typography>}
      {page.isPending && <LinearProgress aria-label="Loading what pictures say" />}
      {(page.data?.unread ?? 0) > 0 && (
        <Box role="status" sx={{ color: 'text.secondary' }}>
          The print of {count(page.data!.unread, 'picture')} is being read, about one a second.
        </Box>
      )}
      {all.length > 0 && (
        <Sentence>
          They may be products of their own. Of{' '}
          <Choice
            label="Which kinds"
            value={kind}
            choices={[
              { value: EVERY, label: `all ${all.length} here` },
              ...kindsOf(all).map((k) => ({
                value: k.kind,
                label: k.kind
                  ? `${k.of} that may be ${k.kind}`
                  : `${k.of} of which nothing says what they are`,
              })),
            ]}
            onChange={setKind}
          />
          , so much counts as fact:
        </Sentence>
      )}
      {all.length > 0 && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 3, alignItems: 'center', mb: 1 }}>
          {originsOf(shown).map((o) => (
            <Box component="label" key={o.from}>
              <input
                type="checkbox"
                disabled={!mayWrite}
                checked={word.origins.includes(o.from)}
                onChange={() => toggle(o.from)}
              />{' '}
              {o.together} ({o.of})
            </Box>
          ))}
          {mayWrite && (
            <Box sx={{ ml: 'auto', display: 'flex', gap: 1.5, alignItems: 'center' }}>
              <Button
                variant="contained"
                disabled={ready === 0 || make.isPending}
                onClick={() => make.mutate(shown)}
              >
                Make {count(ready, 'product')}
              </Button>
              <Choice
                label="What comes then"
                value={then}
                choices={[
                  { value: 'write', label: 'and have them written' },
                  { value: 'leave', label: 'and write them later' },
                ]}
                onChange={setThen}
              />
            </Box>
          )}
        </Box>
      )}
      {(asking.data?.pictures ?? 0) > 0 && (
        <Box sx={{ mb: 1 }}>
          <Button disabled={ask.isPending} onClick={() => ask.mutate()} sx={{ ml: -1 }}>
            Ask {seeing[0]!.name} what they show
          </Button>
          <Box component="span" sx={{ color: 'text.secondary', fontSize: 12.5 }}>
            {ask.isPending
              ? 'It is being asked, a picture at a time.'
              : `${count(asking.data!.pictures, 'picture')}, about ${money(asking.data!.cost)}. What it says is proposed, and counts for nothing before you say so.`}
          </Box>
        </Box>
      )}
      {shown.map((p) => (
        <Row
          key={p.picture}
          product={p}
          word={word}
          mayWrite={mayWrite}
          isBusy={make.isPending}
          onSaid={(said) => say(p.picture, said)}
          onMake={() => make.mutate([p])}
          onRemove={() => remove(p)}
        />
      ))}
      <Box sx={{ mt: 2, display: 'flex', gap: 1 }}>
        {after > 0 && <Button onClick={() => setAfter(0)}>From the start</Button>}
        {(page.data?.next ?? 0) > 0 && (
          <Button onClick={() => setAfter(page.data!.next)}>The next ones</Button>
        )}
      </Box>
    </Box>
  );
}

function whatWasMade(made: Schema['MadeOfPictures']): string {
  const known = made.products.length - made.fresh;
  return (
    `${count(made.fresh, 'product')} made` +
    (known > 0
      ? `; ${count(known, 'product')} that ${known === 1 ? 'was' : 'were'} here got a picture.`
      : '.')
  );
}

/** Has products written as the house has it; the run's number. */
async function written(products: number[]): Promise<number> {
  const body = {
    ...which(ANY, products),
    leaveSignedOff: true,
    seed: 1,
    voice: '',
    template: 0,
    author: RHETOR,
    tries: 0,
    ...extent('', '', ''),
  };
  return (await take(api.POST('/api/runs', { body }))).id;
}

function Row(props: {
  product: ProposedProduct;
  word: Word;
  mayWrite: boolean;
  isBusy: boolean;
  onSaid: (said: Said) => void;
  onMake: () => void;
  onRemove: () => void;
}) {
  const { product: p, word, mayWrite } = props;
  const typed = {
    font: 'inherit',
    color: 'inherit',
    bgcolor: 'transparent',
    border: 0,
    borderBottom: 1,
    borderColor: 'success.main',
  } as const;
  const said = word.pictures[p.picture];
  return (
    <Box
      data-testid="proposed"
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '96px 1fr', sm: '132px 1fr' },
        gap: 2,
        borderTop: 1,
        borderColor: 'divider',
        py: 1.5,
      }}
    >
      <Box
        component="img"
        src={`/api/pictures/${p.picture}/small`}
        alt={p.fileName}
        loading="lazy"
        sx={{ width: '100%', height: 120, objectFit: 'contain', bgcolor: '#fff' }}
      />
      <Box>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'baseline' }}>
          <Box
            component="input"
            aria-label={`Name for ${p.fileName}`}
            placeholder="what is it called?"
            disabled={!mayWrite}
            value={said?.name ?? p.name}
            onChange={(e: React.ChangeEvent<HTMLInputElement>) =>
              props.onSaid({ name: e.target.value })
            }
            sx={{ ...typed, fontWeight: 600, width: 260 }}
          />
          <Box
            component="input"
            aria-label={`SKU for ${p.fileName}`}
            placeholder="SKU"
            disabled={!mayWrite}
            value={said?.sku ?? p.sku}
            onChange={(e: React.ChangeEvent<HTMLInputElement>) =>
              props.onSaid({ sku: e.target.value })
            }
            sx={{ ...typed, width: 130 }}
          />
          <Box sx={{ color: 'text.secondary', fontSize: 12.5, overflowWrap: 'anywhere' }}>
            {p.fileName}
            {!p.isRead && '; its print is not read yet'}
          </Box>
          {mayWrite && (
            <Box sx={{ ml: 'auto' }}>
              <Button
                size="small"
                color="success"
                disabled={props.isBusy || !skuOf(word, p) || !nameOf(word, p)}
                onClick={props.onMake}
              >
                Make it a product
              </Button>
              <Button size="small" sx={{ color: 'text.secondary' }} onClick={props.onRemove}>
                Remove
              </Button>
            </Box>
          )}
        </Box>
        <Box sx={{ mt: 0.5 }}>
          {p.facts.map((f) => (
            <Box component="label" key={f.fact} sx={{ display: 'block' }}>
              <input
                type="checkbox"
                disabled={!mayWrite}
                checked={counts(word, p.picture, f)}
                onChange={(e) => props.onSaid({ facts: { [f.fact]: e.target.checked } })}
              />{' '}
              {capital(f.label)}: {f.text}{' '}
              <Box component="span" sx={{ color: 'text.secondary', fontSize: 12.5 }}>
                {seenIn(f)}
              </Box>
            </Box>
          ))}
          {p.facts.length === 0 && (
            <Box sx={{ color: 'text.secondary' }}>Nothing in it says what it is.</Box>
          )}
        </Box>
      </Box>
    </Box>
  );
}
