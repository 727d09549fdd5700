import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useState,
  type ReactNode,
} from 'react';

interface Words {
  text: string;
  isTrouble: boolean;
}

interface Notices {
  say: (text: string) => void;
  trouble: (error: unknown) => void;
}

const Context = createContext<Notices>({ say: () => {}, trouble: () => {} });

/** Milliseconds that a message stands at least. */
const READ_IN = 8000;

/** Says in a slip under the bar what has happened; it covers no button of the work. */
export function NoticeProvider({ children }: { children: ReactNode }) {
  const [words, setWords] = useState<Words | null>(null);
  // What was done is read in a moment, but not before somebody is there to read it: it goes with
  // their next movement. What was not done stays until somebody has closed it.
  useEffect(() => {
    if (!words || words.isTrouble) return;
    const gone = new AbortController();
    const timer = setTimeout(() => {
      for (const movement of ['pointermove', 'pointerdown', 'keydown', 'wheel']) {
        addEventListener(movement, () => setWords(null), { signal: gone.signal, passive: true });
      }
    }, READ_IN);
    return () => {
      clearTimeout(timer);
      gone.abort();
    };
  }, [words]);
  const say = useCallback((text: string) => setWords({ text, isTrouble: false }), []);
  const trouble = useCallback(
    (error: unknown) =>
      setWords({ text: error instanceof Error ? error.message : String(error), isTrouble: true }),
    [],
  );
  const notices = useMemo(() => ({ say, trouble }), [say, trouble]);
  return (
    <Context.Provider value={notices}>
      {children}
      {words && (
        <Box
          role={words.isTrouble ? 'alert' : 'status'}
          data-testid="notice"
          sx={{
            position: 'fixed',
            top: 62,
            right: { xs: 8, md: 24 },
            maxWidth: 'min(560px, calc(100vw - 16px))',
            zIndex: 20,
            display: 'flex',
            gap: 2,
            alignItems: 'center',
            px: 2,
            py: 0.75,
            bgcolor: 'background.paper',
            border: 1,
            borderLeft: 4,
            borderColor: words.isTrouble ? 'error.main' : 'success.main',
          }}
        >
          <Box sx={{ flex: 1 }}>
            {words.isTrouble && (
              <Box component="strong" sx={{ color: 'error.main', mr: 1 }}>
                Not done.
              </Box>
            )}
            {words.text}
          </Box>
          <Button size="small" onClick={() => setWords(null)}>
            Close
          </Button>
        </Box>
      )}
    </Context.Provider>
  );
}

export const useNotice = () => useContext(Context);
