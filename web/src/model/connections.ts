import { useQuery } from '@tanstack/react-query';
import { api, take } from '../api/client';

/** The text models that the house may ask. */
export const useConnections = () =>
  useQuery({
    queryKey: ['connections'],
    queryFn: () => take(api.GET('/api/connections')),
  });

const amount = new Intl.NumberFormat('en-GB', {
  minimumFractionDigits: 2,
  maximumFractionDigits: 2,
});
const small = new Intl.NumberFormat('en-GB', { maximumSignificantDigits: 2 });

/** An amount of money; the account says in which currency. */
export const money = (n: number) => (n !== 0 && n < 0.1 ? small.format(n) : amount.format(n));
