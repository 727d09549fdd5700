import { describe, expect, it } from 'vitest';
import {
  counts,
  kindsOf,
  originsOf,
  seenIn,
  wanted,
  type ProposedProduct,
  type Word,
} from './proposals';

const throwBlue: ProposedProduct = {
  picture: 7,
  fileName: 'throw.png',
  sku: 'PIC-7',
  name: 'Tarn throw',
  kind: 'throw',
  isRead: true,
  facts: [
    { fact: 'colour', label: 'Colour', text: 'blue', from: 'COLOUR', words: '' },
    {
      fact: 'grown_in',
      label: 'Origin',
      text: 'Scotland',
      from: 'PRINT',
      words: 'Made in Scotland',
    },
  ],
};
const nameless: ProposedProduct = { ...throwBlue, picture: 8, name: '', kind: '', facts: [] };
const nothing: Word = { origins: [], pictures: {} };

describe('what pictures propose', () => {
  it('counts for nothing until somebody says so', () => {
    expect(wanted(nothing, [throwBlue])).toEqual([
      { picture: 7, sku: 'PIC-7', name: 'Tarn throw', facts: [] },
    ]);
  });

  it('counts for all of an origin, and singly against it', () => {
    const word: Word = { origins: ['COLOUR'], pictures: { 7: { facts: { grown_in: true } } } };
    expect(wanted(word, [throwBlue])[0]!.facts.map((f) => f.text)).toEqual(['blue', 'Scotland']);
    const but: Word = { origins: ['COLOUR'], pictures: { 7: { facts: { colour: false } } } };
    expect(counts(but, 7, throwBlue.facts[0]!)).toBe(false);
  });

  it('makes nothing of what has no name, and takes the name that was typed', () => {
    expect(wanted(nothing, [nameless])).toEqual([]);
    const word: Word = { origins: [], pictures: { 8: { name: ' Moor throw ', sku: 'M-1' } } };
    expect(wanted(word, [nameless])[0]).toMatchObject({ sku: 'M-1', name: 'Moor throw' });
  });

  it('tells kinds and origins with how many there are', () => {
    expect(kindsOf([throwBlue, nameless, throwBlue])).toEqual([
      { kind: 'throw', of: 2 },
      { kind: '', of: 1 },
    ]);
    expect(originsOf([throwBlue]).map((o) => [o.from, o.of])).toEqual([
      ['COLOUR', 1],
      ['PRINT', 1],
    ]);
  });

  it('says where a fact was seen', () => {
    expect(seenIn(throwBlue.facts[1]!)).toBe('printed: “Made in Scotland”');
  });
});
