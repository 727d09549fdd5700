import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { Fragment, type ReactNode } from 'react';
import type { Schema } from '../api/client';
import { serif } from '../theme';
import { MarkWords } from './MarkWords';
import { StateFact } from './StateFact';

type Field = Schema['FieldView'];
type Mark = Schema['Mark'];

interface Props {
  field: Field;
  lit: number[];
  onLight: (footnotes: number[]) => void;
  /** Indexes of sentences that are chosen, where they can be. */
  chosen?: number[];
  onChoose?: (sentence: number) => void;
  /** Overrules a mark, where one may. */
  onLetBe?: (mark: Mark) => void;
  onThisIsSo?: (mark: Mark, label: string, value: string) => void;
  /** Sentences that stood before: the others are set off as new. */
  old?: string[];
  /** Words that there are open comments on. */
  passages?: string[];
}

/** A field’s text as it will be read: footnote numerals at each sentence, marks in the margin. */
export function Manuscript({
  field,
  lit,
  onLight,
  chosen,
  onChoose,
  onLetBe,
  onThisIsSo,
  old,
  passages,
}: Props) {
  const hasMargin = field.marks.some((m) => m.sentence >= 0);
  const whole = field.marks.filter((m) => m.sentence < 0);
  return (
    <Box data-manuscript>
      {whole.map((m, i) => (
        <MarkNote key={i} mark={m} onLetBe={onLetBe} onThisIsSo={onThisIsSo} />
      ))}
      {field.blocks.length === 0 && (
        <Box sx={{ fontFamily: serif, fontSize: 18, color: 'text.secondary', fontStyle: 'italic' }}>
          Nothing is written here.
        </Box>
      )}
      {field.blocks.map((block, b) => {
        const first = field.blocks.slice(0, b).reduce((n, x) => n + x.sentences.length, 0);
        const end = first + block.sentences.length;
        const marks = field.marks.filter((m) => m.sentence >= first && m.sentence < end);
        const sentences = block.sentences.map((s, i) => (
          <SentenceText
            key={i}
            sentence={s}
            keyword={field.keyword.words}
            marks={field.marks.filter((m) => m.sentence === first + i)}
            isLit={s.footnotes.some((n) => lit.includes(n))}
            onLight={onLight}
            isSpokenOf={passages?.some((p) => p.includes(s.text) || s.text.includes(p))}
            isChosen={chosen?.includes(first + i)}
            isNew={old && !old.includes(s.text)}
            onChoose={
              onChoose && block.kind === 'PARAGRAPH' ? () => onChoose(first + i) : undefined
            }
          />
        ));
        return (
          <Box
            key={b}
            sx={{
              display: 'grid',
              gridTemplateColumns: hasMargin ? { xs: '1fr', sm: '128px 1fr' } : '1fr',
              columnGap: 2,
            }}
          >
            {hasMargin && (
              <Box>
                {marks.map((m, i) => (
                  <MarkNote key={i} mark={m} onLetBe={onLetBe} onThisIsSo={onThisIsSo} />
                ))}
              </Box>
            )}
            <Box
              sx={{
                fontFamily: serif,
                fontSize: field.code === 'title' ? 25 : 18,
                lineHeight: 1.62,
              }}
            >
              {block.kind === 'HEADING' && (
                <Box component="h3" sx={{ fontSize: 18, mt: 2, mb: 0.5 }}>
                  {sentences}
                </Box>
              )}
              {block.kind === 'PARAGRAPH' && (
                <Box component="p" sx={{ m: 0, mb: 1.5 }}>
                  {field.code === 'tags' ? join(sentences) : sentences}
                </Box>
              )}
              {block.kind === 'LIST' && (
                <Box component="ul" sx={{ m: 0, pl: 2.5, fontSize: 16 }}>
                  {sentences.map((s, i) => (
                    <li key={i}>{s}</li>
                  ))}
                </Box>
              )}
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}

function join(parts: ReactNode[]) {
  return parts.map((p, i) => (
    <Fragment key={i}>
      {i > 0 && ' · '}
      {p}
    </Fragment>
  ));
}

function SentenceText(props: {
  sentence: Schema['SentenceView'];
  keyword: string;
  marks: Mark[];
  isLit: boolean;
  onLight: (footnotes: number[]) => void;
  isSpokenOf?: boolean;
  isChosen?: boolean;
  isNew?: boolean;
  onChoose?: () => void;
}) {
  const { sentence, marks, onLight, onChoose } = props;
  const worst = marks.some((m) => m.weight === 'MUST_FIX')
    ? 'error.main'
    : marks.length > 0
      ? 'warning.main'
      : undefined;
  return (
    <>
      <Box
        component="span"
        tabIndex={onChoose || sentence.footnotes.length > 0 ? 0 : undefined}
        data-testid="sentence"
        title={props.isSpokenOf ? 'There is a comment on this' : undefined}
        role={onChoose ? 'checkbox' : undefined}
        aria-checked={onChoose ? !!props.isChosen : undefined}
        onClick={onChoose}
        onKeyDown={(e: React.KeyboardEvent) => {
          if (onChoose && (e.key === ' ' || e.key === 'Enter')) {
            e.preventDefault();
            onChoose();
          }
        }}
        onMouseEnter={() => onLight(sentence.footnotes)}
        onMouseLeave={() => onLight([])}
        onFocus={() => onLight(sentence.footnotes)}
        onBlur={() => onLight([])}
        sx={{
          borderBottom: worst ? '2px solid' : props.isSpokenOf ? '2px dashed' : undefined,
          borderColor: worst ?? 'warning.main',
          cursor: onChoose ? 'pointer' : undefined,
          boxShadow: props.isChosen
            ? 'inset 0 -0.5em 0 color-mix(in srgb, currentColor 14%, transparent)'
            : props.isNew
              ? 'inset 0 -2px 0 color-mix(in srgb, currentColor 30%, transparent)'
              : undefined,
          bgcolor: props.isLit ? 'color-mix(in srgb, currentColor 9%, transparent)' : undefined,
        }}
      >
        <WithKeyword text={sentence.text} keyword={props.keyword} />
        <Box
          component="sup"
          sx={{ fontSize: '0.62em', color: 'success.main', ml: '1px', lineHeight: 0 }}
        >
          {sentence.footnotes.join(',')}
        </Box>
      </Box>{' '}
    </>
  );
}

/** Where the keyword stands it is set in italics and dotted, so that it can be found at a glance. */
function WithKeyword({ text, keyword }: { text: string; keyword: string }) {
  const at = keyword ? text.indexOf(keyword) : -1;
  if (at < 0) return text;
  return (
    <>
      {text.slice(0, at)}
      <Box
        component="span"
        title="The keyword"
        sx={{ borderBottom: '2px dotted', borderColor: 'success.main' }}
      >
        {keyword}
      </Box>
      {text.slice(at + keyword.length)}
    </>
  );
}

function MarkNote({
  mark,
  onLetBe,
  onThisIsSo,
}: Pick<Props, 'onLetBe' | 'onThisIsSo'> & { mark: Mark }) {
  return (
    <MarkWords mark={mark}>
      {onLetBe && mark.mayBeOverruled && (
        <Button
          size="small"
          sx={{ display: 'block', p: 0, minWidth: 0, fontSize: 12 }}
          aria-label={`Let be: ${mark.words || mark.check}`}
          onClick={() => onLetBe(mark)}
        >
          let be
        </Button>
      )}
      {onThisIsSo && mark.mayBeStated && (
        <StateFact words={mark.words} onState={(label, value) => onThisIsSo(mark, label, value)} />
      )}
    </MarkWords>
  );
}
