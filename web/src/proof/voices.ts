import { useQuery } from '@tanstack/react-query';
import { api, take } from '../api/client';

/** The voices that texts can be written in, as choices of a sentence. */
export function useVoices() {
  const voices = useQuery({
    queryKey: ['voices'],
    queryFn: () => take(api.GET('/api/voices')),
    staleTime: Infinity,
  });
  const all = voices.data ?? [{ id: 'plain', label: 'Plain', about: '' }];
  return {
    choices: all.map((v) => ({ value: v.id, label: v.label.toLowerCase() })),
    about: (id: string) => all.find((v) => v.id === id)?.about ?? '',
  };
}

/** "A" or "an", as the word after it is spoken. */
export const article = (word: string) => (/^[aeiou]/i.test(word) ? 'an' : 'a');
