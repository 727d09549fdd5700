import Box from '@mui/material/Box';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, take, type Schema } from '../api/client';
import { useNotice } from '../frame/Notice';
import { TypedWord } from '../frame/Sentence';
import { useMay } from '../frame/session';
import { PhrasesOf } from './PhrasesOf';

type Keywords = Schema['ProductKeywords'];

const commas = (words: string[]) => words.join(', ');
const parted = (typed: string) =>
  typed
    .split(',')
    .map((w) => w.trim())
    .filter((w) => w !== '');

/** What a product's page is to be found by, as a sentence whose words can be changed. */
export function OfProduct({ id }: { id: number }) {
  const queries = useQueryClient();
  const notice = useNotice();
  const mayWrite = useMay('WRITER');
  const params = { path: { id } };
  const keywords = useQuery({
    queryKey: ['keywords', 'of', id],
    queryFn: () => take(api.GET('/api/products/{id}/keywords', { params })),
  });
  const put = useMutation({
    mutationFn: (change: Partial<Keywords>) => {
      const now = { ...keywords.data!, ...change };
      return take(
        api.PUT('/api/products/{id}/keywords', {
          params,
          body: { keyword: now.keyword, supporting: now.supporting, required: now.required },
        }),
      );
    },
    onSuccess: () => {
      for (const key of ['keywords', 'proof', 'audit']) {
        queries.invalidateQueries({ queryKey: [key] });
      }
    },
    onError: (e) => {
      notice.trouble(e);
      queries.invalidateQueries({ queryKey: ['keywords', 'of', id] });
    },
  });
  const data = keywords.data;
  if (!data) return null;
  if (!mayWrite) {
    return data.keyword ? <Box sx={{ mb: 1 }}>To be found by “{data.keyword}”.</Box> : null;
  }
  return (
    <Box data-testid="keywords-of" sx={{ mb: 1.5, lineHeight: 1.9 }}>
      To be found by{' '}
      <TypedWord
        key={`k ${data.keyword}`}
        label="Keyword"
        value={data.keyword}
        otherwise="no keyword"
        onSettled={(keyword) => put.mutate({ keyword })}
      />
      , besides by{' '}
      <TypedWord
        key={`s ${commas(data.supporting)}`}
        label="Supporting keywords"
        value={commas(data.supporting)}
        otherwise="nothing else"
        onSettled={(typed) => put.mutate({ supporting: parted(typed) })}
      />
      , and it has to say{' '}
      <TypedWord
        key={`r ${commas(data.required)}`}
        label="Required words"
        value={commas(data.required)}
        otherwise="no word"
        onSettled={(typed) => put.mutate({ required: parted(typed) })}
      />
      .
      {data.ofStyle.length > 0 && (
        <Box sx={{ fontSize: 12.5, color: 'text.secondary' }}>
          Its range or the house asks for {commas(data.ofStyle)} too.
        </Box>
      )}
      <PhrasesOf
        id={id}
        onTaken={(phrase) =>
          put.mutate(
            data.keyword === ''
              ? { keyword: phrase }
              : { supporting: [...data.supporting.filter((s) => s !== phrase), phrase] },
          )
        }
      />
    </Box>
  );
}
