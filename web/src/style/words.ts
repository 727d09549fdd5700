import type { Schema } from '../api/client';

type Banned = Schema['BannedWord'];

/** Banned words as lines that can be typed: "rugged → strong". */
export const bannedLines = (banned: Banned[]) =>
  banned.map((b) => (b.instead ? `${b.word} → ${b.instead}` : b.word)).join('\n');

/** Reads typed or pasted lines; an arrow, a tab or a semicolon parts a word from what stands instead. */
export const bannedFrom = (typed: string): Banned[] =>
  linesFrom(typed).map((line) => {
    const [word = '', instead = ''] = line.split(/\s*(?:→|->|=>|\t|;)\s*/, 2);
    return { word: word.trim(), instead: instead.trim() };
  });

/** The lines that have something on them. */
export const linesFrom = (typed: string) =>
  typed
    .split('\n')
    .map((l) => l.trim())
    .filter((l) => l !== '');
