import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { Lines } from '../frame/Lines';
import { useNotice } from '../frame/Notice';
import { linesFrom } from './words';

type Body = Schema['StyleBody'];

/** What is asked for in plain words; what is understood becomes settings, the rest is said to be kept. */
export function PlainWords(props: { style: Body; onRead: (style: Body) => void }) {
  const notice = useNotice();
  const [typed, setTyped] = useState('');
  const read = useMutation({
    mutationFn: () =>
      take(api.POST('/api/style/read', { body: { lines: linesFrom(typed), style: props.style } })),
    onSuccess: (reading) => {
      props.onRead(reading.style);
      setTyped('');
    },
    onError: notice.trouble,
  });
  const kept = props.style.instructions;
  return (
    <Box sx={{ mt: 3 }} data-testid="plain-words">
      <Lines
        label="Say it in plain words"
        rows={3}
        value={typed}
        placeholder={'no more than 80 words\nnever call it indestructible'}
        onChange={setTyped}
      />
      <Button
        variant="outlined"
        size="small"
        disabled={!typed.trim() || read.isPending}
        onClick={() => read.mutate()}
      >
        Make rules of it
      </Button>
      {read.data?.lines.map((l) => (
        <Box key={l.words} sx={{ fontSize: 13.5, mt: 0.75 }}>
          <Box component="span" sx={{ color: 'text.secondary' }}>
            “{l.words}”
          </Box>{' '}
          {l.problem ? (
            <Box component="span" role="alert" sx={{ color: 'error.main' }}>
              {l.problem}
            </Box>
          ) : l.rule ? (
            <Box component="span" sx={{ color: 'success.main' }}>
              {l.rule}
            </Box>
          ) : (
            <Box component="span" sx={{ color: 'warning.main' }}>
              Not a rule that Rhetor knows: kept for a text model, and the composer pays it no heed.
            </Box>
          )}
        </Box>
      ))}
      {kept.length > 0 && (
        <Box sx={{ fontSize: 13.5, mt: 1.5 }}>
          Kept for a text model only:
          {kept.map((line) => (
            <Box key={line}>
              “{line}”{' '}
              <Button
                size="small"
                sx={{ p: 0 }}
                aria-label={`Take away ${line}`}
                onClick={() =>
                  props.onRead({ ...props.style, instructions: kept.filter((k) => k !== line) })
                }
              >
                Take away
              </Button>
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}
