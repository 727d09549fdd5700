/** What shows in place of the text being read, or the text itself. */
export type Mode = 'read' | 'edit' | 'takes' | 'rewrite' | 'beside';

/** What a key asks for. */
export type Asked =
  | { what: 'next' | 'last' | 'keys' | 'undo' | 'sign off' | 'send back' | 'comment' }
  | { what: 'show'; mode: Mode }
  | { what: 'field'; at: number };

/** What a person may do with the text that is shown. */
export interface May {
  mode: Mode;
  mayWrite: boolean;
  maySign: boolean;
  canUndo: boolean;
  /** How many fields have a tab. */
  fields: number;
}

const toggled = (mode: Mode, now: Mode): Asked => ({
  what: 'show',
  mode: now === mode ? 'read' : mode,
});

/** What a key asks for while nobody types; null if it asks for nothing here. */
export function asked(key: string, may: May): Asked | null {
  const { mode, mayWrite, maySign } = may;
  if (mode === 'edit') return null;
  // Over what takes the text's place nobody sees what a signature would stand for.
  const isRead = mode === 'read';
  switch (key) {
    case 'j':
      return { what: 'next' };
    case 'k':
      return { what: 'last' };
    case '?':
      return { what: 'keys' };
    case 'o':
      return toggled('beside', mode);
    case 'e':
      return mayWrite ? { what: 'show', mode: 'edit' } : null;
    case 't':
      return mayWrite ? toggled('takes', mode) : null;
    case 'r':
      return mayWrite ? toggled('rewrite', mode) : null;
    case 'z':
      return mayWrite && may.canUndo ? { what: 'undo' } : null;
    case 's':
      return maySign && isRead ? { what: 'sign off' } : null;
    case 'b':
      return maySign && isRead ? { what: 'send back' } : null;
    case 'c':
      return mayWrite && isRead ? { what: 'comment' } : null;
    case 'Escape':
      return isRead ? null : { what: 'show', mode: 'read' };
  }
  const at = /^[1-9]$/.test(key) ? Number(key) - 1 : may.fields;
  return at < may.fields ? { what: 'field', at } : null;
}
