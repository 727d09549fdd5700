import { useEffect, useState } from 'react';

/** Where a comment is typed, for the key that leads there. */
export const COMMENT_FIELD = 'comment';

/** What stands beside the words: footnotes, and marks with their buttons. */
const ASIDE = 'sup, button, [data-testid="must-fix"], [data-testid="weigh"]';

/** The words of the text being read that are marked, without its footnotes; empty if none are. */
export function passageOf(selection: Selection | null): string {
  if (!selection || selection.isCollapsed || selection.rangeCount === 0) return '';
  const isInText = [selection.anchorNode, selection.focusNode].every((node) =>
    (node instanceof Element ? node : node?.parentElement)?.closest('[data-manuscript]'),
  );
  if (!isInText) return '';
  const marked = selection.getRangeAt(0).cloneContents();
  marked.querySelectorAll(ASIDE).forEach((e) => e.remove());
  return (marked.textContent ?? '').replace(/\s+/g, ' ').trim();
}

/** More of it is cut off. */
export const LONGEST_PASSAGE = 1000;

/** The words that were marked last in the text being read, and a way to have them no more. */
export function usePassage() {
  const [passage, setPassage] = useState('');
  useEffect(() => {
    const onSelect = () => {
      const marked = passageOf(document.getSelection());
      if (marked) setPassage(marked.slice(0, LONGEST_PASSAGE));
    };
    document.addEventListener('selectionchange', onSelect);
    return () => document.removeEventListener('selectionchange', onSelect);
  }, []);
  return [passage, setPassage] as const;
}
