import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { api, take, type Schema } from '../api/client';
import { useNotice } from '../frame/Notice';
import { Sentence, TypedWord, Word } from '../frame/Sentence';
import { useMay } from '../frame/session';
import { useVoices } from '../proof/voices';
import { Effect } from './Effect';
import { Lengths } from './Lengths';
import { Origins } from './Origins';
import { StructureWords, USUAL_STRUCTURE } from './StructureWords';
import { TitleWords, USUAL_TITLES } from './TitleWords';
import { Versions } from '../frame/Versions';
import { WordList } from './WordList';
import { bannedFrom, bannedLines, linesFrom } from './words';

type View = Schema['LayerView'];
type Layer = View['layer'];

/** A part of the house that decides otherwise than the layers under it. */
export interface Owner {
  kind: 'range' | 'channel' | 'language';
  /** Id of a range or channel, name of a language. */
  owner: string;
  /** What it is called. */
  name: string;
}

/** What a part of the house decides otherwise, with its effect on products that it concerns. */
export function LayerForm(props: {
  of: Owner;
  /** What stands under its name. */
  about: ReactNode;
  /** What can be done besides keeping it. */
  actions?: ReactNode;
}) {
  const { kind, owner } = props.of;
  const view = useQuery({
    queryKey: ['layers', kind, owner],
    queryFn: () =>
      take(api.GET('/api/layers/{kind}/{owner}', { params: { path: { kind, owner } } })),
  });
  if (!view.data) return <LinearProgress aria-label="Opening its style" />;
  return <Form key={`${owner} ${view.data.version}`} view={view.data} {...props} />;
}

/** A setting that is the house's unless decided here. */
const choicesWith = (house: string, labels: Record<string, string>) => [
  { value: '', label: house },
  ...Object.entries(labels).map(([value, label]) => ({ value, label })),
];

function Form(props: { view: View; of: Owner; about: ReactNode; actions?: ReactNode }) {
  const { view, of } = props;
  const queries = useQueryClient();
  const notice = useNotice();
  const mayDecide = useMay('EDITOR');
  const voices = useVoices();
  const usual = useQuery({
    queryKey: ['style', 'now'],
    queryFn: () => take(api.GET('/api/style')),
  });
  const [layer, setLayer] = useState<Layer>(view.layer);
  const set = (change: Partial<Layer>) => setLayer((now) => ({ ...now, ...change }));
  const isChanged = JSON.stringify(layer) !== JSON.stringify(view.layer);
  const params = { path: { kind: of.kind, owner: of.owner } };
  const trial = useQuery({
    queryKey: ['layers', of.kind, of.owner, 'try', layer],
    queryFn: () => take(api.POST('/api/layers/{kind}/{owner}/try', { params, body: layer })),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const versions = useQuery({
    queryKey: ['layers', of.kind, of.owner, 'versions'],
    queryFn: () => take(api.GET('/api/layers/{kind}/{owner}/versions', { params })),
  });
  const look = useMutation({
    mutationFn: (version: number) =>
      take(
        api.GET('/api/layers/{kind}/{owner}/versions/{version}', {
          params: { path: { ...params.path, version } },
        }),
      ),
    onSuccess: setLayer,
    onError: notice.trouble,
  });
  const problems = trial.data?.problems ?? [];
  const at = (where: string) => problems.filter((p) => p.where.startsWith(where));
  const keep = useMutation({
    mutationFn: () =>
      take(api.PUT('/api/layers/{kind}/{owner}', { params, body: { seen: view.version, layer } })),
    onSuccess: () => {
      notice.say(`${of.name}: it is written so from now on.`);
      for (const key of ['layers', 'audit', 'proof', 'products']) {
        queries.invalidateQueries({ queryKey: [key] });
      }
    },
    onError: notice.trouble,
  });
  const house = usual.data?.style;
  const list = (
    label: string,
    help: string,
    key: 'required' | 'supporting' | 'notInTitles' | 'special' | 'always',
  ) => (
    <WordList
      rows={2}
      label={label}
      help={help}
      value={(layer[key] ?? []).join('\n')}
      problems={at(key)}
      onSettled={(typed) => set({ [key]: linesFrom(typed) })}
    />
  );
  return (
    <Box
      data-testid="layer"
      sx={{
        mt: 3,
        display: 'grid',
        gridTemplateColumns: { md: 'minmax(0, 6fr) minmax(0, 5fr)' },
        gap: 4,
      }}
    >
      <Box>
        <Typography variant="h2">{of.name}: otherwise than the house</Typography>
        <Box sx={{ color: 'text.secondary', fontSize: 13.5 }}>{props.about}</Box>
        <Sentence>
          Its texts speak in{' '}
          <Word
            label={`Voice of ${of.name}`}
            value={layer.voice}
            choices={choicesWith(
              `the house’s voice (${house?.voice ?? ''})`,
              Object.fromEntries(voices.choices.map((c) => [c.value, `the ${c.label} voice`])),
            )}
            onChange={(voice) => set({ voice })}
          />
          {of.kind === 'range' && (
            <>
              , spell{' '}
              <Word
                label={`Spelling of ${of.name}`}
                value={layer.spelling ?? ''}
                choices={choicesWith('as the house does', {
                  BRITISH: 'British',
                  AMERICAN: 'American',
                })}
                onChange={(s) => set({ spelling: (s || undefined) as Layer['spelling'] })}
              />
            </>
          )}{' '}
          and are for{' '}
          <TypedWord
            label={`Audience of ${of.name}`}
            value={layer.audience}
            otherwise={house?.audience || 'all'}
            onSettled={(audience) => set({ audience })}
          />{' '}
          readers.{' '}
          {layer.titles ? (
            <TitleWords form={layer.titles} onChange={(titles) => set({ titles })} />
          ) : (
            <>
              Titles are set{' '}
              <Word
                label={`Titles of ${of.name}`}
                value=""
                choices={choicesWith('as the house does', { own: 'in a way of their own' })}
                onChange={() => set({ titles: house?.titles ?? USUAL_TITLES })}
              />
              .
            </>
          )}{' '}
          {layer.structure ? (
            <StructureWords
              structure={layer.structure}
              withHeadings={of.kind === 'channel'}
              onChange={(structure) => set({ structure })}
            />
          ) : (
            <>
              Descriptions are set out{' '}
              <Word
                label={`Structure of ${of.name}`}
                value=""
                choices={choicesWith('as the house does', { own: 'in a way of their own' })}
                onChange={() => set({ structure: house?.structure ?? USUAL_STRUCTURE })}
              />
              .
            </>
          )}
        </Sentence>
        {mayDecide && (
          <Box sx={{ display: 'flex', gap: 1, my: 1.5 }}>
            <Button
              variant="contained"
              disabled={!isChanged || problems.length > 0 || keep.isPending}
              onClick={() => keep.mutate()}
            >
              Keep it for {of.name}
            </Button>
            {isChanged && <Button onClick={() => setLayer(view.layer)}>As it was</Button>}
            {props.actions}
          </Box>
        )}
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 2, mt: 2 }}>
          <WordList
            rows={2}
            label="Words it doesn’t say besides"
            help="A line each: rugged → strong"
            value={bannedLines(layer.banned)}
            problems={at('banned')}
            onSettled={(typed) => set({ banned: bannedFrom(typed) })}
          />
          {list('Words its titles never have', 'A line each.', 'notInTitles')}
          {list('Words its descriptions have', 'A line each, in any form.', 'required')}
          {list('Supporting keywords', 'A line each.', 'supporting')}
          {list('What is special about it', 'A sentence a line: each text has one.', 'special')}
          {list('What its descriptions end with', 'A sentence a line.', 'always')}
        </Box>
        <Lengths
          usual={usual.data?.usual ?? []}
          lengths={layer.lengths}
          problems={at('lengths')}
          onChange={(lengths) => set({ lengths })}
        />
        <Typography variant="h3" sx={{ mt: 3 }}>
          What holds for it now
        </Typography>
        <Origins settings={view.settings} />
        <Versions versions={versions.data} now={view.version} onLook={look.mutate} />
      </Box>
      <Effect
        isChanged={isChanged}
        isBusy={trial.isFetching}
        problems={problems.length}
        examples={trial.data?.examples ?? []}
      />
    </Box>
  );
}
