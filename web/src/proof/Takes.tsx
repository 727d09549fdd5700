import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take as answer, type Schema } from '../api/client';
import { Sentence, Word } from '../frame/Sentence';
import { serif } from '../theme';
import { article, useVoices } from './voices';

type Field = Schema['FieldView'];

/** A line that was picked: of take 0, the text that counts, or of another. */
export interface Line {
  take: number;
  sentence: number;
  text: string;
}

interface Props {
  id: number;
  field: Field;
  revision: number;
  /** The whole of a take’s field is to count. */
  onAdopt: (voice: string, take: number) => void;
  /** These lines are to make up the field. */
  onCombine: (voice: string, lines: Line[]) => void;
  onClose: () => void;
}

/** Takes of one field side by side with what stands; whole ones or single lines can be taken over. */
export function Takes({ id, field, revision, onAdopt, onCombine, onClose }: Props) {
  const { choices, about } = useVoices();
  const [voice, setVoice] = useState('plain');
  const [number, setNumber] = useState('3');
  const [lines, setLines] = useState<Line[]>([]);
  const takes = useQuery({
    queryKey: ['takes', id, voice, number, revision],
    queryFn: () =>
      answer(
        api.GET('/api/proofs/{id}/takes', {
          params: { path: { id }, query: { voice, number: Number(number) } },
        }),
      ),
  });
  const columns = [
    { take: 0, name: 'Now', field },
    ...(takes.data ?? []).map((t) => ({
      take: t.number,
      name: t.numeral,
      field: t.fields.find((f) => f.code === field.code)!,
    })),
  ];
  const isPicked = (l: Line) => lines.some((x) => x.take === l.take && x.sentence === l.sentence);
  const toggle = (l: Line) =>
    setLines(
      isPicked(l)
        ? lines.filter((x) => x.take !== l.take || x.sentence !== l.sentence)
        : [...lines, l],
    );
  const change = (set: (v: string) => void) => (value: string) => {
    // Lines of one voice's takes don't stand in another's.
    setLines(lines.filter((l) => l.take === 0));
    set(value);
  };
  return (
    <Box data-testid="takes">
      <Sentence>
        Showing{' '}
        <Word
          label="Number of takes"
          value={number}
          choices={Array.from({ length: 10 }, (_, i) => ({
            value: String(i + 1),
            label: i === 0 ? 'one take' : `${i + 1} takes`,
          }))}
          onChange={change(setNumber)}
        />{' '}
        in {article(voice)}{' '}
        <Word label="Voice" value={voice} choices={choices} onChange={change(setVoice)} /> voice
        beside what stands.
      </Sentence>
      <Box sx={{ fontSize: 13, color: 'text.secondary', mb: 1.5 }}>
        {about(voice)} Click lines in the order in which they are to stand, or take one over whole.
      </Box>
      {takes.isPending && <LinearProgress aria-label="Composing" />}
      {takes.error && <Box sx={{ color: 'error.main' }}>{takes.error.message}</Box>}
      <Box sx={{ display: 'flex', gap: 2.5, overflowX: 'auto', pb: 1 }}>
        {columns.map((c) => (
          <Box key={c.take} data-testid="take" sx={{ flex: '1 0 215px', maxWidth: 420 }}>
            <Box
              sx={{
                fontFamily: serif,
                fontSize: 17,
                borderBottom: 1,
                borderColor: 'divider',
                mb: 0.75,
                display: 'flex',
                alignItems: 'center',
                minHeight: 34,
                justifyContent: 'space-between',
              }}
            >
              {c.name}
              {c.take > 0 && (
                <Button size="small" onClick={() => onAdopt(voice, c.take)}>
                  Take {c.name} whole
                </Button>
              )}
            </Box>
            <Lines
              field={c.field}
              place={(sentence, text) => {
                const line = { take: c.take, sentence, text };
                const order = lines.findIndex((l) => l.take === c.take && l.sentence === sentence);
                return { order, onPick: () => toggle(line) };
              }}
            />
          </Box>
        ))}
      </Box>
      <Box sx={{ borderTop: 1, borderColor: 'divider', pt: 1, mt: 1, display: 'flex', gap: 1.5 }}>
        <Button
          variant="contained"
          disabled={lines.length === 0}
          onClick={() => onCombine(voice, lines)}
        >
          {lines.length === 0
            ? 'Make one text of chosen lines'
            : `Make one text of ${lines.length === 1 ? 'this line' : `these ${lines.length} lines`}`}
        </Button>
        <Button disabled={lines.length === 0} onClick={() => setLines([])}>
          Choose anew
        </Button>
        <Button onClick={onClose}>Leave as it stands</Button>
      </Box>
    </Box>
  );
}

/** A field’s lines, each of which can be picked; lists under headings are left out. */
function Lines(props: {
  field: Field;
  place: (sentence: number, text: string) => { order: number; onPick: () => void };
}) {
  const isList = props.field.blocks.every((b) => b.kind === 'LIST');
  let index = 0;
  return props.field.blocks.map((block, b) => {
    const first = index;
    index += block.sentences.length;
    if (block.kind !== 'PARAGRAPH' && !isList) return null;
    return (
      <Box key={b} sx={{ mb: 1 }}>
        {block.sentences.map((s, i) => {
          const { order, onPick } = props.place(first + i, s.text);
          return (
            <Box
              key={i}
              component="button"
              aria-pressed={order >= 0}
              onClick={onPick}
              sx={{
                display: 'block',
                width: '100%',
                textAlign: 'left',
                font: 'inherit',
                fontFamily: serif,
                fontSize: 15.5,
                lineHeight: 1.5,
                color: 'inherit',
                cursor: 'pointer',
                border: 0,
                borderLeft: 2,
                borderColor: order >= 0 ? 'success.main' : 'transparent',
                bgcolor: order >= 0 ? 'action.selected' : 'transparent',
                px: 1,
                py: 0.4,
                '&:hover': { borderColor: 'divider' },
              }}
            >
              {order >= 0 && (
                <Box component="span" sx={{ color: 'success.main', fontWeight: 600, mr: 0.75 }}>
                  {order + 1}
                </Box>
              )}
              {s.text}
            </Box>
          );
        })}
      </Box>
    );
  });
}
