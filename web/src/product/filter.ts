/** What the sentence over a list of products can say. */
export const STATES = [
  { value: 'ALL', label: 'all products' },
  { value: 'UNWRITTEN', label: 'products without text' },
  { value: 'DRAFTED', label: 'drafted texts' },
  { value: 'IN_PROOF', label: 'texts in proof' },
  { value: 'PROOF', label: 'texts to read' },
  { value: 'READY', label: 'texts with nothing to fix' },
  { value: 'FIX', label: 'texts with something to fix' },
  { value: 'STALE', label: 'texts whose facts have changed' },
  { value: 'DISPUTED', label: 'products whose sources disagree' },
  { value: 'INCOMPLETE', label: 'products that lack essential facts' },
  { value: 'FAILED', label: 'products where writing failed' },
  { value: 'SIGNED_OFF', label: 'signed-off texts' },
  { value: 'PUBLISHED', label: 'published texts' },
];

export const ORDERS = [
  { value: 'SHEET', label: 'as they came' },
  { value: 'LEAST_READY', label: 'least ready first' },
  { value: 'MOST_READY', label: 'most ready first' },
  { value: 'NAME', label: 'by name' },
] as const;

export type Order = (typeof ORDERS)[number]['value'];
