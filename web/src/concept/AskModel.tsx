import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { Schema } from '../api/client';
import { count } from '../frame/format';
import { Sentence, Word } from '../frame/Sentence';
import { money } from '../model/connections';
import type { Proposals } from './proposals';

/** Asks a text model how headings are told, its cost said before; keeps what was chosen of it. */
export function AskModel(props: {
  connections: Schema['ConnectionView'][];
  connection: Schema['ConnectionView'] | undefined;
  onConnection: (id: number) => void;
  proposals: Proposals;
  chosen: number;
}) {
  const { connection, proposals } = props;
  const { ask, keep, shown } = proposals;
  const unasked = shown.data?.unasked ?? 0;
  const failed = shown.data?.headings.find((h) => h.failed)?.failed;
  return (
    <Box
      sx={{ py: 1, position: 'sticky', top: 54, bgcolor: 'background.default', zIndex: 1 }}
      data-testid="ask-model"
      aria-busy={ask.isPending}
    >
      {(shown.error ?? failed) && (
        <Box role="alert" sx={{ color: 'warning.main' }}>
          {shown.error?.message ?? failed}
        </Box>
      )}
      {!connection && (
        <Box sx={{ color: 'text.secondary' }}>
          A text model can propose words for them. Connect one under Connections.
        </Box>
      )}
      {connection && unasked > 0 && (
        <Sentence>
          Ask{' '}
          <Word
            label="Text model"
            value={String(connection.id)}
            choices={props.connections.map((c) => ({ value: String(c.id), label: c.name }))}
            onChange={(id) => props.onConnection(Number(id))}
          />{' '}
          how a shop would say {count(unasked, 'heading')}: once for all products that have{' '}
          {unasked === 1 ? 'it' : 'them'}, for about {money(shown.data?.estimate ?? 0)}. What it
          proposes is tried on your products, and counts when you keep it.
        </Sentence>
      )}
      <Box sx={{ display: 'flex', gap: 1, mt: 0.5 }}>
        {connection && unasked > 0 && (
          <Button
            variant="outlined"
            size="small"
            disabled={ask.isPending || shown.isPlaceholderData}
            onClick={() => ask.mutate()}
          >
            {ask.isPending ? `${connection.name} is thinking…` : `Ask ${connection.name}`}
          </Button>
        )}
        {props.chosen > 0 && (
          <Button
            variant="contained"
            size="small"
            disabled={keep.isPending}
            onClick={() => keep.mutate()}
          >
            Keep {count(props.chosen, 'wording')}
          </Button>
        )}
      </Box>
    </Box>
  );
}
