import { useQuery } from '@tanstack/react-query';
import { api, take } from '../api/client';

/** Those whom texts can be given to, with how many each has. */
export const useReaders = (isWanted = true) =>
  useQuery({
    queryKey: ['readers'],
    queryFn: () => take(api.GET('/api/readers')),
    enabled: isWanted,
    staleTime: 60_000,
  });
