import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { api, take, type Schema } from '../api/client';
import { count } from '../frame/format';

const STANDS: Record<Schema['Proposed']['form'], string> = {
  WORD_FOR_WORD: 'in the text',
  INFLECTED: 'in the text, inflected',
  REWORDED: 'in the text, reworded',
  MISSING: 'missing in the text',
};

/** Phrases that the product's range or kind is described by; each can be taken over as a keyword. */
export function PhrasesOf(props: { id: number; onTaken: (phrase: string) => void }) {
  const phrases = useQuery({
    queryKey: ['keywords', 'phrases', props.id],
    queryFn: () =>
      take(api.GET('/api/products/{id}/phrases', { params: { path: { id: props.id } } })),
  });
  if (!phrases.data?.phrases.length) return null;
  return (
    <Box data-testid="phrases-of" sx={{ fontSize: 13, lineHeight: 1.6, mt: 1 }}>
      {phrases.data.range || 'Its kind'} is described by
      {phrases.data.phrases.map((p) => (
        <Box key={p.words} sx={{ display: 'flex', gap: 1, alignItems: 'baseline' }}>
          <Button
            size="small"
            sx={{ py: 0, px: 0, minWidth: 0 }}
            aria-label={`Take “${p.words}” as a keyword`}
            onClick={() => props.onTaken(p.words)}
          >
            {p.words}
          </Button>
          <Box sx={{ color: p.form === 'MISSING' ? 'warning.main' : 'text.secondary' }}>
            {STANDS[p.form]}, said of {count(p.texts, 'product')}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
