import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from 'react';

interface Words {
  text: string;
  isTrouble: boolean;
}

interface Notices {
  say: (text: string) => void;
  trouble: (error: unknown) => void;
}

const Context = createContext<Notices>({ say: () => {}, trouble: () => {} });

/** Says in one line at the foot of the page what has happened. */
export function NoticeProvider({ children }: { children: ReactNode }) {
  const [words, setWords] = useState<Words | null>(null);
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
            insetInline: 0,
            bottom: 0,
            zIndex: 20,
            display: 'flex',
            gap: 2,
            alignItems: 'center',
            px: 3,
            py: 1,
            bgcolor: 'background.paper',
            borderTop: 2,
            borderColor: words.isTrouble ? 'error.main' : 'success.main',
          }}
        >
          <Box sx={{ flex: 1, maxWidth: 1000 }}>
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
