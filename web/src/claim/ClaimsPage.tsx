import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useInfiniteQuery, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { count } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Sentence, TypedWord, Word } from '../frame/Sentence';
import { useMay } from '../frame/session';
import { ClaimForm } from './ClaimForm';

type Claim = Schema['ClaimView'];

export const STATES: Record<Claim['state'], string> = {
  AS_DELIVERED: 'as delivered',
  APPROVED: 'approved',
  CHANGED: 'changed',
  OWN: 'the house’s own',
  BANNED: 'banned',
};

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
    <Box sx={{ display: 'grid', gridTemplateColumns: { lg: '1fr 1fr' }, gap: 4 }}>
      <Box>
        <Typography variant="h1">Claims</Typography>
        <Sentence>
          Showing{' '}
          <Word
            label="Which claims"
            value={state}
            choices={[
              { value: 'ALL', label: 'all claims' },
              ...Object.entries(STATES).map(([value, label]) => ({
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
        <Box component="ul" sx={{ listStyle: 'none', p: 0, mt: 1.5 }}>
          {claims.map((c) => {
            const isOpen = open !== 'new' && open?.claim.id === c.claim.id;
            return (
              <Box
                component="li"
                key={c.claim.id}
                sx={{
                  borderTop: 1,
                  borderColor: 'divider',
                  borderLeft: isOpen ? '3px solid' : undefined,
                  borderLeftColor: 'primary.main',
                }}
              >
                <Box
                  component="button"
                  aria-expanded={isOpen}
                  onClick={() => setOpen(c)}
                  sx={{
                    display: 'block',
                    width: '100%',
                    textAlign: 'left',
                    font: 'inherit',
                    color: 'inherit',
                    border: 0,
                    bgcolor: 'transparent',
                    cursor: 'pointer',
                    py: 0.75,
                    px: 1,
                  }}
                >
                  <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 2 }}>
                    <span>
                      {c.fact} {when(c)}
                    </span>
                    <Box
                      sx={{
                        color: c.state === 'BANNED' ? 'error.main' : 'text.secondary',
                        fontSize: 12.5,
                        whiteSpace: 'nowrap',
                      }}
                    >
                      {STATES[c.state]}
                    </Box>
                  </Box>
                  <Box sx={{ color: 'success.main', fontStyle: 'italic' }}>
                    {c.says.join(' · ')}
                  </Box>
                </Box>
              </Box>
            );
          })}
        </Box>
        {pages.hasNextPage && (
          <Button onClick={() => pages.fetchNextPage()} disabled={pages.isFetching}>
            More claims
          </Button>
        )}
      </Box>
      <Box sx={{ position: { lg: 'sticky' }, top: 70, alignSelf: 'start' }}>
        {open && choices.data ? (
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
        )}
      </Box>
    </Box>
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
