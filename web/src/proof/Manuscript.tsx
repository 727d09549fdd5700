import Box from '@mui/material/Box';
import { Fragment, type ReactNode } from 'react';
import type { Schema } from '../api/client';
import { serif } from '../theme';

type Field = Schema['FieldView'];
type Mark = Schema['Mark'];

interface Props {
  field: Field;
  lit: number[];
  onLight: (footnotes: number[]) => void;
}

/** A field’s text as it will be read: footnote numerals at each sentence, marks in the margin. */
export function Manuscript({ field, lit, onLight }: Props) {
  const whole = field.marks.filter((m) => m.sentence < 0);
  return (
    <Box>
      {whole.map((m, i) => (
        <MarkNote key={i} mark={m} />
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
          />
        ));
        return (
          <Box
            key={b}
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: '1fr', sm: '128px 1fr' },
              columnGap: 2,
            }}
          >
            <Box>
              {marks.map((m, i) => (
                <MarkNote key={i} mark={m} />
              ))}
            </Box>
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
}) {
  const { sentence, marks, onLight } = props;
  const worst = marks.some((m) => m.weight === 'MUST_FIX')
    ? 'error.main'
    : marks.length > 0
      ? 'warning.main'
      : undefined;
  return (
    <>
      <Box
        component="span"
        tabIndex={sentence.footnotes.length > 0 ? 0 : undefined}
        data-testid="sentence"
        onMouseEnter={() => onLight(sentence.footnotes)}
        onMouseLeave={() => onLight([])}
        onFocus={() => onLight(sentence.footnotes)}
        onBlur={() => onLight([])}
        sx={{
          borderBottom: worst ? '2px solid' : undefined,
          borderColor: worst,
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

function MarkNote({ mark }: { mark: Mark }) {
  const isBad = mark.weight === 'MUST_FIX';
  return (
    <Box
      data-testid={isBad ? 'must-fix' : 'weigh'}
      sx={{
        fontSize: 12,
        lineHeight: 1.4,
        mb: 1,
        pl: 1,
        borderLeft: 2,
        borderColor: isBad ? 'error.main' : 'warning.main',
      }}
    >
      <Box component="strong" sx={{ color: isBad ? 'error.main' : 'warning.main' }}>
        {isBad ? 'must fix' : 'weigh'}
      </Box>
      : {mark.why}
    </Box>
  );
}
