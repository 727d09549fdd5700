import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, take, type Schema } from '../api/client';
import { count } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Sentence, TypedWord, Word } from '../frame/Sentence';
import { SureButton } from '../frame/SureButton';
import { useMay } from '../frame/session';
import { useVoices } from '../proof/voices';
import { Effect } from '../style/Effect';
import { Lengths } from '../style/Lengths';
import { Origins } from '../style/Origins';
import { TitleWords, USUAL_TITLES } from '../style/TitleWords';
import { WordList } from '../style/WordList';
import { bannedFrom, bannedLines, linesFrom } from '../style/words';

type Range = Schema['Range'];
type View = Schema['RangeStyleView'];
type Layer = View['layer'];

/** What a range decides otherwise than the house, with its effect on products of the range. */
export function RangeStyle(props: { range: Range; onGone: () => void }) {
  const id = props.range.id;
  const style = useQuery({
    queryKey: ['ranges', id, 'style'],
    queryFn: () => take(api.GET('/api/ranges/{id}/style', { params: { path: { id } } })),
  });
  if (!style.data) return <LinearProgress aria-label="Opening the range’s style" />;
  return <LayerForm key={style.data.version} view={style.data} {...props} />;
}

/** A setting that is the house's unless the range has one. */
const choicesWith = (house: string, labels: Record<string, string>) => [
  { value: '', label: house },
  ...Object.entries(labels).map(([value, label]) => ({ value, label })),
];

function LayerForm({ view, range, onGone }: { view: View; range: Range; onGone: () => void }) {
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
  const params = { path: { id: range.id } };
  const trial = useQuery({
    queryKey: ['ranges', range.id, 'try', layer],
    queryFn: () => take(api.POST('/api/ranges/{id}/style/try', { params, body: layer })),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const problems = trial.data?.problems ?? [];
  const at = (where: string) => problems.filter((p) => p.where.startsWith(where));
  const keep = useMutation({
    mutationFn: () =>
      take(api.PUT('/api/ranges/{id}/style', { params, body: { seen: view.version, layer } })),
    onSuccess: () => {
      notice.say('The range is written so from now on. Its texts are being held to it.');
      for (const key of ['ranges', 'audit', 'proof']) {
        queries.invalidateQueries({ queryKey: [key] });
      }
    },
    onError: notice.trouble,
  });
  const remove = useMutation({
    mutationFn: () => take(api.DELETE('/api/ranges/{id}', { params })),
    onSuccess: () => {
      notice.say(`The range “${range.name}” is gone; its products are under the house’s style.`);
      onGone();
      for (const key of ['ranges', 'angles', 'products', 'audit']) {
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
      label={label}
      help={help}
      value={(layer[key] ?? []).join('\n')}
      problems={at(key)}
      onSettled={(typed) => set({ [key]: linesFrom(typed) })}
    />
  );
  return (
    <Box sx={{ mt: 4 }} data-testid="range-style">
      <Typography variant="h2">{range.name}: otherwise than the house</Typography>
      <Box sx={{ color: 'text.secondary', fontSize: 13.5 }}>
        <Link to={`/products?range=${range.id}`}>Its products</Link>. What is not decided here is as
        the house has it.
      </Box>
      <Sentence>
        Its texts speak in{' '}
        <Word
          label="Voice of the range"
          value={layer.voice}
          choices={choicesWith(
            `the house’s voice (${house?.voice ?? ''})`,
            Object.fromEntries(voices.choices.map((c) => [c.value, `the ${c.label} voice`])),
          )}
          onChange={(voice) => set({ voice })}
        />
        , spell{' '}
        <Word
          label="Spelling of the range"
          value={layer.spelling ?? ''}
          choices={choicesWith('as the house does', { BRITISH: 'British', AMERICAN: 'American' })}
          onChange={(s) => set({ spelling: (s || undefined) as Layer['spelling'] })}
        />{' '}
        and are for{' '}
        <TypedWord
          label="Audience of the range"
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
              label="Titles of the range"
              value=""
              choices={choicesWith('as the house does', { own: 'in a way of their own' })}
              onChange={() => set({ titles: house?.titles ?? USUAL_TITLES })}
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
            Keep it for the range
          </Button>
          {isChanged && <Button onClick={() => setLayer(view.layer)}>As it was</Button>}
          <SureButton
            sure={`Really: its ${count(range.products, 'product')} stay, its style goes`}
            onSure={() => remove.mutate()}
          >
            Do away with the range
          </SureButton>
        </Box>
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 2, mt: 2 }}>
        <WordList
          label="Words it doesn’t say besides"
          help="A line each: rugged → strong"
          value={bannedLines(layer.banned)}
          problems={at('banned')}
          onSettled={(typed) => set({ banned: bannedFrom(typed) })}
        />
        {list('Words its titles never have', 'A line each.', 'notInTitles')}
        {list('Words its descriptions have', 'A line each, in any form.', 'required')}
        {list('Supporting keywords', 'A line each: for all of the range.', 'supporting')}
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
      <Box sx={{ mt: 3 }}>
        <Effect
          isChanged={isChanged}
          isBusy={trial.isFetching}
          problems={problems.length}
          examples={trial.data?.examples ?? []}
        />
      </Box>
    </Box>
  );
}
