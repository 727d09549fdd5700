import type { Schema } from '../api/client';
import { Word } from '../frame/Sentence';

type Structure = Schema['Structure'];

const LEVELS = { 2: 'second', 3: 'third', 4: 'fourth' };

/** How descriptions are set out, as a sentence: list, paragraphs, headings. */
export function StructureWords(props: {
  structure: Structure;
  /** Whether the level of headings is decided here too. */
  withHeadings: boolean;
  onChange: (structure: Structure) => void;
}) {
  const { structure, onChange } = props;
  return (
    <>
      Descriptions{' '}
      <Word
        label="List of facts"
        value={structure.specification ? 'list' : 'none'}
        choices={[
          { value: 'list', label: 'end with the facts as a list' },
          { value: 'none', label: 'have no list of facts' },
        ]}
        onChange={(what) => onChange({ ...structure, specification: what === 'list' })}
      />{' '}
      and come in paragraphs of{' '}
      <Word
        label="Sentences in a paragraph"
        value={String(structure.paragraphSentences)}
        choices={[
          { value: '0', label: 'what belongs together' },
          { value: '1', label: 'one sentence' },
          ...[2, 3, 4, 5, 6].map((n) => ({ value: String(n), label: `${n} sentences at most` })),
        ]}
        onChange={(n) => onChange({ ...structure, paragraphSentences: Number(n) })}
      />
      {props.withHeadings && (
        <>
          , under headings of the{' '}
          <Word
            label="Level of headings"
            value={String(structure.headingLevel)}
            choices={Object.entries(LEVELS).map(([value, label]) => ({
              value,
              label: `${label} level`,
            }))}
            onChange={(level) => onChange({ ...structure, headingLevel: Number(level) })}
          />
        </>
      )}
      .
    </>
  );
}

export const USUAL_STRUCTURE: Structure = {
  specification: true,
  paragraphSentences: 0,
  headingLevel: 3,
};
