import type { Schema } from '../api/client';

/** Who writes a run's texts, as the API takes it. */
export type Author = Schema['Authorship'];

/** Rhetor writes by itself. */
export const RHETOR: Author = {
  engine: 'COMPOSER',
  connection: 0,
  amends: 'COMPOSE',
  most: 0,
  fallsBack: false,
};

/** An author as one word of a sentence, and back. */
export const wordOf = (a: Author) =>
  a.engine === 'COMPOSER' ? '' : `${a.connection}${a.engine === 'BOTH' ? ' thin' : ''}`;

export function authorOf(word: string, before: Author): Author {
  const [connection, thin] = word.split(' ');
  const engine = !connection ? 'COMPOSER' : thin ? 'BOTH' : 'MODEL';
  return { ...before, engine, connection: Number(connection || 0) };
}

/** An amount as somebody types it: "5", "5.50", "5,50"; nothing and nonsense are no limit. */
export function amount(typed: string): number {
  const n = Number(typed.trim().replace(',', '.'));
  return Number.isFinite(n) && n > 0 ? Math.round(n * 100) / 100 : 0;
}

/** How long something takes, as people say it: no more exact than it is known. */
export function duration(seconds: number): string {
  if (seconds < 10) return 'a few seconds';
  if (seconds < 90) return `about ${Math.round(seconds / 10) * 10} seconds`;
  const minutes = Math.round(seconds / 60);
  if (minutes < 90) return `about ${minutes} minutes`;
  const hours = Math.round(seconds / 1800) / 2;
  return `about ${hours} hours`;
}
