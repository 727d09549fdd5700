const dateTime = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
const number = new Intl.NumberFormat('en-GB');

export const when = (iso: string) => dateTime.format(new Date(iso));
export const count = (n: number, one: string, many = `${one}s`) =>
  `${number.format(n)} ${n === 1 ? one : many}`;
export const figure = (n: number) => number.format(n);
/** The words with a capital in front. */
export const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);
