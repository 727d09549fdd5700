import { useCallback, useContext, useState } from 'react';
import { SessionContext } from './session';

const PREFIX = 'rhetor.typed.';

interface Kept<T> {
  /** What the words were typed against. */
  revision: number;
  typed: T;
}

function read<T>(key: string): Kept<T> | null {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null') as Kept<T> | null;
  } catch {
    return null;
  }
}

/**
 * What a person has typed and not kept yet. It outlives a closed window, belongs to the person, the
 * house and the revision that it was typed against, and goes when they sign out.
 */
export function useDraft<T>(what: string, revision: number) {
  const session = useContext(SessionContext);
  const key = `${PREFIX}${session?.house}.${session?.email}.${what}`;
  const [draft, setDraft] = useState<Kept<T> | null>(() => read<T>(key));
  const keep = useCallback(
    (typed: T, against?: number) => {
      const kept = { revision: against ?? revision, typed };
      setDraft(kept);
      localStorage.setItem(key, JSON.stringify(kept));
    },
    [key, revision],
  );
  const drop = useCallback(() => {
    setDraft(null);
    localStorage.removeItem(key);
  }, [key]);
  return { draft, keep, drop };
}

/** Forgets all that was typed and not kept, by whomever. */
export function dropAllDrafts() {
  Object.keys(localStorage)
    .filter((k) => k.startsWith(PREFIX))
    .forEach((k) => localStorage.removeItem(k));
}
