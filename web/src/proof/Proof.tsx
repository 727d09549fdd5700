import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { api, Problem, take, type Schema } from '../api/client';
import { Empty } from '../frame/Empty';
import { when } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { ReadinessRule } from '../frame/ReadinessRule';
import { useMay } from '../frame/session';
import { Stage } from '../frame/Stage';
import { Cell } from '../product/Facts';
import { Picture } from '../product/Picture';
import { Beside } from './Beside';
import { Comments } from './Comments';
import { asked, type Mode } from './keys';
import { Learned } from './Learned';
import { Verdict } from './Verdict';
import { LeftOut, Overruled } from './LeftOut';
import { Manuscript } from './Manuscript';
import { COMMENT_FIELD } from './passage';
import { Rewriting } from './Rewriting';
import { SecondOpinion } from './SecondOpinion';
import { SendBack } from './SendBack';
import { Takes } from './Takes';

// Two fifths of the whole program, and only who changes a text needs it.
const editor = () => import('./Editor');
const Editor = lazy(() => editor().then((m) => ({ default: m.Editor })));

type ProofView = Schema['Proof'];
type Field = Schema['FieldView'];

/** Fields that only some products have. */
const OPTIONAL = ['included', 'not_included'];

const shown = (fields: Field[]) => fields.filter((f) => f.length > 0 || !OPTIONAL.includes(f.code));

const KEYS = [
  ['e', 'change this field by hand'],
  ['z', 'undo the last change'],
  ['t', 'takes side by side'],
  ['o', 'an older text beside this one'],
  ['Esc', 'close takes, rewriting or the older text'],
  ['r', 'rewrite'],
  ['s', 'sign off'],
  ['b', 'send back'],
  ['c', 'comment on it, or on the words that are marked'],
  ['1 – 9', 'the fields'],
  ['j, k', 'next and last text'],
  ['/', 'find a product, or say what to do'],
  ['?', 'these keys'],
];

/** How a text is asked for. */
export const proofOf = (id: number) => ({
  queryKey: ['proof', id],
  queryFn: () => take(api.GET('/api/proofs/{id}', { params: { path: { id } } })),
});

/** One text being read, with its sources, its marks, its history, and what can be done next. */
export function Proof(props: {
  id: number;
  onStep: (step: number) => void;
  onRead: (id: number, revision: number) => void;
}) {
  const { id, onStep, onRead } = props;
  const queries = useQueryClient();
  const notice = useNotice();
  const mayWrite = useMay('WRITER');
  const maySign = useMay('EDITOR');
  const [chosenField, setFieldCode] = useState('');
  const [mode, setMode] = useState<Mode>('read');
  // Which older text stands beside this one; 0 for the last.
  const [older, setOlder] = useState(0);
  const isEditing = mode === 'edit';
  // Texts side by side need the room of the sources, and have buttons of their own.
  const isWide = mode === 'takes' || mode === 'rewrite' || mode === 'beside';
  const setEditing = (editing: boolean) => setMode(editing ? 'edit' : 'read');
  const [lit, setLit] = useState<number[]>([]);
  const [showsKeys, setShowsKeys] = useState(false);
  const [isSendingBack, setSendingBack] = useState(false);
  const path = { id };
  const proof = useQuery({
    ...proofOf(id),
    // A text that a run is just writing comes by itself.
    refetchInterval: (query) =>
      query.state.error instanceof Problem && query.state.error.status === 404 ? 2000 : false,
  });

  // A text opens where it needs somebody.
  const opens = proof.data?.fields.find(hasMustFix)?.code ?? 'description';
  const [opened, setOpened] = useState('');
  if (proof.data && !opened) setOpened(opens);
  const fieldCode = chosenField || opened || 'description';

  // It is there before somebody asks for it.
  useEffect(() => {
    if (mayWrite) void editor();
  }, [mayWrite]);

  // What takes the place of the text begins at its top.
  useEffect(() => {
    if (isWide) window.scrollTo(0, 0);
  }, [isWide]);

  const revision = proof.data?.revision;
  useEffect(() => {
    if (revision) onRead(id, revision);
  }, [id, revision, onRead]);

  const act = async (call: () => Promise<ProofView>, said: string) => {
    try {
      queries.setQueryData(['proof', id], await call());
      queries.invalidateQueries({ queryKey: ['products'] });
      queries.invalidateQueries({ queryKey: ['waiting'] });
      notice.say(said);
      return true;
    } catch (e) {
      notice.trouble(e);
      if (e instanceof Problem && e.status === 412) {
        queries.invalidateQueries({ queryKey: ['proof', id] });
      }
      return false;
    }
  };
  const seen = { 'If-Match': `"${proof.data?.revision}"` };
  const params = { path, header: seen };
  const save = (text: string) =>
    act(
      () =>
        take(
          api.PUT('/api/proofs/{id}/fields/{field}', {
            params: { path: { id, field: fieldCode }, header: seen },
            body: { text },
          }),
        ),
      'Kept as a new revision.',
    );
  const close = (done: boolean) => done && setMode('read');
  const undo = () =>
    act(() => take(api.POST('/api/proofs/{id}/undo', { params })), 'Back to the revision before.');
  const signOff = async () => {
    if (await act(() => take(api.POST('/api/proofs/{id}/sign-off', { params })), 'Signed off.')) {
      onStep(1);
    }
  };
  const sendBack = (reason: string) =>
    act(
      () => take(api.POST('/api/proofs/{id}/send-back', { params, body: { reason } })),
      'Back in proof.',
    ).then((done) => done && setSendingBack(false));
  const comment = (field: string, passage: string, said: string) =>
    act(
      () => take(api.POST('/api/proofs/{id}/comments', { params, body: { field, passage, said } })),
      'Said.',
    );
  const settle = (comment: number) =>
    act(
      () =>
        take(
          api.POST('/api/proofs/{id}/comments/{comment}/settle', {
            params: { path: { id, comment } },
          }),
        ),
      'Settled.',
    );
  const restore = (revision: number) =>
    act(
      () => take(api.POST('/api/proofs/{id}/restore', { params, body: { revision } })),
      'That revision counts now.',
    );

  const thisIsSo = (mark: Schema['Mark'], label: string, value: string) =>
    act(
      () =>
        take(
          api.POST('/api/proofs/{id}/this-is-so', {
            params,
            body: {
              mark: {
                field: fieldCode,
                sentence: mark.sentence,
                check: mark.check,
                words: mark.words,
              },
              label,
              value,
            },
          }),
        ),
      `${label}: ${value} is a fact of this product now, with your name.`,
    );

  const letBe = (mark: Schema['Mark']) =>
    act(
      () =>
        take(
          api.POST('/api/proofs/{id}/let-be', {
            params,
            body: {
              field: fieldCode,
              sentence: mark.sentence,
              check: mark.check,
              words: mark.words,
            },
          }),
        ),
      'Let be. This mark isn’t raised again for this sentence.',
    );
  const raiseAgain = (overruled: number) =>
    act(
      () =>
        take(
          api.POST('/api/proofs/{id}/raise-again', { params: { path }, body: { id: overruled } }),
        ),
      'The mark is raised again.',
    );

  const changeKeyword = (keyword: string) =>
    act(
      () => take(api.PUT('/api/proofs/{id}/keyword', { params, body: { keyword } })),
      keyword ? 'The text is checked for the new keyword now.' : 'No keyword is asked for now.',
    );

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const target = e.target as HTMLElement;
      // What is typed is nobody's to throw away; a choice has nothing to lose.
      const isTyping = target.closest('input, textarea, [contenteditable]');
      const isChoosing = target.closest('select') && e.key !== 'Escape';
      if (isTyping || isChoosing || e.ctrlKey || e.metaKey || e.altKey || !proof.data) return;
      const tabs = shown(proof.data.fields);
      const { canUndo, product } = proof.data;
      const isSigned = product.stage === 'SIGNED_OFF' || product.stage === 'PUBLISHED';
      const wish = asked(e.key, { mode, mayWrite, maySign, canUndo, fields: tabs.length });
      switch (wish?.what) {
        case 'next':
          return onStep(1);
        case 'last':
          return onStep(-1);
        case 'keys':
          return setShowsKeys((s) => !s);
        case 'show':
          // The key that opens the editor is no letter of the text.
          e.preventDefault();
          setOlder(0);
          return setMode(wish.mode);
        case 'undo':
          return void undo();
        case 'sign off':
          return void signOff();
        case 'send back':
          // The key that opens the line is no letter of the reason.
          e.preventDefault();
          return setSendingBack(isSigned);
        case 'comment':
          e.preventDefault();
          return document.getElementById(COMMENT_FIELD)?.focus();
        case 'field':
          return setFieldCode(tabs[wish.at]!.code);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });

  if (proof.error) {
    return <Empty title="No proof">{proof.error.message}</Empty>;
  }
  if (!proof.data) return <LinearProgress aria-label="Loading the proof" />;
  const { product, readiness, history, canUndo } = proof.data;
  // What this product has nothing to say in needs no tab of its own.
  const fields = shown(proof.data.fields);
  const field = fields.find((f) => f.code === fieldCode) ?? fields[0]!;
  const isSigned = product.stage === 'SIGNED_OFF' || product.stage === 'PUBLISHED';

  const open = proof.data.comments.filter((c) => !c.settledBy);
  // What somebody waits for comes before what the text rests on.
  const comments = (
    <Comments
      product={id}
      revision={proof.data.revision}
      field={field}
      comments={proof.data.comments}
      onSay={mayWrite ? comment : undefined}
      onSettle={mayWrite ? settle : undefined}
    />
  );

  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { lg: isWide ? 'minmax(0, 1fr)' : 'minmax(0, 1fr) 300px' },
        gap: 3,
      }}
    >
      <Box>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', columnGap: 2 }}>
          {product.picture > 0 && (
            <Box sx={{ alignSelf: 'center' }}>
              <Picture product={product} size={56} />
            </Box>
          )}
          <Typography variant="h1">{product.name}</Typography>
          <Box sx={{ color: 'text.secondary' }}>{product.sku}</Box>
          <Stage product={product} />
          {proof.data.reader && <Box sx={{ color: 'text.secondary' }}>for {proof.data.reader}</Box>}
          <Box sx={{ flex: 1 }} />
          <ReadinessRule readiness={readiness} />
        </Box>
        <Tabs
          fields={fields}
          selected={field.code}
          onSelect={(code) => {
            setFieldCode(code);
            setEditing(false);
            setLit([]);
          }}
        />
        <Box
          sx={{
            bgcolor: 'background.paper',
            border: 1,
            borderTop: 0,
            borderColor: 'divider',
            p: 3,
            minHeight: 260,
          }}
        >
          {isEditing ? (
            <Suspense fallback={<LinearProgress aria-label="Loading the editor" />}>
              <Editor
                key={field.code}
                product={id}
                field={field}
                revision={proof.data.revision}
                onSave={save}
                onClose={() => setEditing(false)}
              />
            </Suspense>
          ) : mode === 'takes' ? (
            <Takes
              key={field.code}
              id={id}
              field={field}
              revision={proof.data.revision}
              onAdopt={(voice, number) =>
                act(
                  () =>
                    take(
                      api.POST('/api/proofs/{id}/takes', {
                        params,
                        body: { voice, take: number, fields: [fieldCode] },
                      }),
                    ),
                  'That take counts now.',
                ).then(close)
              }
              onCombine={(voice, lines) =>
                act(
                  () =>
                    take(
                      api.POST('/api/proofs/{id}/lines', {
                        params,
                        body: { field: fieldCode, voice, lines },
                      }),
                    ),
                  'The chosen lines are one text now.',
                ).then(close)
              }
              onClose={() => setMode('read')}
            />
          ) : mode === 'rewrite' ? (
            <Rewriting
              key={field.code}
              id={id}
              field={field}
              revision={proof.data.revision}
              onKeep={(wish) =>
                act(
                  () => take(api.POST('/api/proofs/{id}/rewritten', { params, body: wish })),
                  'The new words count now.',
                ).then(close)
              }
              onClose={() => setMode('read')}
            />
          ) : mode === 'beside' ? (
            <Beside
              key={`${proof.data.revision} ${older}`}
              proof={proof.data}
              field={field}
              first={older}
              onRestore={mayWrite ? (revision) => restore(revision).then(close) : undefined}
              onClose={() => setMode('read')}
            />
          ) : (
            <Manuscript
              field={field}
              lit={lit}
              onLight={setLit}
              onLetBe={maySign ? letBe : undefined}
              onThisIsSo={maySign ? thisIsSo : undefined}
              passages={open.filter((c) => c.field === field.code).map((c) => c.passage)}
            />
          )}
        </Box>
        <Box
          sx={{
            display: isWide ? 'none' : 'flex',
            flexWrap: 'wrap',
            gap: 0.75,
            '& button': { px: 1.25, minWidth: 0 },
            alignItems: 'center',
            position: 'sticky',
            bottom: 0,
            bgcolor: 'background.default',
            py: 1.25,
          }}
        >
          {maySign && mode === 'read' && <Verdict product={id} field={field.code} />}
          {maySign && isSigned && isSendingBack && (
            <SendBack onSend={sendBack} onClose={() => setSendingBack(false)} />
          )}
          {maySign && !isSigned && (
            <Button
              variant="contained"
              color="success"
              disabled={product.mustFix > 0}
              onClick={signOff}
            >
              Sign off
            </Button>
          )}
          {maySign && isSigned && (
            <Button
              variant="outlined"
              aria-expanded={isSendingBack}
              onClick={() => setSendingBack(!isSendingBack)}
            >
              Send back
            </Button>
          )}
          {mayWrite && (
            <Button variant="outlined" disabled={isEditing} onClick={() => setEditing(true)}>
              Change by hand
            </Button>
          )}
          {mayWrite && (
            <Button variant="outlined" disabled={mode === 'takes'} onClick={() => setMode('takes')}>
              Takes
            </Button>
          )}
          {mayWrite && (
            <Button variant="outlined" onClick={() => setMode('rewrite')}>
              Rewrite
            </Button>
          )}
          <Button
            onClick={() => {
              setOlder(0);
              setMode('beside');
            }}
          >
            Older
          </Button>
          {mayWrite && (
            <Button disabled={!canUndo} onClick={undo}>
              Undo
            </Button>
          )}
          <Button onClick={() => onStep(-1)}>Last</Button>
          <Button onClick={() => onStep(1)}>Next</Button>
          {product.page && (
            <a href={product.page} target="_blank" rel="noreferrer">
              See the live page
            </a>
          )}
          <Box sx={{ flex: 1 }} />
          <Button
            aria-label="Keys"
            aria-expanded={showsKeys}
            onClick={() => setShowsKeys(!showsKeys)}
          >
            ?
          </Button>
        </Box>
        {maySign && mode === 'read' && <Learned learnable={proof.data.learnable} />}
        {mode === 'read' && (
          <LeftOut product={id} facts={proof.data.leftOut} mayTeach={maySign} mayWrite={mayWrite} />
        )}
        {product.mustFix > 0 && (
          <Typography sx={{ color: 'error.main' }}>
            {product.mustFix === 1 ? 'One mark' : `${product.mustFix} marks`} must be fixed before
            this can be signed off: see{' '}
            {fields
              .filter(hasMustFix)
              .map((f) => f.label)
              .join(', ')}
            .
          </Typography>
        )}
        {showsKeys && (
          <Box component="dl" sx={{ columns: 2, maxWidth: 520 }}>
            {KEYS.map(([key, what]) => (
              <Box key={key} sx={{ display: 'flex', gap: 1.5 }}>
                <Box component="dt" sx={{ width: 48, fontWeight: 600 }}>
                  {key}
                </Box>
                <Box component="dd" sx={{ m: 0 }}>
                  {what}
                </Box>
              </Box>
            ))}
          </Box>
        )}
      </Box>
      <Box
        component="aside"
        aria-label="Sources"
        sx={{
          display: isWide ? 'none' : undefined,
          // It scrolls by itself, so that what it speaks of stays in sight.
          position: { lg: 'sticky' },
          top: 64,
          alignSelf: 'start',
          maxHeight: { lg: 'calc(100vh - 72px)' },
          overflowY: { lg: 'auto' },
        }}
      >
        {open.length > 0 && comments}
        <Sources field={field} lit={lit} onLight={setLit} />
        <Keyword
          key={`${product.keyword} ${proof.data.revision}`}
          keyword={product.keyword}
          form={field.keyword.form}
          mayChange={mayWrite}
          onChange={changeKeyword}
        />
        {maySign && (
          <SecondOpinion
            key={proof.data.revision}
            product={id}
            open={proof.data.fields.flatMap((f) => f.marks).filter((m) => m.open).length}
            onSettled={() => {
              queries.invalidateQueries({ queryKey: ['proof', id] });
              queries.invalidateQueries({ queryKey: ['products'] });
            }}
          />
        )}
        <Overruled marks={proof.data.overruled} onRaiseAgain={maySign ? raiseAgain : undefined} />
        {open.length === 0 && comments}
        <Typography variant="h3" sx={{ mt: 3 }}>
          History
        </Typography>
        {proof.data.deeds.slice(0, 6).map((d) => (
          <Box
            key={`deed ${d.id}`}
            sx={{ fontSize: 12.5, py: 0.5, borderTop: 1, borderColor: 'divider' }}
          >
            <strong>{d.event}</strong> by {d.who}, {when(d.at)}
          </Box>
        ))}
        {history.map((h) => (
          <Box key={h.id} sx={{ fontSize: 12.5, py: 0.5, borderTop: 1, borderColor: 'divider' }}>
            {h.note}, {h.author}, {when(h.createdAt)}{' '}
            {h.id !== proof.data.revision && (
              <Button
                size="small"
                sx={{ p: 0, px: 0.5 }}
                onClick={() => {
                  setOlder(h.id);
                  setMode('beside');
                }}
              >
                beside
              </Button>
            )}
            {h.id === proof.data.revision ? (
              <strong>counts now</strong>
            ) : (
              mayWrite && (
                <Button size="small" sx={{ p: 0, px: 0.5 }} onClick={() => restore(h.id)}>
                  take this one
                </Button>
              )
            )}
          </Box>
        ))}
        {proof.data.supplierText && (
          <Box component="details" sx={{ mt: 2, fontSize: 13 }}>
            <summary>What suppliers and pasted texts say</summary>
            <Box sx={{ whiteSpace: 'pre-wrap', color: 'text.secondary', mt: 0.5 }}>
              {proof.data.supplierText}
            </Box>
          </Box>
        )}
        <Box sx={{ mt: 2, fontSize: 13 }}>
          <Link to={`/products/${id}`}>All facts of this product</Link>
        </Box>
      </Box>
    </Box>
  );
}

const hasMustFix = (field: Field) => field.marks.some((m) => m.weight === 'MUST_FIX');

function Tabs(props: { fields: Field[]; selected: string; onSelect: (code: string) => void }) {
  return (
    <Box
      role="tablist"
      aria-label="Fields"
      sx={{ display: 'flex', flexWrap: 'wrap', borderBottom: 1, borderColor: 'divider', mt: 1 }}
    >
      {props.fields.map((f) => {
        const isSelected = f.code === props.selected;
        return (
          <Box
            key={f.code}
            component="button"
            role="tab"
            aria-selected={isSelected}
            onClick={() => props.onSelect(f.code)}
            sx={{
              font: 'inherit',
              cursor: 'pointer',
              border: 1,
              borderColor: isSelected ? 'divider' : 'transparent',
              borderBottom: 0,
              mb: '-1px',
              px: 1.4,
              py: 0.8,
              bgcolor: isSelected ? 'background.paper' : 'transparent',
              color: isSelected ? 'text.primary' : 'text.secondary',
              fontWeight: isSelected ? 600 : 400,
            }}
          >
            {f.label}
            <Box component="span" sx={{ ml: 0.75, fontSize: 11, color: 'text.secondary' }}>
              {f.length}
            </Box>
            {f.marks.length > 0 && (
              <Box
                component="span"
                sx={{ ml: 0.5, fontSize: 11, color: hasMustFix(f) ? 'error.main' : 'warning.main' }}
              >
                {hasMustFix(f) ? 'fix' : 'weigh'}
              </Box>
            )}
          </Box>
        );
      })}
    </Box>
  );
}

function Sources(props: { field: Field; lit: number[]; onLight: (notes: number[]) => void }) {
  return (
    <>
      <Typography variant="h3">Sources</Typography>
      {props.field.footnotes.length === 0 && (
        <Box sx={{ color: 'text.secondary', fontSize: 13 }}>This field rests on nothing.</Box>
      )}
      {props.field.footnotes.map((n) => (
        <Box
          key={n.number}
          tabIndex={0}
          data-testid="source"
          onMouseEnter={() => props.onLight([n.number])}
          onMouseLeave={() => props.onLight([])}
          onFocus={() => props.onLight([n.number])}
          onBlur={() => props.onLight([])}
          sx={{
            display: 'flex',
            gap: 1,
            py: 0.6,
            px: 0.5,
            borderTop: 1,
            borderColor: 'divider',
            bgcolor: props.lit.includes(n.number)
              ? 'color-mix(in srgb, currentColor 9%, transparent)'
              : undefined,
          }}
        >
          <Box sx={{ color: 'success.main', fontWeight: 600, minWidth: 18 }}>{n.number}</Box>
          <Box sx={{ minWidth: 0 }}>
            {n.kind === 'KEYWORD' ? 'The house’s keyword' : n.label}
            {n.text && <Box sx={{ fontSize: 12, color: 'text.secondary' }}>{n.text}</Box>}
            {n.sources.map((s, i) => (
              <Cell key={i} source={s} />
            ))}
          </Box>
        </Box>
      ))}
    </>
  );
}

const FORMS = {
  WORD_FOR_WORD: 'stands here word for word',
  INFLECTED: 'stands here, inflected',
  REWORDED: 'stands here, reworded',
  MISSING: 'is not in this field',
};

function Keyword(props: {
  keyword: string;
  form: keyof typeof FORMS;
  mayChange: boolean;
  onChange: (keyword: string) => void;
}) {
  const [typed, setTyped] = useState(props.keyword);
  return (
    <Box
      component="form"
      onSubmit={(e: React.FormEvent) => {
        e.preventDefault();
        props.onChange(typed);
      }}
      sx={{ mt: 2, fontSize: 13 }}
    >
      <Typography variant="h3">Keyword</Typography>
      <Box
        component="input"
        aria-label="Primary keyword"
        placeholder="none"
        value={typed}
        readOnly={!props.mayChange}
        onChange={(e: React.ChangeEvent<HTMLInputElement>) => setTyped(e.target.value)}
        sx={{
          font: 'inherit',
          fontStyle: 'italic',
          width: '100%',
          color: 'inherit',
          bgcolor: 'transparent',
          border: 0,
          borderBottom: 1,
          borderColor: 'divider',
          py: 0.5,
        }}
      />
      {typed !== props.keyword ? (
        <Button type="submit" size="small">
          Use this keyword
        </Button>
      ) : (
        props.keyword && <Box sx={{ color: 'text.secondary' }}>{FORMS[props.form]}</Box>
      )}
    </Box>
  );
}
