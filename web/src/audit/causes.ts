import type { Schema } from '../api/client';

type Cause = Schema['Cause'];

const NAMES: Record<string, string> = {
  support: 'A statement that no fact bears out',
  'no source': 'A word that stands in no cell',
  'plain language': 'Words that nobody reads aloud',
  claim: 'A claim the house no longer makes',
  'empty phrase': 'An empty phrase',
  markup: 'Markup among the words',
  'sentence length': 'A sentence that is too long',
  repetition: 'A fact told twice',
  likeness: 'Too like the supplier’s text',
  'house likeness': 'Too like another text of the house',
  keyword: 'The keyword is missing or reworded',
  'keyword conflict': 'A keyword that the facts don’t bear out',
  contradiction: 'Sources that disagree',
  missing: 'Nothing written',
  'banned word': 'A word the house doesn’t say',
  spelling: 'Spelt otherwise than the house spells',
  exclamation: 'An exclamation mark',
  emoji: 'An emoji',
  person: 'The reader is addressed',
  contraction: 'A contracted verb',
  'house sentence': 'What every description says is missing',
  'house sentence over': 'The house no longer says this',
  angle: 'A line of the season is missing',
  'supporting keyword': 'A supporting keyword is missing',
  grammar: 'Grammar or spelling',
  'required word': 'A required word is missing',
  'title form': 'A title set otherwise than the house sets them',
  structure: 'Set out otherwise than the house wants',
  voice: 'Sounds otherwise than the texts the house likes',
};

/** What a cause is called. */
export function causeName(cause: Cause): string {
  if (cause.cause === 'length') {
    return cause.weight === 'MUST_FIX' ? 'Too long' : 'Too short';
  }
  if (cause.cause === 'keyword conflict' && cause.weight === 'WEIGH') {
    return 'A keyword that the house doesn’t say';
  }
  return NAMES[cause.cause] ?? cause.cause;
}

export const causeKey = (cause: Cause) => `${cause.cause}/${cause.weight}`;
