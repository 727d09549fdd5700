import { useQuery } from '@tanstack/react-query';
import { api, take, type Schema } from '../api/client';

/** The house's channels, by name. */
export const useChannels = () =>
  useQuery({ queryKey: ['channels'], queryFn: () => take(api.GET('/api/channels')) });

/** The languages that texts are written in. */
export const LANGUAGES = [
  { owner: 'BRITISH', name: 'British English' },
  { owner: 'AMERICAN', name: 'American English' },
] as const;

/** A channel's language as it is sent: missing for the house's. */
export const spellingOf = (value: string) =>
  (value || undefined) as Schema['ChannelOrder']['spelling'];
