import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useQuery } from '@tanstack/react-query';
import { diffWordsWithSpace } from 'diff';
import { useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { when } from '../frame/format';
import { Sentence, Word } from '../frame/Sentence';
import { serif } from '../theme';

type Proof = Schema['Proof'];

/** What the supplier and pasted texts say, among the revisions that can be read beside the text. */
const SUPPLIER = -1;

/** One field of the text that counts beside an older one, or both in one, word by word. */
export function Beside(props: {
  proof: Proof;
  field: Schema['FieldView'];
  /** The revision to begin with; 0 for the last before this one. */
  first: number;
  onRestore?: (revision: number) => void;
  onClose: () => void;
}) {
  const { proof, field, onRestore, onClose } = props;
  const others = [
    ...proof.history
      .filter((h) => h.id !== proof.revision)
      .map((h) => ({ value: String(h.id), label: `${h.note}, ${h.author}, ${when(h.createdAt)}` })),
    ...(proof.supplierText
      ? [{ value: String(SUPPLIER), label: 'what suppliers and pasted texts say' }]
      : []),
  ];
  const [chosen, setChosen] = useState(String(props.first));
  const other = others.find((o) => o.value === chosen) ?? others[0];
  const [way, setWay] = useState<'beside' | 'words'>('beside');
  const revision = Number(other?.value ?? SUPPLIER);
  const id = proof.product.id;
  const earlier = useQuery({
    queryKey: ['proof', id, 'revision', revision],
    queryFn: () =>
      take(
        api.GET('/api/proofs/{id}/revisions/{revision}', { params: { path: { id, revision } } }),
      ),
    enabled: revision > 0,
    // Revisions are never changed.
    staleTime: Infinity,
  });
  const now = useQuery({
    queryKey: ['proof', id, 'revision', proof.revision],
    queryFn: () =>
      take(
        api.GET('/api/proofs/{id}/revisions/{revision}', {
          params: { path: { id, revision: proof.revision } },
        }),
      ),
    staleTime: Infinity,
  });
  if (!other) {
    return (
      <Box sx={{ my: 2 }}>
        There is no older text of this product, and no supplier’s.{' '}
        <Button size="small" onClick={onClose}>
          Close
        </Button>
      </Box>
    );
  }
  const trouble = earlier.error ?? now.error;
  const then =
    revision === SUPPLIER ? proof.supplierText : (earlier.data?.fields[field.code] ?? '');
  const text = now.data?.fields[field.code] ?? '';
  const isReady = !!now.data && (revision === SUPPLIER || !!earlier.data);
  return (
    <Box data-testid="beside">
      <Sentence>
        This text{' '}
        <Word
          label="Beside or in one"
          value={way}
          choices={[
            { value: 'beside', label: 'beside' },
            { value: 'words', label: 'word by word against' },
          ]}
          onChange={(v) => setWay(v as 'beside' | 'words')}
        />{' '}
        <Word label="Which older text" value={other.value} choices={others} onChange={setChosen} />.
      </Sentence>
      {trouble && <Box sx={{ color: 'error.main' }}>{trouble.message}</Box>}
      {!isReady && !trouble && <LinearProgress aria-label="Loading the older text" />}
      {isReady && way === 'beside' && (
        <Box sx={{ display: 'grid', gridTemplateColumns: { sm: '1fr 1fr' }, gap: 3 }}>
          <Column title="Then" text={then} />
          <Column title="Now" text={text} />
        </Box>
      )}
      {isReady && way === 'words' && <Words then={then} now={text} />}
      <Box sx={{ my: 1.5, display: 'flex', gap: 1 }}>
        {onRestore && revision !== SUPPLIER && (
          <Button variant="outlined" onClick={() => onRestore(revision)}>
            Take the older one
          </Button>
        )}
        <Button onClick={onClose}>Close</Button>
      </Box>
    </Box>
  );
}

const manuscript = {
  fontFamily: serif,
  fontSize: 17,
  lineHeight: 1.6,
  whiteSpace: 'pre-line',
  overflowWrap: 'anywhere',
} as const;

function Column({ title, text }: { title: string; text: string }) {
  return (
    <Box sx={{ borderTop: 1, borderColor: 'divider', pt: 1 }}>
      <Box sx={{ fontSize: 12.5, color: 'text.secondary' }}>{title}</Box>
      <Box sx={manuscript}>
        {text || <Box sx={{ color: 'text.secondary' }}>This field was empty.</Box>}
      </Box>
    </Box>
  );
}

function Words({ then, now }: { then: string; now: string }) {
  if (then === now) return <Box sx={{ my: 1 }}>The two are alike, word for word.</Box>;
  return (
    <Box sx={{ ...manuscript, borderTop: 1, borderColor: 'divider', pt: 1 }}>
      {diffWordsWithSpace(then, now).map((part, i) =>
        part.added ? (
          <Box component="ins" key={i} sx={{ textDecorationColor: 'success.main' }}>
            {part.value}
          </Box>
        ) : part.removed ? (
          <Box component="del" key={i} sx={{ color: 'text.secondary' }}>
            {part.value}
          </Box>
        ) : (
          <span key={i}>{part.value}</span>
        ),
      )}
    </Box>
  );
}
