import { expect, test } from 'vitest';
import { ANY, which } from '../product/filter';
import { BEGINS, begins, goesByClock, rhythmOf, whichProducts } from './schedule';
import { RHETOR } from './author';
import { ALL } from './extent';

const order = {
  ...which(ANY),
  leaveSignedOff: true,
  tries: 0,
  seed: 1,
  voice: '',
  template: 0,
  author: RHETOR,
  ...ALL,
};

test('every word that can be chosen says when it begins', () => {
  for (const { value, label } of BEGINS.slice(1)) {
    expect(begins({ ...rhythmOf(value), time: '02:00' })).toBe(
      goesByClock(value) ? `${label} at 02:00` : label,
    );
  }
});

test('what begins on the shop’s call has no time', () => {
  expect(begins({ rhythm: 'SHOP_NEWS', weekday: 'MONDAY', time: '02:00' })).toBe(
    'whenever the shop says that it has changed',
  );
  expect(goesByClock('')).toBe(false);
});

test('products are named by what chooses them', () => {
  const named = (change: object) =>
    whichProducts(
      { ...order, ...change },
      (id) => (id === 3 ? 'Spring' : undefined),
      (id) => (id === 5 ? 'goods.csv' : undefined),
    );
  expect(named({})).toBe('all products');
  expect(named({ products: [1, 2] })).toBe('2 chosen products');
  expect(named({ state: 'UNWRITTEN', kind: 'pannier', brand: 'Tolvane' })).toBe(
    'products without text of the kind pannier by Tolvane',
  );
  expect(named({ state: 'STALE', range: 3, intake: 5, search: 'roll' })).toBe(
    'texts whose facts have changed from goods.csv of the range Spring named “roll”',
  );
  expect(named({ range: 9, intake: 9 })).toBe(
    'all products from one sheet of the range that has gone',
  );
});
