import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useInfiniteQuery, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { ListDetail, ListItem } from '../frame/ListDetail';
import { count } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Sentence, TypedWord, Word } from '../frame/Sentence';
import { useMay } from '../frame/session';
import { STANDINGS } from '../frame/standings';
import { ClaimForm } from './ClaimForm';

type Claim = Schema['ClaimView'];

/** What the house lets facts say for the buyer: found, read, tried on real products, decided. */
export function ClaimsPage() {
  const queries = useQueryClient();
  const notice = useNotice();
  const mayDecide = useMay('EDITOR');
  const [state, setState] = useState('ALL');
  const [search, setSearch] = useState('');
  const [open, setOpen] = useState<Claim | 'new' | null>(null);
  const choices = useQuery({
    queryKey: ['claims', 'choices'],
    queryFn: () => take(api.GET('/api/claims/choices')),
    staleTime: Infinity,
  });
  const pages = useInfiniteQuery({
    queryKey: ['claims', state, search],
    queryFn: ({ pageParam }) =>
      take(api.GET('/api/claims', { params: { query: { state, search, after: pageParam } } })),
    initialPageParam: '',
    getNextPageParam: (last) => last.next || undefined,
  });
  const claims = pages.data?.pages.flatMap((p) => p.items) ?? [];
  const decide = useMutation({
    mutationFn: async ([claim, what]: [Claim, 'approve' | 'ban' | 'restore']) => {
      const params = { path: { id: claim.claim.id } };
      if (what === 'approve') {
        await take(api.POST('/api/claims/{id}/approve', { params }));
        return 'Approved.';
      }
      const touched = await take(
        what === 'ban'
          ? api.POST('/api/claims/{id}/ban', { params })
          : api.POST('/api/claims/{id}/restore', { params }),
      );
      return `${what === 'ban' ? 'Banned' : 'Put back'}. ${stale(touched.texts)}`;
    },
    onSuccess: (said) => {
      notice.say(said);
      setOpen(null);
      queries.invalidateQueries({ queryKey: ['claims'] });
      queries.invalidateQueries({ queryKey: ['proof'] });
    },
    onError: notice.trouble,
  });
  return (
    <ListDetail
      head={
        <>
          <Typography variant="h1">Claims</Typography>
          <Sentence>
            Showing{' '}
            <Word
              label="Which claims"
              value={state}
              choices={[
                { value: 'ALL', label: 'all claims' },
                ...Object.entries(STANDINGS).map(([value, label]) => ({
                  value,
                  label: `claims that are ${label}`,
                })),
              ]}
              onChange={setState}
            />{' '}
            about <TypedWord label="Words" value={search} onSettled={setSearch} />.
          </Sentence>
          {mayDecide && (
            <Button variant="outlined" size="small" onClick={() => setOpen('new')}>
              Add a claim
            </Button>
          )}
          {claims.length === 0 && !pages.isPending && (
            <Box sx={{ color: 'text.secondary', mt: 2 }}>
              No claim is like that. Change the words above, or add a claim.
            </Box>
          )}
        </>
      }
      list={
        <>
          {claims.map((c) => (
            <ListItem
              key={c.claim.id}
              isOpen={open !== 'new' && open?.claim.id === c.claim.id}
              onOpen={() => setOpen(c)}
              line={
                <>
                  {c.fact} {when(c)}
                </>
              }
              end={
                <Box
                  component="span"
                  sx={{ color: c.state === 'BANNED' ? 'error.main' : undefined }}
                >
                  {STANDINGS[c.state]}
                </Box>
              }
              below={
                <Box sx={{ color: 'success.main', fontStyle: 'italic' }}>{c.says.join(' · ')}</Box>
              }
            />
          ))}
          {pages.hasNextPage && (
            <li>
              <Button onClick={() => pages.fetchNextPage()} disabled={pages.isFetching}>
                More claims
              </Button>
            </li>
          )}
        </>
      }
      detail={
        open && choices.data ? (
          <ClaimForm
            key={open === 'new' ? '' : open.claim.id}
            claim={open === 'new' ? null : open}
            choices={choices.data}
            mayDecide={mayDecide}
            onKept={(texts) => {
              notice.say(`Kept. ${stale(texts)}`);
              queries.invalidateQueries({ queryKey: ['claims'] });
            }}
            onDecide={(what) => open !== 'new' && decide.mutate([open, what])}
            onClose={() => setOpen(null)}
          />
        ) : (
          <Box sx={{ color: 'text.secondary', pt: 8 }}>
            A claim is what a fact lets the house say for the buyer: a roll-top closure lets it say
            that rain finds no way in. Open one to read it, to see it at work on your products, and
            to change or ban it.
          </Box>
        )
      }
    />
  );
}

const stale = (texts: number) =>
  texts === 0
    ? 'No text makes this claim.'
    : `${count(texts, 'text')} that ${texts === 1 ? 'makes' : 'make'} it ${texts === 1 ? 'is' : 'are'} stale now.`;

/** When a claim holds, in words. */
function when({ claim }: Claim) {
  const parts = [];
  if (claim.contains.length > 0) parts.push(`says “${claim.contains.join('” or “')}”`);
  if (claim.atLeast != null) parts.push(`at least ${claim.atLeast} ${claim.unit}`.trim());
  if (claim.atMost != null) parts.push(`at most ${claim.atMost} ${claim.unit}`.trim());
  return parts.join(', ');
}
