import type { Schema } from '../api/client';

type Field = NonNullable<Schema['WriteOrder']['fields']>[number];

/** Which texts a run writes, as one word of its sentence; codes with commas, nothing for all. */
export const FIELDS: { value: string; label: string }[] = [
  { value: '', label: 'all texts' },
  { value: 'title', label: 'titles' },
  { value: 'short_description', label: 'short descriptions' },
  { value: 'description', label: 'descriptions' },
  { value: 'highlights', label: 'highlights' },
  { value: 'meta_title', label: 'meta titles' },
  { value: 'meta_description', label: 'meta descriptions' },
  { value: 'tags', label: 'tags' },
  { value: 'image_alt', label: 'picture alt texts' },
];

/** Units of a length; nothing for as long as the house has it. */
export const UNITS = [
  { value: '', label: 'as long as the house has them' },
  { value: 'characters', label: 'characters at most' },
  { value: 'words', label: 'words at most' },
];

/** What fields are called together: "titles and meta titles". */
export function fieldsLabel(codes: string): string {
  const labels = codes.split(',').map((c) => FIELDS.find((f) => f.value === c)?.label ?? c);
  return labels.length === 1
    ? labels[0]!
    : `${labels.slice(0, -1).join(', ')} and ${labels.at(-1)}`;
}

/** The choices, with the fields that were asked for together where they are several. */
export function fieldChoices(codes: string) {
  return FIELDS.some((f) => f.value === codes)
    ? FIELDS
    : [...FIELDS, { value: codes, label: fieldsLabel(codes) }];
}

/** A length as an address says it, "140 characters"; none if it says none. */
export function lengthOf(said: string | null): { unit: string; most: string } {
  const [, most, unit] = /^([1-9]\d{0,4}) (characters|words)$/.exec(said ?? '') ?? [];
  return { unit: unit ?? '', most: most ?? '' };
}

/** Fields that an address names and runs write. */
export function fieldsOf(said: string | null): string {
  return (said ?? '')
    .split(',')
    .filter((c) => c && FIELDS.some((f) => f.value === c))
    .join(',');
}

/** Fields and length as the API takes them. */
export function extent(
  codes: string,
  unit: string,
  most: string,
): Pick<Schema['WriteOrder'], 'fields' | 'mostCharacters' | 'mostWords'> {
  const length = /^[1-9]\d{0,4}$/.test(most.trim()) ? Number(most) : 0;
  return {
    fields: codes ? (codes.split(',') as Field[]) : [],
    mostCharacters: unit === 'characters' ? length : 0,
    mostWords: unit === 'words' ? length : 0,
  };
}

/** All texts, as long as the house has them. */
export const ALL = extent('', '', '');

/** What a run writes, where that isn't everything: "the meta descriptions, of at most 140 characters". */
export function whatIsWritten(of: Partial<Schema['Extent']>): string {
  const words = [];
  if (of.fields?.length) words.push(`the ${fieldsLabel([...of.fields].sort().join(','))}`);
  if (of.mostCharacters) words.push(`of at most ${of.mostCharacters} characters`);
  if (of.mostWords) words.push(`of at most ${of.mostWords} words`);
  return words.join(', ');
}
