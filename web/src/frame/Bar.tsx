import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useContext, useEffect, useRef, useState, type FormEvent } from 'react';
import { Link, NavLink, useLocation, useNavigate } from 'react-router';
import { api, take } from '../api/client';
import { chapterOf } from '../guide/chapters';
import { serif } from '../theme';
import { dropAllDrafts } from './drafts';
import { useNotice } from './Notice';
import { plan } from './orders';
import { SessionContext, useMay } from './session';

const WORDS = [
  { key: 'intake', word: 'Intake', waits: 'sheets to take in' },
  { key: 'products', word: 'Products', waits: 'products without text' },
  { key: 'runs', word: 'Runs', waits: 'runs under way' },
  { key: 'proofs', word: 'Proofs', waits: 'texts to read' },
  { key: 'editions', word: 'Editions', waits: 'texts to publish' },
  { key: 'results', word: 'Results', waits: 'texts live' },
] as const;

/** What the house knows, decides and is connected to, as its menu names it. */
const KNOWN = [
  ['/style', 'House style'],
  ['/ranges', 'Ranges'],
  ['/channels', 'Channels and languages'],
  ['/templates', 'Templates'],
  ['/keywords', 'Keywords'],
  ['/audit', 'Audit'],
  ['/claims', 'Claims'],
  ['/facts', 'Facts and their words'],
  ['/kinds', 'Kinds of product'],
  ['/names', 'Names of the house'],
  ['/columns', 'Columns'],
  ['/folder', 'Watched folder'],
  ['/connections', 'Connections'],
  ['/news', 'News'],
] as const;

/** The bar on top: the name, the line of work with what waits at each word, and the house. */
export function Bar() {
  const { pathname } = useLocation();
  const waiting = useQuery({
    queryKey: ['waiting'],
    queryFn: () => take(api.GET('/api/waiting')),
    refetchInterval: 4000,
  });
  return (
    <Box
      component="header"
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'flex-end',
        gap: { xs: 1, md: 4 },
        px: { xs: 2, md: 3 },
        pt: 1.5,
        bgcolor: 'background.default',
        borderBottom: 1,
        borderColor: 'divider',
        position: 'sticky',
        top: 0,
        zIndex: 10,
      }}
    >
      <Box
        component={NavLink}
        to="/intake"
        sx={{
          fontFamily: serif,
          fontWeight: 600,
          fontSize: 25,
          lineHeight: 1,
          pb: 1.4,
          textDecoration: 'none',
        }}
      >
        Rhetor
      </Box>
      <Box component="nav" aria-label="Line of work" sx={{ display: 'flex', overflowX: 'auto' }}>
        {WORDS.map(({ key, word, waits }) => {
          const count = waiting.data?.[key] ?? 0;
          return (
            <Box
              key={key}
              component={NavLink}
              to={`/${key}`}
              sx={{
                px: 1.75,
                pb: 1,
                pt: 0.5,
                textDecoration: 'none',
                whiteSpace: 'nowrap',
                color: 'text.secondary',
                borderBottom: '3px solid transparent',
                '&:hover': { color: 'text.primary' },
                '&.active': { color: 'text.primary', borderColor: 'error.main', fontWeight: 600 },
              }}
            >
              {word}
              <Box
                component="span"
                title={`${count} ${waits}`}
                sx={{ ml: 0.6, fontSize: 11.5, fontWeight: 400, color: 'text.secondary' }}
              >
                {count || '–'}
              </Box>
            </Box>
          );
        })}
      </Box>
      <Box sx={{ flex: 1 }} />
      <OrderField />
      <Box sx={{ display: 'flex', alignItems: 'flex-end' }}>
        <Box sx={{ pb: 0.75 }}>
          <Button component={Link} to={chapterOf(pathname)}>
            Guide
          </Button>
        </Box>
        <HouseMenu />
      </Box>
    </Box>
  );
}

/** The order field: what is typed is looked for, or becomes a plan to look at; nothing is done by it alone. */
function OrderField() {
  const navigate = useNavigate();
  const notice = useNotice();
  const field = useRef<HTMLInputElement>(null);
  const [typed, setTyped] = useState('');
  const words = useSettled(typed);
  const completions = useQuery({
    queryKey: ['orders', 'completions', words],
    queryFn: () => take(api.GET('/api/orders/completions', { params: { query: { words } } })),
    enabled: words.trim().length > 1,
  });
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const typing = (e.target as HTMLElement).closest(
        'input, textarea, select, [contenteditable]',
      );
      if (e.key === '/' && !typing) {
        e.preventDefault();
        field.current?.focus();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  const submit = async (e: FormEvent) => {
    e.preventDefault();
    try {
      const order = await take(
        api.GET('/api/orders', { params: { query: { words: typed.trim() } } }),
      );
      const { pathname, search, left } = plan(order);
      navigate({ pathname, search }, { state: { asked: Date.now() } });
      if (left) {
        notice.say(`${left} Nothing is done; this is what the rest chooses.`);
      }
    } catch (trouble) {
      notice.trouble(trouble);
    }
  };
  return (
    <Box component="form" role="search" onSubmit={submit} sx={{ pb: 1 }}>
      <Box
        component="input"
        ref={field}
        list="orders"
        aria-label="Find a product, or say what to do"
        placeholder="Name, SKU or an order   /"
        value={typed}
        maxLength={500}
        onChange={(e: React.ChangeEvent<HTMLInputElement>) => setTyped(e.target.value)}
        sx={{
          width: 230,
          font: 'inherit',
          color: 'inherit',
          bgcolor: 'transparent',
          border: 0,
          borderBottom: 1,
          borderColor: 'divider',
          py: 0.5,
        }}
      />
      <datalist id="orders">
        {(completions.data?.orders ?? []).map((o) => (
          <option key={o} value={o} />
        ))}
      </datalist>
    </Box>
  );
}

const SETTLES_AFTER = 150;

/** What was typed, once the typing pauses. */
function useSettled(typed: string): string {
  const [settled, setSettled] = useState(typed);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(typed), SETTLES_AFTER);
    return () => clearTimeout(timer);
  }, [typed]);
  return settled;
}

function HouseMenu() {
  const session = useContext(SessionContext)!;
  const isOwner = useMay('OWNER');
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const notice = useNotice();
  const signOut = async () => {
    try {
      await take(api.DELETE('/api/session'));
      dropAllDrafts();
      queries.clear();
      navigate('/');
    } catch (e) {
      notice.trouble(e);
    }
  };
  return (
    <Box sx={{ pb: 0.75 }}>
      <Button onClick={(e) => setAnchor(e.currentTarget)} aria-haspopup="menu">
        House · {session.name}
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {KNOWN.map(([to, label]) => (
          <MenuItem
            key={to}
            onClick={() => {
              setAnchor(null);
              navigate(to);
            }}
          >
            {label}
          </MenuItem>
        ))}
        {(isOwner
          ? [
              ['/people', 'People and roles'],
              ['/tokens', 'Tokens for programs'],
              ['/log', 'Log'],
              ['/me', 'Password and sessions'],
            ]
          : [['/me', 'Password and sessions']]
        ).map(([to, label]) => (
          <MenuItem
            key={to}
            onClick={() => {
              setAnchor(null);
              navigate(to!);
            }}
          >
            {label}
          </MenuItem>
        ))}
        <MenuItem onClick={signOut}>Sign out ({session.role.toLowerCase()})</MenuItem>
      </Menu>
    </Box>
  );
}
