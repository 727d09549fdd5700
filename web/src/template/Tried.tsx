import Box from '@mui/material/Box';
import { useState } from 'react';
import type { Schema } from '../api/client';
import { Sentence, TypedWord, Word } from '../frame/Sentence';
import { useConnections } from '../model/connections';
import { Answered } from './Answered';
import { TriedText } from './TriedText';

/** A product's texts as either engine writes them after the template, or as they were before. */
export function Tried(props: {
  trial: Schema['TemplateTrial'] | undefined;
  isBusy: boolean;
  template: Schema['TemplateBody'];
  product: { id: number; sku: string; name: string } | undefined;
  search: string;
  isKept: boolean;
  onSearch: (search: string) => void;
}) {
  const [shown, setShown] = useState('then');
  const { trial } = props;
  const connections = useConnections();
  const connection = connections.data?.find((c) => shown === `of ${c.id}`);
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
            ...(connections.data ?? []).map((c) => ({
              value: `of ${c.id}`,
              label: `So ${c.name} writes it`,
            })),
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
      {connection && props.product && trial?.problems.length === 0 && (
        <Answered connection={connection} product={props.product.id} template={props.template} />
      )}
      {!connection && shown !== 'prompt' && text && <TriedText text={text} />}
    </Box>
  );
}
