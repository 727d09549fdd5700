import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, take } from '../api/client';
import { count, figure } from '../frame/format';
import { Sentence, TypedWord } from '../frame/Sentence';
import { which, type Filter } from '../product/filter';
import { serif } from '../theme';

/** Words put for others in all texts that the sentence above shows: first what would change, then how far it is. */
export function Substitute(props: {
  filter: Filter;
  onChanged: (said: string) => void;
  onTrouble: (e: unknown) => void;
}) {
  const { filter, onChanged, onTrouble } = props;
  const [words, setWords] = useState('');
  const [instead, setInstead] = useState('');
  const [progress, setProgress] = useState<{ texts: number; of: number } | null>(null);
  const order = { act: 0, words, instead, which: which(filter) };
  const forecast = useQuery({
    queryKey: ['acts', 'substitutions', order],
    queryFn: () => take(api.POST('/api/acts/substitutions/forecast', { body: order })),
    enabled: words.trim() !== '' && progress === null,
  });
  const would = words.trim() ? forecast.data : undefined;

  const put = async (of: number) => {
    let act = 0;
    let texts = 0;
    try {
      setProgress({ texts, of });
      for (let left = of; left > 0;) {
        const done = await take(api.POST('/api/acts/substitutions', { body: { ...order, act } }));
        ({ act, texts, left } = done);
        setProgress({ texts, of });
      }
      onChanged(`${count(texts, 'text')} changed. They are to be read and signed off again.`);
    } catch (e) {
      onTrouble(e);
    } finally {
      setProgress(null);
    }
  };

  return (
    <>
      <Sentence>
        Put{' '}
        <TypedWord
          label="Words to put in"
          value={instead}
          otherwise="nothing"
          onSettled={setInstead}
        />{' '}
        where it says{' '}
        <TypedWord label="Words to look for" value={words} otherwise="…" onSettled={setWords} />.
      </Sentence>
      <Box sx={{ color: 'text.secondary', fontSize: 13 }}>
        Whole words, in all fields, whatever their case. Products’ names stay, and what is signed
        off or live.
      </Box>
      {forecast.error && <Box sx={{ color: 'error.main' }}>{forecast.error.message}</Box>}
      {forecast.isFetching && <LinearProgress aria-label="Looking for the words" />}
      {progress && (
        <Box role="status" sx={{ mt: 1 }}>
          <LinearProgress
            variant="determinate"
            value={(100 * progress.texts) / Math.max(1, progress.of)}
            aria-label="How far it is"
          />
          {figure(progress.texts)} of {count(progress.of, 'text')}
        </Box>
      )}
      {would && !progress && (
        <Box aria-live="polite">
          <Box sx={{ fontSize: 15, mt: 1 }}>
            {would.texts === 0 ? (
              'None of these texts has the words.'
            ) : (
              <>
                <strong>{count(would.texts, 'text')}</strong> would change.
              </>
            )}
          </Box>
          {would.examples.map(({ product, before, after }) => (
            <Box
              key={product.id}
              data-testid="substituted"
              sx={{ borderTop: 1, borderColor: 'divider', py: 1, mt: 1 }}
            >
              <Box sx={{ display: 'flex', gap: 1.5 }}>
                <Link to={`/proofs/${product.id}`}>{product.name}</Link>
                <Box component="span" sx={{ color: 'text.secondary' }}>
                  {product.sku}
                </Box>
              </Box>
              <Box sx={{ fontFamily: serif, fontSize: 16.5 }}>
                <Box component="del" sx={{ color: 'text.secondary' }}>
                  {before}
                </Box>
                <br />
                <Box component="ins" sx={{ textDecoration: 'none' }}>
                  {after || 'The sentence goes.'}
                </Box>
              </Box>
            </Box>
          ))}
          {would.texts > 0 && (
            <Button
              variant="contained"
              sx={{ mt: 1.5 }}
              disabled={forecast.isFetching}
              onClick={() => void put(would.texts)}
            >
              Change {count(would.texts, 'text')}
            </Button>
          )}
        </Box>
      )}
    </>
  );
}
