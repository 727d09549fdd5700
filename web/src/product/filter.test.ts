import { describe, expect, it } from 'vitest';
import {
  ANY,
  fromAddress,
  isPlain,
  NOBODY,
  readiness,
  READINESS,
  toAddress,
  which,
  type Filter,
} from './filter';

const PILE: Partial<Filter> = { state: 'PROOF', order: 'LEAST_READY' };

describe('a filter in an address', () => {
  it('comes back as it was', () => {
    const filter: Filter = {
      search: 'roll & fold, 20 l',
      state: 'FIX',
      intake: 7,
      range: 3,
      kind: 'U-lock',
      brand: 'Kestering & Co.',
      atLeast: 0,
      below: 85,
      reader: 4,
      run: 12,
      order: 'NAME',
    };
    const address = new URLSearchParams(toAddress(filter, PILE).toString());
    expect(fromAddress(address, PILE)).toEqual(filter);
  });

  it('says no more than differs from the list as one comes to it', () => {
    expect(toAddress({ ...ANY, ...PILE }, PILE).toString()).toBe('');
    expect(toAddress({ ...ANY, ...PILE, atLeast: 90 }, PILE).toString()).toBe('atLeast=90');
    expect(toAddress(ANY, PILE).toString()).toBe('state=ALL&order=SHEET');
  });

  it('is as at first where the address says nonsense', () => {
    const address = new URLSearchParams(
      'state=BURNT&order=DROP&intake=-1&range=2.5&atLeast=101&below=lots&reader=me&run=last',
    );
    expect(fromAddress(address, PILE)).toEqual({ ...ANY, ...PILE });
  });

  it('is plain only if it lets every product through, in whatever order', () => {
    expect(isPlain(ANY)).toBe(true);
    expect(isPlain({ ...ANY, order: 'NAME' })).toBe(true);
    expect(isPlain({ ...ANY, brand: 'Tolvane' })).toBe(false);
    expect(isPlain({ ...ANY, below: 50 })).toBe(false);
  });

  it('names products beside what it lets through, but no order', () => {
    expect(which({ ...ANY, kind: 'lamp' }, [4, 5])).toEqual({
      products: [4, 5],
      search: '',
      state: 'ALL',
      intake: 0,
      range: 0,
      kind: 'lamp',
      brand: '',
      atLeast: 0,
      below: 0,
      reader: 0,
      run: 0,
    });
  });

  it('tells what is given to nobody from what is given to anybody', () => {
    const address = toAddress({ ...ANY, reader: NOBODY });
    expect(address.toString()).toBe('reader=-1');
    expect(fromAddress(address).reader).toBe(NOBODY);
    expect(fromAddress(new URLSearchParams('reader=-2')).reader).toBe(0);
  });

  it('knows each readiness that the sentence offers', () => {
    for (const value of READINESS) {
      const [atLeast, below] = value.split('-').map(Number);
      const address = toAddress({ ...ANY, atLeast: atLeast!, below: below! });
      expect(fromAddress(address)).toMatchObject({ atLeast, below });
    }
  });

  it('says any readiness in words', () => {
    expect(readiness(0, 0)).toBe('however ready');
    expect(readiness(91, 0)).toBe('ready 91 or more');
    expect(readiness(0, 61)).toBe('ready less than 61');
    expect(readiness(50, 71)).toBe('ready 50 to 70');
  });
});
