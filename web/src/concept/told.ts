const BEFORE: Record<string, string> = { part: 'it is ', with: 'it has ', verb: 'to ' };

/** A wording as a person reads it, with the small words of its place in a sentence. */
export const told = (form: string, wording: string) => (BEFORE[form] ?? '') + wording;
