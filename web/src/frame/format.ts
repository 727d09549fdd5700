const dateTime = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
const number = new Intl.NumberFormat('en-GB');

const date = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium' });

export const when = (iso: string) => dateTime.format(new Date(iso));
/** A day such as 2026-11-26 as it is printed. */
export const day = (iso: string) => date.format(new Date(`${iso}T12:00:00`));
export const count = (n: number, one: string, many = `${one}s`) =>
  `${number.format(n)} ${n === 1 ? one : many}`;
export const figure = (n: number) => number.format(n);
/** The words with a capital in front. */
export const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);
