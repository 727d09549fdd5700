import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useInfiniteQuery, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, take, type Schema } from '../api/client';
import { Empty } from '../frame/Empty';
import { count } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { useMay } from '../frame/session';

type Group = Schema['Matrix'];

/** Which products are one thing in several colours, sizes or capacities: proposed, kept, corrected. */
export function VariantsPage() {
  const queries = useQueryClient();
  const notice = useNotice();
  const mayWrite = useMay('WRITER');
  // A kept group by its id, a proposal by its place in the list.
  const [chosen, setChosen] = useState<{ id: number; proposal: number } | null>(null);
  const pages = useInfiniteQuery({
    queryKey: ['variants'],
    queryFn: ({ pageParam }) =>
      take(api.GET('/api/variants', { params: { query: { before: pageParam } } })),
    initialPageParam: 0,
    getNextPageParam: (last) =>
      last.groups.length < 100 ? undefined : last.groups[last.groups.length - 1]!.id,
    refetchInterval: (q) => (q.state.data?.pages[0]?.isLooking ? 1500 : false),
  });
  const variants = {
    error: pages.error,
    data: pages.data && {
      ...pages.data.pages[0]!,
      groups: pages.data.pages.flatMap((p) => p.groups),
    },
  };
  const group = useQuery({
    queryKey: ['variants', chosen?.id],
    queryFn: () => take(api.GET('/api/variants/{id}', { params: { path: { id: chosen!.id } } })),
    enabled: (chosen?.id ?? 0) > 0,
  });
  const done = (said: string) => {
    queries.invalidateQueries({ queryKey: ['variants'] });
    notice.say(said);
  };
  const keep = useMutation({
    mutationFn: (g: Group) =>
      take(
        api.POST('/api/variants', {
          body: { name: g.name, members: g.members.map((m) => m.id) },
        }),
      ),
    onSuccess: (g) => {
      setChosen({ id: g.id, proposal: -1 });
      done(`${g.name} is a group of ${count(g.members.length, 'variant')} now.`);
    },
    onError: notice.trouble,
  });
  const keepAll = useMutation({
    mutationFn: () => take(api.POST('/api/variants/all')),
    onSuccess: (a) => {
      setChosen(null);
      done(`${count(a.groups, 'group')} kept.`);
    },
    onError: notice.trouble,
  });
  const leave = useMutation({
    mutationFn: (product: number) =>
      take(
        api.DELETE('/api/variants/{id}/members/{product}', {
          params: { path: { id: chosen!.id, product } },
        }),
      ),
    onSuccess: () => done('Taken out of the group.'),
    onError: notice.trouble,
  });
  const dissolve = useMutation({
    mutationFn: () =>
      take(api.DELETE('/api/variants/{id}', { params: { path: { id: chosen!.id } } })),
    onSuccess: () => {
      setChosen(null);
      done('Dissolved; its products stand for themselves again.');
    },
    onError: notice.trouble,
  });
  if (variants.error) return <Typography role="alert">{variants.error.message}</Typography>;
  if (!variants.data) return <LinearProgress aria-label="Looking for variants" />;
  const { groups, kept, proposals, proposed, isLooking } = variants.data;
  const shown =
    chosen === null ? undefined : chosen.id > 0 ? group.data : proposals[chosen.proposal];

  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { md: '300px minmax(0, 1fr)' }, gap: 4 }}>
      <Box component="nav" aria-label="Groups of variants">
        <Typography variant="h1" gutterBottom>
          Variants
        </Typography>
        {isLooking && (
          <Box sx={{ color: 'text.secondary', mb: 1 }}>
            Looking through what has changed
            <LinearProgress aria-label="Looking for variants" />
          </Box>
        )}
        {proposed > 0 && (
          <>
            <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
              <Typography variant="h3">Proposed</Typography>
              <Box sx={{ color: 'text.secondary' }}>{count(proposed, 'group')}</Box>
              <Box sx={{ flex: 1 }} />
              {mayWrite && (
                <Button size="small" disabled={keepAll.isPending} onClick={() => keepAll.mutate()}>
                  Keep all
                </Button>
              )}
            </Box>
            {proposals.map((g, i) => (
              <Line
                key={g.name + g.members[0]!.id}
                name={g.name}
                members={g.members.length}
                note={g.axes.map((a) => a.label.toLowerCase()).join(', ')}
                isChosen={chosen?.id === 0 && chosen.proposal === i}
                onChoose={() => setChosen({ id: 0, proposal: i })}
              />
            ))}
          </>
        )}
        {groups.length > 0 && (
          <Typography variant="h3" sx={{ mt: 2 }}>
            Kept
            <Box component="span" sx={{ color: 'text.secondary', fontSize: 14, ml: 1 }}>
              {groups.length < kept ? `${groups.length} of ${count(kept, 'group')}` : ''}
            </Box>
          </Typography>
        )}
        {groups.map((g) => (
          <Line
            key={g.id}
            name={g.name}
            members={g.members}
            isChosen={chosen?.id === g.id}
            onChoose={() => setChosen({ id: g.id, proposal: -1 })}
          />
        ))}
        {pages.hasNextPage && (
          <Button size="small" onClick={() => pages.fetchNextPage()}>
            More
          </Button>
        )}
      </Box>
      <Box>
        {shown ? (
          <>
            <Typography variant="h2">{shown.name}</Typography>
            <Box sx={{ display: 'flex', gap: 1, my: 1 }}>
              {mayWrite && chosen!.id === 0 && (
                <Button
                  variant="contained"
                  disabled={keep.isPending}
                  onClick={() => keep.mutate(shown)}
                >
                  These {shown.members.length} are variants of one thing
                </Button>
              )}
              {mayWrite && chosen!.id > 0 && (
                <Button onClick={() => dissolve.mutate()}>Dissolve the group</Button>
              )}
            </Box>
            <Matrix
              group={shown}
              onLeave={mayWrite && chosen!.id > 0 ? (p) => leave.mutate(p) : undefined}
            />
          </>
        ) : proposed + groups.length === 0 ? (
          <Empty title="No variants">
            No two products share brand, kind and name and differ in colour, size or capacity.
          </Empty>
        ) : (
          <Empty title="One thing, several products">
            Choose a group on the left. What its products share is told once; what sets them apart
            stands in the matrix.
          </Empty>
        )}
      </Box>
    </Box>
  );
}

function Line(props: {
  name: string;
  members: number;
  note?: string;
  isChosen: boolean;
  onChoose: () => void;
}) {
  return (
    <Box
      component="button"
      type="button"
      aria-current={props.isChosen ? 'true' : undefined}
      onClick={props.onChoose}
      sx={{
        display: 'block',
        width: '100%',
        textAlign: 'left',
        font: 'inherit',
        color: 'inherit',
        bgcolor: 'transparent',
        border: 0,
        borderTop: '1px solid',
        borderTopColor: 'divider',
        borderLeft: '3px solid',
        borderLeftColor: props.isChosen ? 'error.main' : 'transparent',
        py: 0.75,
        pl: 1.25,
        cursor: 'pointer',
      }}
    >
      {props.name}
      <Box component="span" sx={{ color: 'text.secondary', fontSize: 12.5, ml: 1 }}>
        {props.members} {props.note && `by ${props.note}`}
      </Box>
    </Box>
  );
}

/** The members by what varies: one axis as a list, two as a matrix with its gaps. */
function Matrix(props: { group: Group; onLeave?: (product: number) => void }) {
  const { group, onLeave } = props;
  const [rows, columns] = group.axes;
  const clashing = new Set(group.clashes.flat());
  const values = (axis: number) =>
    [...new Set(group.members.map((m) => m.values[axis] ?? ''))].sort((a, b) =>
      a.localeCompare(b, 'en', { numeric: true }),
    );
  const member = (m: Group['members'][number]) => (
    <Box key={m.id} sx={clashing.has(m.id) ? { color: 'error.main' } : undefined}>
      <Link to={`/products/${m.id}`}>{m.sku}</Link>
      {clashing.has(m.id) && ' stands in the same place'}
      {onLeave && (
        <Button
          size="small"
          aria-label={`Take ${m.sku} out`}
          sx={{ py: 0, fontSize: 12, color: 'text.secondary' }}
          onClick={() => onLeave(m.id)}
        >
          take out
        </Button>
      )}
    </Box>
  );
  const across = columns ? values(1) : [''];
  return (
    <>
      <Box component="table" data-testid="matrix" sx={matrixStyle}>
        <thead>
          <tr>
            <th>{rows?.label ?? 'Product'}</th>
            {across.map((c) => (
              <th key={c}>{columns ? c || `no ${columns.label.toLowerCase()}` : 'SKU'}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {values(0).map((r) => (
            <tr key={r}>
              <th scope="row">{r || `no ${rows?.label.toLowerCase() ?? 'value'}`}</th>
              {across.map((c) => {
                const here = group.members.filter(
                  (m) => (m.values[0] ?? '') === r && (!columns || (m.values[1] ?? '') === c),
                );
                return (
                  <td key={c} className={here.length ? '' : 'gap'}>
                    {here.length ? here.map(member) : 'none'}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </Box>
      {group.gaps.length > 0 && (
        <Typography sx={{ color: 'warning.main', mt: 1 }}>
          {count(group.gaps.length, 'combination')} not there. Perhaps the supplier doesn’t make
          them, perhaps a row is missing.
        </Typography>
      )}
      {group.clashes.length > 0 && (
        <Typography sx={{ color: 'error.main', mt: 1 }}>
          Products that stand in the same place differ in nothing that a shopper could choose by.
        </Typography>
      )}
    </>
  );
}

const matrixStyle = {
  borderCollapse: 'collapse',
  mt: 1,
  '& th, & td': {
    textAlign: 'left',
    verticalAlign: 'top',
    border: '1px solid',
    borderColor: 'divider',
    px: 1.5,
    py: 0.75,
  },
  '& thead th': { color: 'text.secondary', fontWeight: 500 },
  '& tbody th': { fontWeight: 500 },
  '& .gap': { color: 'text.secondary', fontStyle: 'italic' },
} as const;
