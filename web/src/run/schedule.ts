import type { Schema } from '../api/client';
import { STATES } from '../product/filter';

type Schedule = Schema['Schedule'];

/** When a run begins, as one word of a sentence; nothing for now. */
export const BEGINS = [
  { value: '', label: 'now' },
  { value: 'ONCE', label: 'once' },
  { value: 'DAILY', label: 'every day' },
  { value: 'WEEKLY MONDAY', label: 'every Monday' },
  { value: 'WEEKLY TUESDAY', label: 'every Tuesday' },
  { value: 'WEEKLY WEDNESDAY', label: 'every Wednesday' },
  { value: 'WEEKLY THURSDAY', label: 'every Thursday' },
  { value: 'WEEKLY FRIDAY', label: 'every Friday' },
  { value: 'WEEKLY SATURDAY', label: 'every Saturday' },
  { value: 'WEEKLY SUNDAY', label: 'every Sunday' },
  { value: 'SHOP_NEWS', label: 'whenever the shop says that it has changed' },
];

/** Whether a word is one of the clock's: what begins on a call has no time. */
export const goesByClock = (word: string) => word !== '' && word !== 'SHOP_NEWS';

/** The word as the API takes it. */
export function rhythmOf(word: string): Pick<Schedule, 'rhythm' | 'weekday'> {
  const [rhythm, weekday] = word.split(' ');
  return {
    rhythm: rhythm as Schedule['rhythm'],
    weekday: (weekday ?? 'MONDAY') as Schedule['weekday'],
  };
}

/** When a schedule begins, in words. */
export function begins(s: Pick<Schedule, 'rhythm' | 'weekday' | 'time'>): string {
  const word = s.rhythm === 'WEEKLY' ? `WEEKLY ${s.weekday}` : s.rhythm;
  const when = BEGINS.find((b) => b.value === word)!.label;
  return goesByClock(word) ? `${when} at ${s.time}` : when;
}

/** Which products an order means, in words; `rangeName` and `fileName` look names up. */
export function whichProducts(
  order: Schema['WriteOrder'],
  rangeName: (id: number) => string | undefined,
  fileName: (id: number) => string | undefined,
): string {
  if (order.products?.length) return `${order.products.length} chosen products`;
  const words = [STATES.find((s) => s.value === order.state)?.label ?? 'all products'];
  if (order.kind) words.push(`of the kind ${order.kind}`);
  if (order.brand) words.push(`by ${order.brand}`);
  if (order.intake) words.push(`from ${fileName(order.intake) ?? 'one sheet'}`);
  if (order.range) words.push(`of the range ${rangeName(order.range) ?? 'that has gone'}`);
  if (order.search) words.push(`named “${order.search}”`);
  return words.join(' ');
}
