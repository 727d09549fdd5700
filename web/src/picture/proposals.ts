import type { Schema } from '../api/client';

export type ProposedProduct = Schema['ProposedProduct'];
export type ProposedFact = Schema['ProposedFact'];
export type From = ProposedFact['from'];

/** Where facts of pictures come from, and what all of them are called together. */
export const ORIGINS: { from: From; together: string }[] = [
  { from: 'COLOUR', together: 'the main colours' },
  { from: 'PRINT', together: 'what is printed' },
  { from: 'CAPTION', together: 'what stands inside the files' },
  { from: 'FILE_NAME', together: 'what the files are called' },
  { from: 'MODEL', together: 'what a text model saw' },
];

/** What a person said of one picture: its code, its name, and which of its facts count. */
export interface Said {
  sku?: string;
  name?: string;
  facts?: Record<string, boolean>;
}

/** Which origins count as a whole, and what was said of single pictures. */
export interface Word {
  origins: From[];
  pictures: Record<number, Said>;
}

/** Whether a fact counts: what was said of it alone goes before what was said of all like it. */
export const counts = (word: Word, picture: number, fact: ProposedFact) =>
  word.pictures[picture]?.facts?.[fact.fact] ?? word.origins.includes(fact.from);

export const skuOf = (word: Word, p: ProposedProduct) =>
  (word.pictures[p.picture]?.sku ?? p.sku).trim();

export const nameOf = (word: Word, p: ProposedProduct) =>
  (word.pictures[p.picture]?.name ?? p.name).trim();

/** The kinds that pictures seem to show, each with how many, the commonest first. */
export function kindsOf(pictures: ProposedProduct[]): { kind: string; of: number }[] {
  const all = new Map<string, number>();
  pictures.forEach((p) => all.set(p.kind, (all.get(p.kind) ?? 0) + 1));
  return [...all]
    .map(([kind, of]) => ({ kind, of }))
    .sort((a, b) => b.of - a.of || a.kind.localeCompare(b.kind));
}

/** How many facts come from each origin that has any. */
export function originsOf(pictures: ProposedProduct[]) {
  const facts = pictures.flatMap((p) => p.facts);
  return ORIGINS.map((o) => ({ ...o, of: facts.filter((f) => f.from === o.from).length })).filter(
    (o) => o.of > 0,
  );
}

/** What the API is asked to make of pictures; those without a name or a code are left out. */
export function wanted(word: Word, pictures: ProposedProduct[]): Schema['WantedProduct'][] {
  return pictures
    .filter((p) => skuOf(word, p) && nameOf(word, p))
    .map((p) => ({
      picture: p.picture,
      sku: skuOf(word, p),
      name: nameOf(word, p),
      facts: p.facts
        .filter((f) => counts(word, p.picture, f))
        .map(({ fact, label, text, from }) => ({ fact, label, text, from })),
    }));
}

/** Where a fact was seen, in words. */
export function seenIn(fact: ProposedFact): string {
  switch (fact.from) {
    case 'COLOUR':
      return 'its main colour';
    case 'PRINT':
      return `printed: “${fact.words}”`;
    case 'CAPTION':
      return `in the file: “${fact.words}”`;
    case 'FILE_NAME':
      return `the file’s name: “${fact.words}”`;
    case 'MODEL':
      return 'a text model saw it';
  }
}
