import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useLocation, useNavigate, useParams, useSearchParams } from 'react-router';
import { api, take } from '../api/client';
import { Empty } from '../frame/Empty';
import { count, figure } from '../frame/format';
import { Stage } from '../frame/Stage';
import { useMay } from '../frame/session';
import { PutInRange } from '../range/PutInRange';
import { ChoiceSentence } from './ChoiceSentence';
import { Facts } from './Facts';
import { fromAddress, isPlain, toAddress, type Filter } from './filter';
import { WriteSentence } from './WriteSentence';

const PAGE = 50;

/** Products in a table, chosen by a sentence; one of them beside it with its facts. */
export function ProductsPage() {
  const { id } = useParams();
  const navigate = useNavigate();
  const location = useLocation();
  const [search, setSearch] = useSearchParams();
  const mayWrite = useMay('WRITER');
  const [choice, setChoice] = useState<{ key: string; ids: Set<number> }>({
    key: '',
    ids: new Set(),
  });
  const filter = fromAddress(search);
  const key = JSON.stringify(filter);
  // A choice belongs to what was shown when it was made.
  const chosen = choice.key === key ? choice.ids : new Set<number>();
  const setChosen = (ids: Set<number>) => setChoice({ key, ids });
  const change = (part: Partial<Filter>) =>
    setSearch(toAddress({ ...filter, ...part }), { replace: true, state: location.state });

  const [isPutting, setPutting] = useState(false);
  const pages = useInfiniteQuery({
    queryKey: ['products', filter],
    queryFn: ({ pageParam }) =>
      take(
        api.GET('/api/products', {
          params: { query: { ...filter, after: pageParam, limit: PAGE } },
        }),
      ),
    initialPageParam: '',
    getNextPageParam: (last) => last.next || undefined,
    placeholderData: keepPreviousData,
  });
  const lines = pages.data?.pages.flatMap((p) => p.items) ?? [];
  const total = pages.data?.pages[0]?.total ?? 0;

  if (pages.isSuccess && total === 0 && isPlain(filter)) {
    return (
      <Empty title="No products yet">
        Products come from suppliers’ sheets. <Link to="/intake">Take one in</Link> first, or{' '}
        <Link to="/products/new">enter one by hand</Link>.
      </Empty>
    );
  }
  const toggle = (one: number) => {
    const next = new Set(chosen);
    if (!next.delete(one)) next.add(one);
    setChosen(next);
  };
  const isAllShown = lines.length > 0 && lines.every((l) => chosen.has(l.id));

  return (
    <Box>
      <ChoiceSentence filter={filter} asked={location.state?.asked} onChange={change} />
      <Box component="nav" aria-label="Work on products" sx={{ display: 'flex', gap: 3, mb: 1 }}>
        <Link to="/products/missing">What is missing</Link>
        <Link to="/products/variants">Variants</Link>
        <Link to="/products/new">A product by hand, or from a text</Link>
        <Link to="/categories">Category pages</Link>
        {mayWrite && (
          <Button
            size="small"
            aria-expanded={isPutting}
            sx={{ p: 0, font: 'inherit', textDecoration: 'underline' }}
            onClick={() => setPutting(!isPutting)}
          >
            Put in a range
          </Button>
        )}
      </Box>
      {mayWrite && (
        <WriteSentence
          key={location.state?.asked}
          filter={filter}
          total={total}
          chosen={[...chosen]}
        />
      )}
      {mayWrite && isPutting && <PutInRange filter={filter} total={total} chosen={[...chosen]} />}
      {pages.isFetching && <LinearProgress aria-label="Loading products" />}
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: id ? { md: 'minmax(0, 1fr) 420px' } : '1fr',
          gap: 4,
        }}
      >
        <Box>
          <Table size="small" aria-label="Products" sx={{ '& td': { height: 37 } }}>
            <TableHead>
              <TableRow>
                <TableCell padding="checkbox" sx={{ width: 32 }}>
                  <Tick
                    label={'Choose all shown'}
                    checked={isAllShown}
                    onChange={() =>
                      setChosen(isAllShown ? new Set() : new Set(lines.map((l) => l.id)))
                    }
                  />
                </TableCell>
                <TableCell>SKU</TableCell>
                <TableCell>Name</TableCell>
                {!id && <TableCell>Brand</TableCell>}
                {!id && <TableCell>Kind</TableCell>}
                <TableCell>Stage</TableCell>
                <TableCell align="right">Ready</TableCell>
                {!id && <TableCell align="right">To fix</TableCell>}
                <TableCell>Text</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {lines.map((l) => (
                <TableRow key={l.id} hover selected={l.id === Number(id)}>
                  <TableCell padding="checkbox">
                    <Tick
                      label={`Choose ${l.sku}`}
                      checked={chosen.has(l.id)}
                      onChange={() => toggle(l.id)}
                    />
                  </TableCell>
                  <TableCell sx={{ whiteSpace: 'nowrap' }}>{l.sku}</TableCell>
                  <TableCell>
                    <Link to={{ pathname: `/products/${l.id}`, search: search.toString() }}>
                      {l.name}
                    </Link>
                    {l.failed && <Box sx={{ color: 'error.main', fontSize: 12 }}>{l.failed}</Box>}
                  </TableCell>
                  {!id && <TableCell>{l.brand}</TableCell>}
                  {!id && <TableCell>{l.kind}</TableCell>}
                  <TableCell>
                    <Stage product={l} />
                  </TableCell>
                  <TableCell align="right">{l.readiness < 0 ? '' : l.readiness}</TableCell>
                  {!id && <TableCell align="right">{l.mustFix || ''}</TableCell>}
                  <TableCell>
                    {l.readiness >= 0 && <Link to={`/proofs/${l.id}`}>proof</Link>}
                    {l.page && (
                      <>
                        {', '}
                        <a href={l.page} target="_blank" rel="noreferrer">
                          live
                        </a>
                      </>
                    )}
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
          <Box
            sx={{ color: 'text.secondary', mt: 1.5, display: 'flex', gap: 2, alignItems: 'center' }}
          >
            <span data-testid="shown">
              {total === 0
                ? 'No product matches the sentence above.'
                : `${figure(lines.length)} of ${count(total, 'product')} shown.`}
            </span>
            {pages.hasNextPage && (
              <Button
                size="small"
                disabled={pages.isFetching}
                onClick={() => pages.fetchNextPage()}
              >
                Show {PAGE} more
              </Button>
            )}
          </Box>
        </Box>
        {id && (
          <Facts
            id={Number(id)}
            onClose={() => navigate({ pathname: '/products', search: search.toString() })}
          />
        )}
      </Box>
    </Box>
  );
}

function Tick(props: { label: string; checked: boolean; onChange: () => void }) {
  return (
    <Box
      component="input"
      type="checkbox"
      aria-label={props.label}
      checked={props.checked}
      onChange={props.onChange}
      sx={{
        width: 15,
        height: 15,
        m: '0 0 0 2px',
        accentColor: 'currentColor',
        verticalAlign: 'middle',
      }}
    />
  );
}
