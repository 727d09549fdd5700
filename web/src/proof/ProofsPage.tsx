import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { Theme } from '@mui/material/styles';
import useMediaQuery from '@mui/material/useMediaQuery';
import {
  keepPreviousData,
  useInfiniteQuery,
  useQuery,
  useQueryClient,
} from '@tanstack/react-query';
import { useCallback, useEffect, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { api, take } from '../api/client';
import { Empty } from '../frame/Empty';
import { PILE } from '../frame/orders';
import { count } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { useMay } from '../frame/session';
import { Stage } from '../frame/Stage';
import { ChoiceSentence } from '../product/ChoiceSentence';
import { fromAddress, toAddress, type Filter } from '../product/filter';
import { Picture } from '../product/Picture';
import { DEEDS, Many, type Deed } from './Many';
import { Proof, proofOf } from './Proof';

const READABLE = ['PROOF', 'READY', 'FIX', 'COMMENTED', 'STALE', 'SIGNED_OFF', 'PUBLISHED'];

/** How long a text that was fetched ahead is as good as new, in milliseconds. */
const FRESH = 10_000;

/** The pile of proofs, and the one being read. */
export function ProofsPage() {
  const { id } = useParams();
  const navigate = useNavigate();
  // The choice stays in the address, so that reload, back and a colleague see the same.
  const [address, setAddress] = useSearchParams();
  const filter = fromAddress(address, PILE);
  const search = toAddress(filter, PILE).toString();
  const change = (part: Partial<Filter>) =>
    setAddress(toAddress({ ...filter, ...part }, PILE), { replace: true });
  // What is to be done to all of them, if anything is; an order brings it along.
  const deed = DEEDS.find((d) => d === address.get('do'));
  const setDeed = (next: Deed | undefined) => {
    const to = toAddress(filter, PILE);
    if (next) to.set('do', next);
    setAddress(to, { replace: true });
  };
  const pile = useInfiniteQuery({
    queryKey: ['products', 'pile', filter],
    queryFn: ({ pageParam }) =>
      take(
        api.GET('/api/products', {
          params: { query: { ...filter, after: pageParam, limit: 60 } },
        }),
      ),
    initialPageParam: '',
    getNextPageParam: (last) => last.next || undefined,
    placeholderData: keepPreviousData,
  });
  const queries = useQueryClient();
  // A run may be writing, and others read: what waits is asked for all the time, by the bar.
  const waiting = useQuery({
    queryKey: ['waiting'],
    queryFn: () => take(api.GET('/api/waiting')),
  }).data?.proofs;
  useEffect(() => {
    if (waiting !== undefined) queries.invalidateQueries({ queryKey: ['products', 'pile'] });
  }, [waiting, queries]);
  const notice = useNotice();
  const maySign = useMay('EDITOR');
  // What was opened in this sitting, in the revision that was seen; only that can be signed off together.
  const [read, setRead] = useState<Record<number, number>>({});
  const noteRead = useCallback(
    (product: number, revision: number) => setRead((r) => ({ ...r, [product]: revision })),
    [],
  );
  const readCount = Object.keys(read).length;
  const signOffRead = async () => {
    try {
      const { count: signedOff } = await take(
        api.POST('/api/proofs/sign-off', { body: { revisions: read } }),
      );
      const left = readCount - signedOff;
      setRead({});
      queries.invalidateQueries({ queryKey: ['products'] });
      queries.invalidateQueries({ queryKey: ['proof'] });
      queries.invalidateQueries({ queryKey: ['waiting'] });
      notice.say(
        `${count(signedOff, 'text')} signed off.` +
          (left > 0
            ? ` ${count(left, 'text')} not: something must be fixed, or it was changed or signed off before.`
            : ''),
      );
    } catch (e) {
      notice.trouble(e);
    }
  };
  const lines = pile.data?.pages.flatMap((p) => p.items) ?? [];
  // Without any pictures there is no room for them.
  const hasPictures = lines.some((l) => l.picture > 0);
  const total = pile.data?.pages[0]?.total ?? 0;
  const at = lines.findIndex((l) => l.id === Number(id));
  const open = async (step: number) => {
    let all = lines;
    if (at + step >= all.length && pile.hasNextPage) {
      const more = await pile.fetchNextPage();
      all = more.data?.pages.flatMap((p) => p.items) ?? all;
    }
    const next = all[at + step];
    if (next) navigate({ pathname: `/proofs/${next.id}`, search });
    else if (step > 0) notice.say('This is the last text of the pile.');
  };

  // The next and the last text are there before somebody asks for them.
  const before = lines[at - 1]?.id;
  const after = lines[at + 1]?.id;
  useEffect(() => {
    if (at < 0) return;
    for (const near of [after, before]) {
      if (near) void queries.prefetchQuery({ ...proofOf(near), staleTime: FRESH });
    }
  }, [at, after, before, queries]);

  // Where there is room for both, the text that needs somebody most is open from the start.
  const hasRoom = useMediaQuery((theme: Theme) => theme.breakpoints.up('md'));
  const first = lines[0]?.id;
  const opensFirst = hasRoom && !id && !deed && !pile.isPlaceholderData ? first : undefined;
  useEffect(() => {
    if (opensFirst) navigate({ pathname: `/proofs/${opensFirst}`, search }, { replace: true });
  }, [opensFirst, navigate, search]);

  useEffect(() => {
    window.scrollTo(0, 0);
    document
      .querySelector('nav[aria-label="Pile of proofs"] [aria-current=true]')
      ?.scrollIntoView({ block: 'nearest' });
  }, [id]);

  return (
    <>
      <Box sx={{ display: { xs: id ? 'none' : 'block', md: 'block' } }}>
        <ChoiceSentence filter={filter} states={READABLE} onChange={change} />
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: { md: '250px minmax(0, 1fr)' }, gap: 3 }}>
        <Box
          sx={{
            display: { xs: id ? 'none' : 'block', md: 'block' },
            // The pile scrolls by itself, so that what is opened from its end stands beside it.
            position: { md: 'sticky' },
            top: 64,
            alignSelf: 'start',
            maxHeight: { md: 'calc(100vh - 72px)' },
            overflowY: { md: 'auto' },
          }}
        >
          <Box
            sx={{
              display: 'flex',
              flexWrap: 'wrap',
              alignItems: 'baseline',
              mb: 1,
              whiteSpace: 'nowrap',
              '& .MuiButton-root': { px: 0.75, minWidth: 0 },
            }}
          >
            <Box sx={{ color: 'text.secondary' }}>{count(total, 'text')}</Box>
            <Box sx={{ flex: 1 }} />
            <Button size="small" component={Link} to={{ pathname: '/proofs/side-by-side', search }}>
              Side by side
            </Button>
            {maySign && (
              <Button
                size="small"
                aria-pressed={!!deed}
                onClick={() => setDeed(deed ? undefined : 'SIGN_OFF')}
              >
                Many at once
              </Button>
            )}
          </Box>
          {maySign && readCount > 1 && (
            <Button size="small" variant="outlined" sx={{ mb: 1 }} onClick={signOffRead}>
              Sign off the {readCount} read
            </Button>
          )}
          <nav aria-label="Pile of proofs">
            {lines.map((l) => (
              <Box
                key={l.id}
                component={Link}
                to={{ pathname: `/proofs/${l.id}`, search }}
                aria-current={l.id === Number(id) ? 'true' : undefined}
                sx={{
                  display: 'flex',
                  gap: 1,
                  textDecoration: 'none',
                  py: 0.9,
                  pl: 1.25,
                  borderLeft: 3,
                  borderTop: 1,
                  borderTopColor: 'divider',
                  borderLeftColor: l.id === Number(id) ? 'error.main' : 'transparent',
                  '&:hover': { bgcolor: 'background.paper' },
                }}
              >
                {hasPictures && <Picture product={l} size={38} />}
                <Box sx={{ minWidth: 0, flex: 1 }}>
                  <Box sx={{ display: 'flex', justifyContent: 'space-between' }}>
                    <span>{l.name}</span>
                    <strong>{l.readiness}</strong>
                  </Box>
                  <Box
                    sx={{
                      fontSize: 12,
                      color: 'text.secondary',
                      display: 'flex',
                      flexWrap: 'wrap',
                      columnGap: 1,
                      '& > :first-of-type': { overflowWrap: 'anywhere' },
                    }}
                  >
                    <span>{l.sku}</span> <Stage product={l} />
                  </Box>
                </Box>
              </Box>
            ))}
            {pile.hasNextPage && (
              <Button size="small" onClick={() => pile.fetchNextPage()}>
                More
              </Button>
            )}
          </nav>
        </Box>
        {deed && maySign ? (
          <Many
            filter={filter}
            total={total}
            deed={deed}
            onDeed={setDeed}
            onClose={() => setDeed(undefined)}
          />
        ) : id ? (
          <Proof key={id} id={Number(id)} onStep={open} onRead={noteRead} />
        ) : total === 0 && pile.isSuccess ? (
          <Empty title="No text to read here">
            Either all is read, or nothing is written yet. Start a run under{' '}
            <Link to="/products">Products</Link>.
          </Empty>
        ) : null}
      </Box>
    </>
  );
}
