import { describe, expect, it } from 'vitest';
import { fromAddress } from '../product/filter';
import { PILE, plan } from './orders';

const SHOW = {
  verb: 'SHOW' as const,
  search: '',
  state: '',
  kind: '',
  brand: '',
  sheet: '',
  range: '',
  atLeast: 0,
  below: 0,
  voice: '',
  fields: [],
  mostCharacters: 0,
  mostWords: 0,
  left: [],
  clear: true,
};

describe('the plan that an order makes', () => {
  it('shows what it chooses', () => {
    const { pathname, search, left } = plan({ ...SHOW, kind: 'rain jacket', range: '3' });
    expect(pathname).toBe('/products');
    expect(fromAddress(new URLSearchParams(search))).toMatchObject({
      kind: 'rain jacket',
      range: 3,
      state: 'ALL',
    });
    expect(left).toBe('');
  });

  it('offers a deed for the texts that it can be done to', () => {
    const signs = plan({ ...SHOW, verb: 'SIGN_OFF', atLeast: 91 });
    expect(signs.pathname).toBe('/proofs');
    const address = new URLSearchParams(signs.search);
    expect(address.get('do')).toBe('SIGN_OFF');
    expect(fromAddress(address, PILE)).toMatchObject({ state: 'PROOF', atLeast: 91 });
    const sends = new URLSearchParams(plan({ ...SHOW, verb: 'SEND_BACK' }).search);
    expect(fromAddress(sends, PILE).state).toBe('SIGNED_OFF');
  });

  it('takes the voice along to where texts are written', () => {
    const { pathname, search } = plan({ ...SHOW, verb: 'WRITE', kind: 'lamp', voice: 'warm' });
    expect(pathname).toBe('/products');
    expect(new URLSearchParams(search).get('voice')).toBe('warm');
  });

  it('takes along which texts are written and how long', () => {
    const { search } = plan({
      ...SHOW,
      verb: 'WRITE',
      fields: ['meta_title', 'meta_description'],
      mostCharacters: 140,
    });
    const address = new URLSearchParams(search);
    expect(address.get('fields')).toBe('meta_title,meta_description');
    expect(address.get('most')).toBe('140 characters');
    expect(new URLSearchParams(plan({ ...SHOW, verb: 'WRITE' }).search).has('most')).toBe(false);
  });

  it('offers no deed where something was not understood, and says what', () => {
    const { pathname, search, left } = plan({
      ...SHOW,
      verb: 'SIGN_OFF',
      kind: 'lamp',
      left: [
        { words: 'to 140 characters', mayBe: [] },
        { words: 'bags', mayBe: ['saddle bag', 'frame bag', 'handlebar bag'] },
      ],
    });
    expect(pathname).toBe('/products');
    expect(search).not.toContain('do=');
    expect(left).toBe(
      '“to 140 characters” was not understood. “bags” may be saddle bag, frame bag or handlebar bag: say which.',
    );
  });
});
