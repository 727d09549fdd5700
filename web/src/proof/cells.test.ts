import { describe, expect, it } from 'vitest';
import { clipboardRows, inParts, moved, paste, type Cells } from './cells';

const ROWS: Cells[] = [
  { product: { id: 1 }, revision: 11, cells: { title: 'Pan', tags: 'iron' } },
  { product: { id: 2 }, revision: 12, cells: { title: 'Pot', tags: 'steel' } },
  { product: { id: 3 }, revision: 0, cells: {} },
];
const FIELDS = ['title', 'tags'];

describe('what a clipboard holds', () => {
  it('is rows of cells, whatever ends them', () => {
    expect(clipboardRows('a\tb\r\nc\td\r\n')).toEqual([
      ['a', 'b'],
      ['c', 'd'],
    ]);
    expect(clipboardRows('one')).toEqual([['one']]);
  });
  it('may have breaks, tabs and quotes inside quotes', () => {
    expect(clipboardRows('"two\nlines"\t"say ""so"""')).toEqual([['two\nlines', 'say "so"']]);
  });
  it('keeps quotes that enclose no cell', () => {
    expect(clipboardRows('7" pan\t"Best" in test')).toEqual([['7" pan', '"Best" in test']]);
    expect(clipboardRows('"never closed\tb')).toEqual([['"never closed', 'b']]);
  });
});

describe('pasting', () => {
  it('begins at a place and changes what reads otherwise', () => {
    const would = paste(ROWS, FIELDS, { row: 0, column: 0 }, [
      ['Pan', 'black'],
      ['Big pot', 'steel'],
    ]);
    expect(would.corrections).toEqual([
      { product: 1, revision: 11, field: 'tags', text: 'black' },
      { product: 2, revision: 12, field: 'title', text: 'Big pot' },
    ]);
    expect(would.same).toBe(2);
    expect(would.outside).toBe(0);
  });
  it('says how many cells have no place, and empties none', () => {
    const would = paste(ROWS, FIELDS, { row: 1, column: 1 }, [
      ['red', 'beside'],
      ['no text here'],
      ['below'],
      ['', '  '],
    ]);
    expect(would.corrections).toHaveLength(1);
    expect(would.outside).toBe(3);
  });
});

it('parts keep each product’s corrections together', () => {
  const all = [1, 2, 3, 1, 2].map((product) => ({ product, revision: 1, field: 't', text: 'x' }));
  const parts = inParts(all, 2);
  expect(parts.map((p) => p.map((c) => c.product))).toEqual([[1, 2, 1, 2], [3]]);
});

it('keys lead from cell to cell and not out of the table', () => {
  expect(moved('ArrowDown', { row: 0, column: 1 }, 3, 2)).toEqual({ row: 1, column: 1 });
  expect(moved('ArrowUp', { row: 0, column: 1 }, 3, 2)).toEqual({ row: 0, column: 1 });
  expect(moved('End', { row: 2, column: 0 }, 3, 2)).toEqual({ row: 2, column: 1 });
  expect(moved('PageDown', { row: 1, column: 0 }, 3, 2)).toEqual({ row: 2, column: 0 });
  expect(moved('x', { row: 1, column: 0 }, 3, 2)).toBeNull();
});
