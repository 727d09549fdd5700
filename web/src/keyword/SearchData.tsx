import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useInfiniteQuery, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { api, take, uploadSearchData, type Schema } from '../api/client';
import { count, figure, when } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Sentence, Word } from '../frame/Sentence';
import { useMay } from '../frame/session';
import { inSteps } from './steps';

const PAGE = 20;

/** What people search for, taken in from a file, and the keywords that follow from it. */
export function SearchData() {
  const queries = useQueryClient();
  const notice = useNotice();
  const mayWrite = useMay('WRITER');
  const input = useRef<HTMLInputElement>(null);
  const [sent, setSent] = useState<number | null>(null);
  const last = useQuery({
    queryKey: ['keywords', 'search data'],
    queryFn: () => take(api.GET('/api/keywords/search-data')),
  });
  const takeIn = async (file: File) => {
    setSent(0);
    try {
      const came = await uploadSearchData(file, setSent);
      notice.say(`${figure(came.rows)} queries were looked through.`);
      queries.invalidateQueries({ queryKey: ['keywords'] });
    } catch (e) {
      notice.trouble(e);
    } finally {
      setSent(null);
    }
  };
  const came = last.data?.last[0];
  return (
    <Box data-testid="search-data" sx={{ mt: 4 }}>
      <Typography variant="h2">What is searched for</Typography>
      {came ? (
        <Came came={came} />
      ) : (
        <Box sx={{ color: 'text.secondary' }}>
          Search data say which words people look for: queries with impressions or monthly volume,
          as a CSV or XLSX file of up to 400 MB and two million rows. Each query is matched to the
          products that it is about.
        </Box>
      )}
      {mayWrite && (
        <Box sx={{ mt: 1 }}>
          <input
            ref={input}
            type="file"
            hidden
            aria-label="Search data"
            onChange={(e) => {
              const file = e.target.files?.[0];
              if (file) takeIn(file);
              e.target.value = '';
            }}
          />
          <Button
            size="small"
            variant="outlined"
            disabled={sent !== null}
            onClick={() => input.current?.click()}
          >
            {came ? 'Take newer search data in' : 'Take search data in'}
          </Button>
        </Box>
      )}
      {sent !== null && (
        <Box sx={{ mt: 1 }}>
          <LinearProgress
            aria-label="Taking search data in"
            variant={sent < 1 ? 'determinate' : 'indeterminate'}
            value={sent * 100}
          />
          {sent < 1 ? 'Sending the file …' : 'Matching queries to products …'}
        </Box>
      )}
      {came && <Proposals key={came.at} />}
    </Box>
  );
}

function Came({ came }: { came: Schema['SearchIntake'] }) {
  return (
    <Box sx={{ fontSize: 13.5 }}>
      {came.fileName}, {when(came.at)}: of {count(came.rows, 'row')} {figure(came.matched)} are
      about products of the house, {figure(came.general)} about whole kinds of them,{' '}
      {figure(came.unmatched)} about other things.
      {came.skipped > 0 && (
        <Box sx={{ color: 'warning.main' }}>
          {count(came.skipped, 'row')} left out:{' '}
          {came.troubles
            .slice(0, 3)
            .map((t) => `row ${t.row}, ${t.why}`)
            .join('; ')}
          .
        </Box>
      )}
    </Box>
  );
}

/** Products with the queries that matter most to them; one becomes the keyword by a click. */
function Proposals() {
  const queries = useQueryClient();
  const notice = useNotice();
  const mayWrite = useMay('WRITER');
  const [without, setWithout] = useState('true');
  const [given, setGiven] = useState<number | null>(null);
  const pages = useInfiniteQuery({
    queryKey: ['keywords', 'proposals', without],
    queryFn: ({ pageParam }) =>
      take(
        api.GET('/api/keywords/proposals', {
          params: { query: { without: without === 'true', after: pageParam, limit: PAGE } },
        }),
      ),
    initialPageParam: 0,
    getNextPageParam: (page) => (page.length === PAGE ? page[page.length - 1]?.product : undefined),
  });
  const changed = () => {
    for (const key of ['keywords', 'audit', 'products']) {
      queries.invalidateQueries({ queryKey: [key] });
    }
  };
  const assign = async (product: number, keyword: string) => {
    try {
      await take(api.POST('/api/keywords/assign', { body: { keywords: { [product]: keyword } } }));
      changed();
    } catch (e) {
      notice.trouble(e);
    }
  };
  const adopt = async () => {
    setGiven(0);
    try {
      const done = await inSteps(
        (after) => take(api.POST('/api/keywords/adopt', { body: { after, keep: true } })),
        setGiven,
      );
      notice.say(`${count(done, 'product')} with a keyword that is searched for.`);
    } catch (e) {
      notice.trouble(e);
    } finally {
      setGiven(null);
      changed();
    }
  };
  const lines = pages.data?.pages.flat() ?? [];
  return (
    <Box sx={{ mt: 1 }}>
      <Sentence>
        Showing{' '}
        <Word
          label="Which products"
          value={without}
          choices={[
            { value: 'true', label: 'products without a keyword' },
            { value: 'false', label: 'all products' },
          ]}
          onChange={setWithout}
        />{' '}
        that are searched for.
      </Sentence>
      {mayWrite && without === 'true' && lines.length > 0 && (
        <Button size="small" variant="outlined" disabled={given !== null} onClick={adopt}>
          {given === null ? 'Give each the first that facts bear out' : `${figure(given)} given …`}
        </Button>
      )}
      {pages.isSuccess && lines.length === 0 && <Box sx={{ color: 'text.secondary' }}>None.</Box>}
      {lines.map((p) => (
        <Box key={p.product} sx={{ mt: 1.25 }}>
          <Box sx={{ fontSize: 12.5 }}>
            <Link to={`/products/${p.product}`}>
              {p.sku} {p.name}
            </Link>
            {p.keyword && `, keyword “${p.keyword}”`}
          </Box>
          {p.queries.slice(0, 4).map((q) => (
            <Box key={q.query} sx={{ display: 'flex', gap: 1, fontSize: 13.5 }}>
              <Box sx={{ flex: 1 }}>
                {q.query}{' '}
                <Box component="span" sx={{ color: 'text.secondary', fontSize: 12.5 }}>
                  {figures(q)}
                </Box>
                {q.conflict && (
                  <Box component="span" sx={{ color: 'error.main', fontSize: 12.5 }}>
                    {' '}
                    no fact bears out “{q.conflict}”
                  </Box>
                )}
                {!q.free && q.query.toLowerCase() !== p.keyword.toLowerCase() && (
                  <Box component="span" sx={{ color: 'warning.main', fontSize: 12.5 }}>
                    {' '}
                    another product’s keyword
                  </Box>
                )}
              </Box>
              {mayWrite && !q.conflict && q.free && (
                <Button
                  size="small"
                  sx={{ p: 0, minWidth: 0 }}
                  aria-label={`Give ${p.sku} the keyword ${q.query}`}
                  onClick={() => assign(p.product, q.query)}
                >
                  Give it
                </Button>
              )}
            </Box>
          ))}
        </Box>
      ))}
      {pages.hasNextPage && (
        <Button size="small" disabled={pages.isFetching} onClick={() => pages.fetchNextPage()}>
          More products
        </Button>
      )}
    </Box>
  );
}

/** What is known of a query, in a few words. */
function figures(q: Schema['QueryView']) {
  const parts = [];
  if (q.impressions > 0) parts.push(`shown ${figure(q.impressions)} ×`);
  if (q.clicks > 0) parts.push(`clicked ${figure(q.clicks)} ×`);
  if (q.position > 0) parts.push(`at place ${q.position.toFixed(1)}`);
  if (q.volume > 0) parts.push(`${figure(q.volume)} searches a month`);
  if (q.competition > 0) parts.push(`competition ${q.competition}`);
  return parts.join(', ');
}
