import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { count } from '../frame/format';
import { Lines } from '../frame/Lines';
import { useNotice } from '../frame/Notice';

type Body = Schema['StyleBody'];

/** A voice by example: texts the house likes are measured, and the settings that come near proposed. */
export function ByExample(props: { style: Body; onProposed: (style: Body) => void }) {
  const notice = useNotice();
  const [texts, setTexts] = useState('');
  const measure = useMutation({
    mutationFn: () => take(api.POST('/api/style/sample', { body: { texts, style: props.style } })),
    onError: notice.trouble,
  });
  const proposal = measure.data;
  const has = props.style.sample.sentences;
  return (
    <Box sx={{ mt: 3 }} data-testid="by-example">
      <Lines
        label="Texts the house likes"
        rows={5}
        value={texts}
        placeholder="Paste a few descriptions that sound right, with empty lines between them."
        onChange={setTexts}
      />
      <Button
        variant="outlined"
        size="small"
        disabled={!texts.trim() || measure.isPending}
        onClick={() => measure.mutate()}
      >
        Measure how they sound
      </Button>
      {proposal && (
        <Box sx={{ mt: 1 }} data-testid="evidence">
          {proposal.evidence.map((e) => (
            <Box key={e.setting} sx={{ fontSize: 13.5 }}>
              {e.evidence}
            </Box>
          ))}
          <Button
            variant="outlined"
            size="small"
            sx={{ mt: 1 }}
            onClick={() => props.onProposed(proposal.style)}
          >
            Set the voice so
          </Button>
        </Box>
      )}
      {has > 0 && (
        <Box sx={{ fontSize: 13, mt: 1 }}>
          Every description is compared with {count(has, 'sentence')} that the house likes.{' '}
          <Button
            size="small"
            sx={{ p: 0 }}
            onClick={() =>
              props.onProposed({ ...props.style, sample: { ...props.style.sample, sentences: 0 } })
            }
          >
            Compare no more
          </Button>
        </Box>
      )}
    </Box>
  );
}
