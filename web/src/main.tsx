import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import '@fontsource/ibm-plex-sans/latin-400.css';
import '@fontsource/ibm-plex-sans/latin-500.css';
import '@fontsource/ibm-plex-sans/latin-600.css';
import '@fontsource/source-serif-4/latin-400.css';
import '@fontsource/source-serif-4/latin-400-italic.css';
import '@fontsource/source-serif-4/latin-600.css';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import useMediaQuery from '@mui/material/useMediaQuery';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode, useMemo } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { Problem } from './api/client';
import { House } from './frame/House';
import { NoticeProvider } from './frame/Notice';
import { makeTheme } from './theme';

const nonce = document.querySelector<HTMLMetaElement>('meta[name=csp-nonce]')?.content;
const cache = createCache({ key: 'r', nonce, prepend: true });
const queries = new QueryClient({
  defaultOptions: {
    queries: {
      refetchOnWindowFocus: false,
      retry: (count, error) => count < 3 && !(error instanceof Problem && error.status >= 400),
    },
  },
});

function App() {
  const isDark = useMediaQuery('(prefers-color-scheme: dark)');
  const theme = useMemo(() => makeTheme(isDark), [isDark]);
  return (
    <ThemeProvider theme={theme}>
      <CssBaseline />
      <NoticeProvider>
        <BrowserRouter>
          <House />
        </BrowserRouter>
      </NoticeProvider>
    </ThemeProvider>
  );
}

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <CacheProvider value={cache}>
      <QueryClientProvider client={queries}>
        <App />
      </QueryClientProvider>
    </CacheProvider>
  </StrictMode>,
);
