import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { api, take, type Schema } from '../api/client';
import { Lines } from '../frame/Lines';
import { useNotice } from '../frame/Notice';
import { TypedWord } from '../frame/Sentence';
import { SureButton } from '../frame/SureButton';
import { useMay } from '../frame/session';
import { Lengths } from '../style/Lengths';
import { linesFrom } from '../style/words';
import { Outline } from './Outline';
import { Questions } from './Questions';
import { Problems, SlotText } from './SlotText';
import { Tried } from './Tried';

type Body = Schema['TemplateBody'];

/** Fields that a template can set in words of its own. */
const FIELDS = [
  ['title', 'Title'],
  ['short_description', 'Short description'],
  ['meta_title', 'Meta title'],
  ['meta_description', 'Meta description'],
  ['image_alt', 'Picture’s alternative text'],
] as const;

/** A template while it is worked on, with its effect on a product beside it. */
export function TemplateForm(props: {
  head: ReactNode;
  /** 0 for one that is not kept yet. */
  id: number;
  version: number;
  name: string;
  template: Body;
  /** What it allows that the house doesn’t, while no editor has approved that. */
  unapproved: string[];
  onKept: (id: number) => void;
  onGone: () => void;
}) {
  const queries = useQueryClient();
  const notice = useNotice();
  const mayWrite = useMay('WRITER');
  const mayDecide = useMay('EDITOR');
  const [name, setName] = useState(props.name);
  const [body, setBody] = useState(props.template);
  const [search, setSearch] = useState('');
  const set = (change: Partial<Body>) => setBody((now) => ({ ...now, ...change }));
  const isChanged =
    props.id === 0 ||
    name !== props.name ||
    JSON.stringify(body) !== JSON.stringify(props.template);
  const found = useQuery({
    queryKey: ['products', 'to try on', search],
    queryFn: () =>
      take(
        api.GET('/api/products', {
          params: {
            query: { search, state: 'ALL', intake: 0, range: 0, order: 'SHEET', limit: 1 },
          },
        }),
      ),
    placeholderData: keepPreviousData,
  });
  const product = found.data?.items[0];
  const slots = useQuery({
    queryKey: ['slots', product?.id],
    queryFn: () =>
      take(api.GET('/api/templates/slots', { params: { query: { product: product?.id ?? 0 } } })),
    placeholderData: keepPreviousData,
  });
  const usual = useQuery({
    queryKey: ['style', 'now'],
    queryFn: () => take(api.GET('/api/style')),
  });
  const trial = useQuery({
    queryKey: ['templates', 'try', props.id, props.version, product?.id, body],
    queryFn: () =>
      take(
        api.POST('/api/templates/try', {
          body: {
            id: props.id,
            version: props.version,
            product: product?.id ?? 0,
            template: body,
          },
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const problems = trial.data?.problems ?? [];
  const at = (where: string) => problems.filter((p) => p.where === where);
  const keep = useMutation({
    mutationFn: () => {
      const order = { seen: props.version, name, template: body };
      return take(
        props.id === 0
          ? api.POST('/api/templates', { body: order })
          : api.PUT('/api/templates/{id}', { params: { path: { id: props.id } }, body: order }),
      );
    },
    onSuccess: (kept) => {
      notice.say(`“${kept.name}” is kept as version ${kept.version}.`);
      queries.invalidateQueries({ queryKey: ['templates'] });
      props.onKept(kept.id);
    },
    onError: notice.trouble,
  });
  const approve = useMutation({
    mutationFn: () =>
      take(
        api.POST('/api/templates/{id}/approve', {
          params: { path: { id: props.id } },
          body: { seen: props.version },
        }),
      ),
    onSuccess: (t) => {
      notice.say(`“${t.name}” may decide otherwise than the house now.`);
      queries.invalidateQueries({ queryKey: ['templates'] });
    },
    onError: notice.trouble,
  });
  const remove = useMutation({
    mutationFn: () =>
      take(api.DELETE('/api/templates/{id}', { params: { path: { id: props.id } } })),
    onSuccess: () => {
      notice.say(`“${props.name}” is gone. Texts that were written after it stay.`);
      props.onGone();
      queries.invalidateQueries({ queryKey: ['templates'] });
    },
    onError: notice.trouble,
  });
  const names = slots.data ?? [];
  return (
    <Box
      sx={{ display: 'grid', gridTemplateColumns: { md: 'minmax(0, 6fr) minmax(0, 5fr)' }, gap: 4 }}
    >
      <Box data-testid="template">
        {props.head}
        {props.unapproved.length > 0 && (
          <Box role="status" sx={{ borderLeft: 3, borderColor: 'warning.main', pl: 1.5, my: 1 }}>
            It asks for {props.unapproved.join(', ')}, which the house doesn’t allow. Until an
            editor approves it, texts built after it obey the house.
            {mayDecide && (
              <Button size="small" disabled={approve.isPending} onClick={() => approve.mutate()}>
                Approve it
              </Button>
            )}
          </Box>
        )}
        <Box sx={{ fontSize: 15 }}>
          It is called{' '}
          <TypedWord
            label="Name of the template"
            value={name}
            otherwise="a name"
            onSettled={setName}
          />{' '}
          and is for this:{' '}
          <TypedWord
            label="What it is for"
            value={body.about}
            otherwise="say what it is for"
            onSettled={(about) => set({ about })}
          />
        </Box>
        {mayWrite && (
          <Box sx={{ display: 'flex', gap: 1, my: 1.5 }}>
            <Button
              variant="contained"
              disabled={!isChanged || !name.trim() || problems.length > 0 || keep.isPending}
              onClick={() => keep.mutate()}
            >
              {props.id === 0 ? 'Keep it' : 'Keep as a new version'}
            </Button>
            {props.id !== 0 && isChanged && (
              <Button onClick={() => setBody(props.template)}>As it was</Button>
            )}
            {props.id !== 0 && mayDecide && (
              <SureButton sure="Really: with all its versions" onSure={() => remove.mutate()}>
                Do away with it
              </SureButton>
            )}
          </Box>
        )}
        <Outline
          outline={body.outline}
          slots={names}
          problems={problems}
          onChange={(outline) => set({ outline })}
        />
        <Typography variant="h3" sx={{ mt: 3 }}>
          Other fields in the house’s own words
        </Typography>
        <Box sx={{ color: 'text.secondary', fontSize: 13 }}>
          What is left empty, or has a slot that a product can’t fill, is composed.
        </Box>
        {FIELDS.map(([code, label]) => (
          <Box
            key={code}
            sx={{ display: 'grid', gridTemplateColumns: '150px 1fr', gap: 1, mt: 0.75 }}
          >
            <Box sx={{ pt: 0.5 }}>{label}</Box>
            <SlotText
              label={label}
              value={body.fields[code] ?? ''}
              placeholder="composed"
              slots={names}
              problems={at(`fields.${code}`)}
              onChange={(words) => set({ fields: { ...body.fields, [code]: words } })}
            />
          </Box>
        ))}
        <Questions
          questions={body.questions}
          slots={names}
          problems={problems}
          onChange={(questions) => set({ questions })}
        />
        <Lengths
          usual={usual.data?.usual ?? []}
          lengths={body.style.lengths}
          problems={problems
            .filter((p) => p.where.startsWith('style.lengths'))
            .map((p) => ({ where: p.where, words: '', why: p.why }))}
          onChange={(lengths) => set({ style: { ...body.style, lengths } })}
        />
        <Box sx={{ mt: 3 }}>
          <Lines
            label="Instructions for a text model, a line each"
            rows={2}
            value={body.instructions.join('\n')}
            onChange={(typed) => set({ instructions: typed.split('\n') })}
            onLeave={() => set({ instructions: linesFrom(body.instructions.join('\n')) })}
          />
        </Box>
        <Typography variant="h3" sx={{ mt: 2 }}>
          Prompt for a text model
        </Typography>
        <SlotText
          label="Prompt"
          rows={4}
          value={body.prompt}
          placeholder="The usual one. It is shown whole on the right, as it would be sent."
          slots={names}
          problems={at('prompt')}
          onChange={(prompt) => set({ prompt })}
        />
        <Problems
          problems={problems.filter((p) => p.where === 'outline' || p.where === 'questions')}
        />
      </Box>
      <Tried
        trial={trial.data}
        template={body}
        isBusy={trial.isFetching}
        product={product}
        search={search}
        isKept={props.id !== 0}
        onSearch={setSearch}
      />
    </Box>
  );
}
