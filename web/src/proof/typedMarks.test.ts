import { expect, test } from 'vitest';
import { stretches, type TypedMark } from './typedMarks';

const mark = (sentence: string, words: string, weight: 'MUST_FIX' | 'WEIGH' = 'MUST_FIX') =>
  ({ mark: { words, weight, why: '' }, sentence }) as unknown as TypedMark;

const paragraphs = [
  { at: 1, text: 'It is red. It is of silk.' },
  { at: 30, text: 'It is of silk, too.' },
];

test('marked words are found within their sentence', () => {
  expect(stretches(paragraphs, [mark('It is of silk.', 'silk')])).toMatchObject([
    { from: 1 + 20, to: 1 + 24 },
  ]);
  expect(stretches(paragraphs, [mark('It is of silk, too.', 'silk')])).toMatchObject([
    { from: 30 + 9, to: 30 + 13 },
  ]);
});

test('a mark of a whole sentence has all of it', () => {
  expect(stretches(paragraphs, [mark('It is red.', '')])).toMatchObject([{ from: 1, to: 11 }]);
});

test('words that the sentence has otherwise leave the sentence marked', () => {
  expect(stretches(paragraphs, [mark('It is red.', 'scarlet')])).toMatchObject([
    { from: 1, to: 11 },
  ]);
});

test('what was typed over meanwhile, or is of the field, is nowhere', () => {
  expect(stretches(paragraphs, [mark('It is green.', 'green'), mark('', '')])).toEqual([]);
});
