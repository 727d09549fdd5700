import { useQuery } from '@tanstack/react-query';
import { api, take } from '../api/client';

/** The house's ranges, by name. */
export function useRanges() {
  return useQuery({ queryKey: ['ranges'], queryFn: () => take(api.GET('/api/ranges')) });
}
