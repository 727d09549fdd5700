import { TypedWord, Word } from '../frame/Sentence';
import { useConnections } from '../model/connections';
import { amount, authorOf, wordOf, type Author } from './author';

const AMENDS = [
  { value: 'COMPOSE', label: 'gives way to Rhetor’s own sentence' },
  { value: 'LEAVE_OUT', label: 'is left out' },
  { value: 'HOLD', label: 'stays, marked, and is held' },
];

const SILENT = [
  { value: '', label: 'wait' },
  { value: 'yes', label: 'let Rhetor write' },
];

/** Who writes, as the end of a sentence; nothing where the house has no text model. */
export function AuthorWords(props: { author: Author; onChange: (author: Author) => void }) {
  const { author, onChange } = props;
  const connections = useConnections().data ?? [];
  if (connections.length === 0) return null;
  return (
    <>
      {', by '}
      <Word
        label="Who writes"
        value={wordOf(author)}
        choices={[
          { value: '', label: 'Rhetor' },
          ...connections.flatMap((c) => [
            { value: String(c.id), label: c.name },
            { value: `${c.id} thin`, label: `Rhetor, and ${c.name} where there’s little to tell` },
          ]),
        ]}
        onChange={(word) => onChange(authorOf(word, author))}
      />
      {author.engine !== 'COMPOSER' && (
        <>
          {'; what can’t stand '}
          <Word
            label="What can’t stand"
            value={author.amends}
            choices={AMENDS}
            onChange={(v) => onChange({ ...author, amends: v as Author['amends'] })}
          />
          {'; if there is no answer, '}
          <Word
            label="Without an answer"
            value={author.fallsBack ? 'yes' : ''}
            choices={SILENT}
            onChange={(v) => onChange({ ...author, fallsBack: v === 'yes' })}
          />
          {'; for at most '}
          <TypedWord
            label="At most"
            value={author.most ? String(author.most) : ''}
            otherwise="any amount"
            onSettled={(typed) => onChange({ ...author, most: amount(typed) })}
          />
        </>
      )}
    </>
  );
}
