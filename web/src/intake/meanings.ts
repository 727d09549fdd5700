import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, take } from '../api/client';

/** What codes of parts of things begin with, of which there are too many to list all. */
const PART = 'part_';

/** All that a column may mean, with the parts of things among the codes that somebody shows. */
export function useMeanings(codes: string[]) {
  const also = [...new Set(codes.filter((c) => c.startsWith(PART)))].sort();
  const { data } = useQuery({
    queryKey: ['meanings', also],
    queryFn: () => take(api.GET('/api/intakes/meanings', { params: { query: { also } } })),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
  const all = data ?? [];
  return { all, label: (code: string) => all.find((m) => m.code === code)?.label ?? code };
}
