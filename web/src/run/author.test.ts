import { expect, test } from 'vitest';
import { amount, authorOf, duration, RHETOR, wordOf } from './author';

test('an author is one word, and the word says who it was', () => {
  for (const author of [
    RHETOR,
    { ...RHETOR, engine: 'MODEL' as const, connection: 7 },
    { ...RHETOR, engine: 'BOTH' as const, connection: 12 },
  ]) {
    expect(authorOf(wordOf(author), RHETOR)).toEqual(author);
  }
});

test('another author leaves what was said besides', () => {
  const careful = {
    ...RHETOR,
    engine: 'MODEL' as const,
    connection: 7,
    most: 5,
    amends: 'HOLD' as const,
  };
  expect(authorOf('9', careful)).toEqual({ ...careful, connection: 9 });
});

test.each([
  ['5', 5],
  ['5,50', 5.5],
  [' 0.255 ', 0.26],
  ['', 0],
  ['much', 0],
  ['-3', 0],
])('%s is the amount %d', (typed, n) => expect(amount(typed)).toBe(n));

test.each([
  [3, 'a few seconds'],
  [42, 'about 40 seconds'],
  [65, 'about 70 seconds'],
  [100, 'about 2 minutes'],
  [60 * 47, 'about 47 minutes'],
  [60 * 60 * 1.5, 'about 1.5 hours'],
  [60 * 60 * 9, 'about 9 hours'],
])('%d seconds are %s', (seconds, words) => expect(duration(seconds)).toBe(words));
