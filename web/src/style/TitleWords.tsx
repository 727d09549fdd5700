import type { Schema } from '../api/client';
import { Word } from '../frame/Sentence';

type Form = Schema['TitleForm'];

const SEPARATORS: Record<Form['separator'], string> = {
  USUAL: 'a dash, and a bar before the brand',
  DASH: 'dashes',
  BAR: 'bars',
  DOT: 'dots',
  COMMA: 'commas',
};
const CAPITALS: Record<Form['capitals'], string> = {
  AS_THEY_COME: 'as they come',
  EVERY_WORD: 'with a capital each',
};
const choices = (labels: Record<string, string>) =>
  Object.entries(labels).map(([value, label]) => ({ value, label }));

/** How titles are set, as a sentence: what parts their pieces, and the capitals of their words. */
export function TitleWords(props: { form: Form; onChange: (form: Form) => void }) {
  const { form, onChange } = props;
  return (
    <>
      Titles are parted by{' '}
      <Word
        label="Separator of titles"
        value={form.separator}
        choices={choices(SEPARATORS)}
        onChange={(s) => onChange({ ...form, separator: s as Form['separator'] })}
      />{' '}
      and have their words{' '}
      <Word
        label="Capitals of titles"
        value={form.capitals}
        choices={choices(CAPITALS)}
        onChange={(c) => onChange({ ...form, capitals: c as Form['capitals'] })}
      />
      .
    </>
  );
}

export const USUAL_TITLES: Form = { separator: 'USUAL', capitals: 'AS_THEY_COME' };
