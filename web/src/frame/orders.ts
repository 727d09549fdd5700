import type { Schema } from '../api/client';
import { ANY, toAddress, type Filter } from '../product/filter';

type Order = Schema['Order'];

/** Where an order is looked at, corrected and confirmed. */
export interface Plan {
  pathname: string;
  search: string;
  /** What was not understood, in words; empty if all was. */
  left: string;
}

/** The list as one comes to the proofs. */
export const PILE: Partial<Filter> = { state: 'PROOF', order: 'LEAST_READY' };

/** The plan that an order makes. An order that is understood in part shows what it chooses, and offers no deed. */
export function plan(order: Order): Plan {
  const filter: Filter = {
    ...ANY,
    search: order.search,
    state: order.state || 'ALL',
    intake: Number(order.sheet),
    range: Number(order.range),
    kind: order.kind,
    brand: order.brand,
    atLeast: order.atLeast,
    below: order.below,
  };
  const left = order.left.map(unclear).join(' ');
  if (left || order.verb === 'SHOW') {
    return { pathname: '/products', search: toAddress(filter).toString(), left };
  }
  if (order.verb === 'WRITE') {
    const address = toAddress(filter);
    if (order.voice) address.set('voice', order.voice);
    if (order.fields.length > 0) address.set('fields', order.fields.join(','));
    if (order.mostCharacters) address.set('most', `${order.mostCharacters} characters`);
    if (order.mostWords) address.set('most', `${order.mostWords} words`);
    return { pathname: '/products', search: address.toString(), left };
  }
  const texts = {
    ...filter,
    state: order.state || (order.verb === 'SIGN_OFF' ? 'PROOF' : 'SIGNED_OFF'),
    order: 'LEAST_READY' as const,
  };
  const address = toAddress(texts, PILE);
  address.set('do', order.verb);
  return { pathname: '/proofs', search: address.toString(), left };
}

function unclear({ words, mayBe }: Order['left'][number]): string {
  return mayBe.length === 0
    ? `“${words}” was not understood.`
    : `“${words}” may be ${mayBe.slice(0, -1).join(', ')} or ${mayBe.at(-1)}: say which.`;
}
