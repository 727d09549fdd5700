import { describe, expect, it } from 'vitest';
import { extent, fieldChoices, fieldsLabel, fieldsOf, lengthOf, whatIsWritten } from './extent';

describe('which texts a run writes', () => {
  it('calls several fields together', () => {
    expect(fieldsLabel('')).toBe('all texts');
    expect(fieldsLabel('title')).toBe('titles');
    expect(fieldsLabel('title,meta_title,tags')).toBe('titles, meta titles and tags');
  });

  it('offers what was asked for together', () => {
    expect(fieldChoices('title')).toHaveLength(9);
    expect(fieldChoices('title,tags').at(-1)).toEqual({
      value: 'title,tags',
      label: 'titles and tags',
    });
  });

  it('takes from an address only what makes sense', () => {
    expect(fieldsOf('title,nonsense,,tags')).toBe('title,tags');
    expect(fieldsOf(null)).toBe('');
    expect(lengthOf('140 characters')).toEqual({ unit: 'characters', most: '140' });
    for (const bad of [null, '', '0 words', '1000000 words', '12 pages', 'words']) {
      expect(lengthOf(bad)).toEqual({ unit: '', most: '' });
    }
  });

  it('is said to the API as it takes it', () => {
    expect(extent('', '', '70')).toEqual({ fields: [], mostCharacters: 0, mostWords: 0 });
    expect(extent('tags', 'words', ' 70')).toEqual({
      fields: ['tags'],
      mostCharacters: 0,
      mostWords: 70,
    });
    expect(extent('tags', 'characters', 'many').mostCharacters).toBe(0);
  });

  it('is said of a run in words', () => {
    expect(whatIsWritten({ fields: [], mostCharacters: 0, mostWords: 0 })).toBe('');
    expect(whatIsWritten({ fields: ['meta_description'], mostCharacters: 140, mostWords: 0 })).toBe(
      'the meta descriptions, of at most 140 characters',
    );
  });
});
