import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Schema } from '../api/client';
import { Sentence, TypedWord, Word } from '../frame/Sentence';
import { serif } from '../theme';

/** A product's texts as the template builds them, beside those of the version before. */
export function Tried(props: {
  trial: Schema['TemplateTrial'] | undefined;
  isBusy: boolean;
  product: { sku: string; name: string } | undefined;
  search: string;
  isKept: boolean;
  onSearch: (search: string) => void;
}) {
  const [shown, setShown] = useState('then');
  const { trial } = props;
  const text = trial && (shown === 'before' ? trial.before : trial.then);
  return (
    <Box
      data-testid="tried"
      aria-busy={props.isBusy}
      sx={{
        borderLeft: { md: 1 },
        borderColor: { md: 'divider' },
        pl: { md: 3 },
        position: { md: 'sticky' },
        top: 70,
        alignSelf: 'start',
        maxHeight: { md: 'calc(100vh - 90px)' },
        overflowY: 'auto',
      }}
    >
      <Sentence>
        <Word
          label="What is shown"
          value={shown}
          choices={[
            { value: 'then', label: 'So it reads' },
            ...(props.isKept ? [{ value: 'before', label: 'So it read as kept' }] : []),
            { value: 'prompt', label: 'What a text model is asked' },
          ]}
          onChange={setShown}
        />{' '}
        for{' '}
        <TypedWord
          label="Product to try it on"
          value={props.search}
          otherwise={props.product?.name ?? 'a product'}
          onSettled={props.onSearch}
        />
      </Sentence>
      {!props.product && (
        <Box sx={{ color: 'text.secondary' }}>
          {props.search
            ? 'No product has that name or SKU.'
            : 'Take a sheet in first; then the template is tried on a product of it.'}
        </Box>
      )}
      {trial && trial.problems.length > 0 && (
        <Box sx={{ color: 'text.secondary' }}>
          Nothing can be written so. What is in the way stands beside the settings.
        </Box>
      )}
      {shown === 'prompt' && trial?.prompt && (
        <Box
          component="pre"
          data-testid="prompt"
          sx={{ whiteSpace: 'pre-wrap', fontSize: 12.5, lineHeight: 1.5, fontFamily: 'inherit' }}
        >
          {trial.prompt}
        </Box>
      )}
      {shown !== 'prompt' &&
        text?.fields.map((f) => (
          <Box key={f.label} sx={{ mt: 1.5 }}>
            <Typography variant="h3" sx={{ color: 'text.secondary', fontSize: 12.5 }}>
              {f.label}
            </Typography>
            {f.label === 'Description' ? (
              <Box
                sx={{
                  fontFamily: serif,
                  fontSize: 16,
                  lineHeight: 1.5,
                  '& h3': { fontSize: 17, m: '12px 0 2px' },
                  '& p': { m: '0 0 8px' },
                  '& ul': { m: 0, pl: 2.5 },
                }}
                // The server wrote it and escaped what came from sheets.
                dangerouslySetInnerHTML={{ __html: f.html }}
              />
            ) : (
              <Box sx={{ fontFamily: serif, fontSize: 15.5, whiteSpace: 'pre-line' }}>{f.html}</Box>
            )}
          </Box>
        ))}
      {shown !== 'prompt' &&
        text?.marks.slice(0, 5).map((m) => (
          <Box key={m} sx={{ fontSize: 12.5, color: 'warning.main', mt: 0.5 }}>
            {m}
          </Box>
        ))}
    </Box>
  );
}
