import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { useDraft } from '../frame/drafts';
import { useNotice } from '../frame/Notice';
import { Sentence, TypedWord, Word } from '../frame/Sentence';
import { useMay } from '../frame/session';
import { article, useVoices } from '../proof/voices';
import { Effect } from './Effect';
import { ByExample } from './ByExample';
import { Habits } from './Habits';
import { Lengths } from './Lengths';
import { PlainWords } from './PlainWords';
import { Weights } from './Weights';
import { StructureWords } from './StructureWords';
import { TitleWords } from './TitleWords';
import { Versions } from '../frame/Versions';
import { WordList } from './WordList';
import { bannedFrom, bannedLines, linesFrom } from './words';

type View = Schema['StyleView'];
type Body = Schema['StyleBody'];
type Tuning = Body['tuning'];

/** What the house decides once and every text obeys, with its effect on real products beside it. */
export function StylePage() {
  const style = useQuery({
    queryKey: ['style', 'now'],
    queryFn: () => take(api.GET('/api/style')),
  });
  if (!style.data) return <LinearProgress aria-label="Opening the style" />;
  return <StyleForm key={style.data.version} view={style.data} />;
}

const DIALS = {
  formality: ['very casual', 'rather casual', 'as formal as the voice', 'rather formal', 'formal'],
  warmth: ['matter-of-fact', 'rather cool', 'as warm as the voice', 'rather warm', 'warm'],
  energy: ['calm', 'rather calm', 'as brisk as the voice', 'rather brisk', 'brisk'],
} as const;

const PERSONS = {
  AS_THE_VOICE: 'addressing the reader as the voice does',
  YOU: 'addressing the reader',
  NOBODY: 'addressing nobody',
} as const;

const CONTRACTIONS = {
  AS_THE_VOICE: 'contracting verbs as the voice does',
  ALWAYS: 'contracting verbs',
  NEVER: 'writing verbs out',
} as const;

const choices = (labels: Record<string, string>) =>
  Object.entries(labels).map(([value, label]) => ({ value, label }));

/** Lengths to choose from, with the one that is set. */
const lengthsWith = (set: number) =>
  [...new Set([10, 12, 14, 16, 18, 20, 24, 28, ...(set ? [set] : [])])].sort((a, b) => a - b);

function StyleForm({ view }: { view: View }) {
  const queries = useQueryClient();
  const notice = useNotice();
  const mayDecide = useMay('EDITOR');
  const voices = useVoices();
  const { draft, keep: keepDraft, drop } = useDraft<Body>('style', view.version);
  const [body, setBody] = useState<Body>(draft?.typed ?? view.style);
  const [banned, setBanned] = useState(bannedLines(body.banned));
  const isOutdated = draft !== null && draft.revision !== view.version;
  const replace = (style: Body) => {
    setBody(style);
    keepDraft(style);
    setBanned(bannedLines(style.banned));
  };
  const leave = () => {
    replace(view.style);
    drop();
  };
  const set = (change: Partial<Body>) => {
    const next = { ...body, ...change };
    setBody(next);
    keepDraft(next, isOutdated ? draft.revision : undefined);
  };
  const tune = (change: Partial<Tuning>) => set({ tuning: { ...body.tuning, ...change } });
  const isChanged = JSON.stringify(body) !== JSON.stringify(view.style);
  const trial = useQuery({
    queryKey: ['style', 'try', body],
    queryFn: () => take(api.POST('/api/style/try', { body })),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const versions = useQuery({
    queryKey: ['style', 'versions'],
    queryFn: () => take(api.GET('/api/style/versions')),
  });
  const look = useMutation({
    mutationFn: (version: number) =>
      take(api.GET('/api/style/versions/{version}', { params: { path: { version } } })),
    onSuccess: (then) => replace(then.style),
    onError: notice.trouble,
  });
  const problems = trial.data?.problems ?? [];
  const at = (where: string) => problems.filter((p) => p.where.startsWith(where));
  const keep = useMutation({
    mutationFn: () =>
      take(api.PUT('/api/style', { body: { seen: view.version, note: '', style: body } })),
    onSuccess: () => {
      drop();
      notice.say('The house writes so from now on. Texts that stand are being held to it.');
      queries.invalidateQueries({ queryKey: ['style'] });
      queries.invalidateQueries({ queryKey: ['audit'] });
      queries.invalidateQueries({ queryKey: ['proof'] });
    },
    onError: notice.trouble,
  });
  return (
    <Box
      sx={{ display: 'grid', gridTemplateColumns: { md: 'minmax(0, 6fr) minmax(0, 5fr)' }, gap: 4 }}
    >
      <Box data-testid="style">
        <Typography variant="h1">House style</Typography>
        {draft && isChanged && (
          <Box role="status" sx={{ borderLeft: 3, borderColor: 'warning.main', pl: 1.5, my: 1 }}>
            {isOutdated
              ? 'Somebody has changed the style since you began to change it. Below stands what you had typed.'
              : 'What you have changed is not kept yet; it stays here until you keep or leave it.'}{' '}
            {isOutdated && (
              <Button size="small" onClick={() => keepDraft(body)}>
                Go on with mine
              </Button>
            )}
            <Button size="small" onClick={leave}>
              Leave it as it was
            </Button>
          </Box>
        )}
        <Sentence>
          Texts speak in {article(body.voice)}{' '}
          <Word
            label="Voice"
            value={body.voice}
            choices={voices.choices}
            onChange={(voice) => set({ voice })}
          />{' '}
          voice,{' '}
          {(Object.keys(DIALS) as (keyof typeof DIALS)[]).map((dial) => (
            <span key={dial}>
              <Word
                label={dial}
                value={String(body.tuning[dial])}
                choices={DIALS[dial].map((label, i) => ({ value: String(i - 2), label }))}
                onChange={(v) => tune({ [dial]: Number(v) })}
              />
              ,{' '}
            </span>
          ))}
          <Word
            label="Person"
            value={body.tuning.person}
            choices={choices(PERSONS)}
            onChange={(person) => tune({ person: person as Tuning['person'] })}
          />{' '}
          and{' '}
          <Word
            label="Contractions"
            value={body.tuning.contractions}
            choices={choices(CONTRACTIONS)}
            onChange={(c) => tune({ contractions: c as Tuning['contractions'] })}
          />
          , in sentences{' '}
          <Word
            label="Sentence length"
            value={String(body.tuning.sentenceWords)}
            choices={[
              { value: '0', label: 'as long as the voice’s' },
              ...lengthsWith(body.tuning.sentenceWords).map((n) => ({
                value: String(n),
                label: `of up to ${n} words`,
              })),
            ]}
            onChange={(v) => tune({ sentenceWords: Number(v) })}
          />
          .
        </Sentence>
        <Sentence>
          They spell{' '}
          <Word
            label="Spelling"
            value={body.spelling}
            choices={[
              { value: 'BRITISH', label: 'British' },
              { value: 'AMERICAN', label: 'American' },
            ]}
            onChange={(s) => set({ spelling: s as Body['spelling'] })}
          />
          , have{' '}
          <Word
            label="Exclamation marks"
            value={String(body.exclamations)}
            choices={[
              { value: 'false', label: 'no exclamation marks' },
              { value: 'true', label: 'exclamation marks where somebody types them' },
            ]}
            onChange={(v) => set({ exclamations: v === 'true' })}
          />{' '}
          and{' '}
          <Word
            label="Emoji"
            value={String(body.emoji)}
            choices={[
              { value: 'false', label: 'no emoji' },
              { value: 'true', label: 'emoji where somebody types them' },
            ]}
            onChange={(v) => set({ emoji: v === 'true' })}
          />
          . They are for{' '}
          <TypedWord
            label="Audience"
            value={body.audience}
            otherwise="all"
            onSettled={(audience) => set({ audience })}
          />{' '}
          readers. <TitleWords form={body.titles} onChange={(titles) => set({ titles })} />{' '}
          <StructureWords
            structure={body.structure}
            withHeadings
            onChange={(structure) => set({ structure })}
          />
        </Sentence>
        {mayDecide && (
          <Box sx={{ display: 'flex', gap: 1, my: 1.5 }}>
            <Button
              variant="contained"
              disabled={!isChanged || problems.length > 0 || keep.isPending}
              onClick={() => keep.mutate()}
            >
              Keep it for the house
            </Button>
            {isChanged && <Button onClick={leave}>As it was</Button>}
          </Box>
        )}
        {mayDecide && (
          <Habits
            said={body.banned.map((b) => b.word)}
            onSay={({ word, instead }) => {
              const next = [...body.banned, { word, instead }];
              setBanned(bannedLines(next));
              set({ banned: next });
            }}
          />
        )}
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 2, mt: 2 }}>
          <WordList
            label="Words the house doesn’t say"
            help="A line each. What stands instead comes after an arrow or a tab: rugged → strong"
            value={banned}
            problems={at('banned')}
            onSettled={(typed) => {
              setBanned(typed);
              set({ banned: bannedFrom(typed) });
            }}
          />
          <WordList
            label="Words that titles never have"
            help="A line each."
            value={body.notInTitles.join('\n')}
            problems={at('notInTitles')}
            onSettled={(typed) => set({ notInTitles: linesFrom(typed) })}
          />
          <WordList
            label="Words that every description has"
            help="A line each, in any form."
            value={body.required.join('\n')}
            problems={at('required')}
            onSettled={(typed) => set({ required: linesFrom(typed) })}
          />
          <WordList
            label="What is special about the house"
            help="A sentence a line: each description has one of them."
            value={body.special.join('\n')}
            problems={at('special')}
            onSettled={(typed) => set({ special: linesFrom(typed) })}
          />
          <WordList
            label="What every description ends with"
            help="A sentence a line. The house answers for it."
            value={body.always.join('\n')}
            problems={at('always')}
            onSettled={(typed) => set({ always: linesFrom(typed) })}
          />
        </Box>
        <Lengths
          usual={view.usual}
          lengths={body.lengths}
          problems={at('lengths')}
          onChange={(lengths) => set({ lengths })}
        />
        <Weights
          usual={view.weighing}
          weights={body.weights ?? {}}
          problems={at('weights')}
          onChange={(weights) => set({ weights })}
        />
        {[...at('voice'), ...at('tuning'), ...at('audience')].map((p) => (
          <Box key={p.why} role="alert" sx={{ color: 'error.main', mt: 1 }}>
            {p.why}
          </Box>
        ))}
        <PlainWords style={body} onRead={replace} />
        <ByExample style={body} onProposed={replace} />
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
