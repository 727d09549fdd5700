import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, take, type Schema } from '../api/client';
import { when } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Sentence, Word } from '../frame/Sentence';
import { useMay } from '../frame/session';
import { Delivery } from './Delivery';

type Wish = Schema['NewsView']['wish'];

const WISHES = [
  { value: 'NEEDED', label: 'what needs somebody' },
  { value: 'ALL', label: 'all of it' },
  { value: 'NONE', label: 'nothing' },
];

/** What happened while nobody looked on, and who is told of it how. */
export function NewsPage() {
  const notice = useNotice();
  const queries = useQueryClient();
  const isOwner = useMay('OWNER');
  const news = useQuery({
    queryKey: ['news'],
    queryFn: () => take(api.GET('/api/news')),
    refetchInterval: 5000,
  });
  const setWish = useMutation({
    mutationFn: (wish: Wish) => take(api.PUT('/api/me/mail-wish', { body: { wish } })),
    onSuccess: (view) => queries.setQueryData(['news'], view),
    onError: notice.trouble,
  });
  if (!news.data) return null;
  return (
    <Box sx={{ maxWidth: 900 }}>
      <Typography variant="h1">News</Typography>
      <Sentence>
        {news.data.isMailSet
          ? 'By mail I am sent '
          : 'Once the owner has set a mail server, I am sent '}
        <Word
          label="By mail"
          value={news.data.wish}
          choices={WISHES}
          onChange={(v) => setWish.mutate(v as Wish)}
        />
        .
      </Sentence>
      {news.data.trouble && (
        <Box role="status" sx={{ borderLeft: 3, borderColor: 'warning.main', pl: 1.5, my: 1 }}>
          The last news didn’t get through: {news.data.trouble} It is tried again for a day.
        </Box>
      )}
      {isOwner && <Delivery />}
      {news.data.news.length === 0 && (
        <Box sx={{ mt: 2 }}>
          Nothing has happened yet that nobody waited for. Runs, schedules and the{' '}
          <Link to="/folder">watched folder</Link> tell here what became of them.
        </Box>
      )}
      {news.data.news.map((n) => (
        <Box
          key={n.id}
          data-testid="news"
          sx={{ borderTop: 1, borderColor: 'divider', py: 1, display: 'flex', gap: 2 }}
        >
          <Box sx={{ flex: 1 }}>
            <Link to={n.link}>{n.subject}</Link>
            {n.needsPerson && (
              <Box component="span" sx={{ color: 'warning.main', ml: 1 }}>
                needs somebody
              </Box>
            )}
            <Box>{n.detail}</Box>
          </Box>
          <Box sx={{ color: 'text.secondary', whiteSpace: 'nowrap' }}>{when(n.happenedAt)}</Box>
        </Box>
      ))}
    </Box>
  );
}
