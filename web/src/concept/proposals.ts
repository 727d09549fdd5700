import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, take, type Schema } from '../api/client';
import { useNotice } from '../frame/Notice';

export type NewWording = Schema['NewWording'];

/** What tells one wording from all others. */
export const wordingKey = (w: NewWording) => `${w.heading}\n${w.form}\n${w.wording}`;

/** What a text model proposes for headings, with the ways to ask it and to keep what is chosen. */
export function useProposals(
  connection: Schema['ConnectionView'] | undefined,
  headings: string[],
  chosen: ReadonlyMap<string, NewWording>,
  onKept: (texts: number) => void,
) {
  const queries = useQueryClient();
  const notice = useNotice();
  const queryKey = ['concepts', 'proposals', connection?.id, headings];
  const order = (ask: boolean) =>
    take(
      api.POST('/api/concepts/proposals', {
        body: { connection: connection?.id ?? 0, headings, ask },
      }),
    );
  const shown = useQuery({
    queryKey,
    queryFn: () => order(false),
    enabled: connection !== undefined && headings.length > 0,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const ask = useMutation({
    mutationFn: () => order(true),
    onSuccess: (answered) => {
      queries.setQueryData(queryKey, answered);
      queries.invalidateQueries({ queryKey: ['connections'] });
    },
    onError: notice.trouble,
  });
  const keep = useMutation({
    mutationFn: () =>
      take(api.POST('/api/concepts/wordings', { body: { wordings: [...chosen.values()] } })),
    onSuccess: (touched) => onKept(touched.texts),
    onError: notice.trouble,
  });
  return {
    shown,
    ask,
    keep,
    of: (heading: string) => shown.data?.headings.find((h) => h.heading === heading),
  };
}

export type Proposals = ReturnType<typeof useProposals>;
