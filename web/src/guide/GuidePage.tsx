import Box from '@mui/material/Box';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useEffect, type MouseEvent } from 'react';
import { Link, useLocation, useNavigate, useParams } from 'react-router';
import { api, take } from '../api/client';
import { serif } from '../theme';

/** The guide: a page for each step of the work, with the list of them beside it. */
export function GuidePage() {
  const { page = '' } = useParams();
  const { hash } = useLocation();
  const navigate = useNavigate();
  const opened = useQuery({
    queryKey: ['guide', page],
    queryFn: () => take(api.GET('/api/guide', { params: { query: { page } } })),
    staleTime: Infinity,
  });
  const id = opened.data?.id;
  useEffect(() => {
    if (!id) return;
    const at = hash && document.getElementById(hash.slice(1));
    if (at) at.scrollIntoView();
    else window.scrollTo(0, 0);
  }, [id, hash]);
  if (opened.error) return <Typography role="alert">{opened.error.message}</Typography>;
  if (!opened.data) return <LinearProgress aria-label="Opening the guide" />;
  // Links among its pages stay in the application.
  const follow = (e: MouseEvent) => {
    const href = (e.target as HTMLElement).closest('a')?.getAttribute('href');
    if (href?.startsWith('/') && !e.ctrlKey && !e.metaKey && !e.shiftKey) {
      e.preventDefault();
      navigate(href);
    }
  };
  return (
    <Box sx={{ display: 'flex', gap: 5, flexWrap: { xs: 'wrap', md: 'nowrap' } }}>
      <Box
        component="nav"
        aria-label="Pages of the guide"
        sx={{ width: 230, flexShrink: 0, pt: 1 }}
      >
        {opened.data.chapters.map((c) => (
          <Box
            key={c.id}
            component={Link}
            to={`/guide/${c.id}`}
            aria-current={c.id === id ? 'page' : undefined}
            sx={{
              display: 'block',
              py: 0.75,
              pl: 1.25,
              borderLeft: 3,
              borderColor: c.id === id ? 'text.primary' : 'transparent',
              textDecoration: 'none',
              fontWeight: c.id === id ? 600 : 400,
            }}
          >
            {c.title}
          </Box>
        ))}
      </Box>
      <Box
        component="article"
        onClick={follow}
        sx={{
          maxWidth: 760,
          minWidth: 0,
          fontFamily: serif,
          fontSize: 17,
          lineHeight: 1.55,
          '& img': { maxWidth: '100%', border: 1, borderColor: 'divider', my: 1 },
          '& h1': { fontSize: 30, lineHeight: 1.2, mt: 0.5 },
          '& h2': { fontSize: 22, mt: 4 },
          '& code': { fontSize: 14.5 },
        }}
        // What ships with Rhetor, and nothing that anybody typed.
        dangerouslySetInnerHTML={{ __html: opened.data.html }}
      />
    </Box>
  );
}
