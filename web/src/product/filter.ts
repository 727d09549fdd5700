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
  { value: 'NO_KEYWORD', label: 'products without a keyword' },
  { value: 'COMMENTED', label: 'texts with open comments' },
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

/** How ready texts have to be, as the sentence says it; 0 for any. */
export function readiness(atLeast: number, below: number): string {
  if (atLeast > 0 && below > 0) return `ready ${atLeast} to ${below - 1}`;
  if (atLeast > 0) return `ready ${atLeast} or more`;
  return below > 0 ? `ready less than ${below}` : 'however ready';
}

/** The readiness that the sentence offers: from this on, and below that. */
export const READINESS = ['0-0', '95-0', '90-0', '85-0', '70-0', '0-85', '0-70', '0-50'];

/** Which products are shown, and in which order. */
export interface Filter {
  search: string;
  state: string;
  intake: number;
  range: number;
  kind: string;
  brand: string;
  atLeast: number;
  below: number;
  /** Id of the person whom the texts are given to; 0 for anybody, NOBODY for those still free. */
  reader: number;
  /** The run that wrote for them; 0 for any and none. */
  run: number;
  order: Order;
}

export const ANY: Filter = {
  search: '',
  state: 'ALL',
  intake: 0,
  range: 0,
  kind: '',
  brand: '',
  atLeast: 0,
  below: 0,
  reader: 0,
  run: 0,
  order: 'SHEET',
};

/** Stands for the reader of texts that are given to nobody yet. */
export const NOBODY = -1;

/** The filter that an address says; what it doesn't say, or says wrongly, is as at first. */
export function fromAddress(address: URLSearchParams, first: Partial<Filter> = {}): Filter {
  const filter: Filter = { ...ANY, ...first };
  const word = (name: string) => address.get(name);
  const number = (name: string, most: number, otherwise: number) => {
    const said = Number(word(name) ?? Number.NaN);
    return Number.isInteger(said) && said >= 0 && said <= most ? said : otherwise;
  };
  return {
    search: word('search') ?? filter.search,
    state: STATES.find((s) => s.value === word('state'))?.value ?? filter.state,
    intake: number('intake', Number.MAX_SAFE_INTEGER, filter.intake),
    range: number('range', Number.MAX_SAFE_INTEGER, filter.range),
    kind: word('kind') ?? filter.kind,
    brand: word('brand') ?? filter.brand,
    atLeast: number('atLeast', 100, filter.atLeast),
    below: number('below', 101, filter.below),
    reader:
      word('reader') === String(NOBODY)
        ? NOBODY
        : number('reader', Number.MAX_SAFE_INTEGER, filter.reader),
    run: number('run', Number.MAX_SAFE_INTEGER, filter.run),
    order: ORDERS.find((o) => o.value === word('order'))?.value ?? filter.order,
  };
}

/** An address that says a filter, and no more than differs from the first one. */
export function toAddress(filter: Filter, first: Partial<Filter> = {}): URLSearchParams {
  const otherwise: Filter = { ...ANY, ...first };
  const address = new URLSearchParams();
  for (const name of Object.keys(ANY) as (keyof Filter)[]) {
    if (filter[name] !== otherwise[name]) address.set(name, String(filter[name]));
  }
  return address;
}

/** Whether a filter lets every product through. */
export const isPlain = (filter: Filter) => toAddress({ ...filter, order: ANY.order }).size === 0;

/** The products that a filter means, as requests name them. */
export const which = (filter: Filter, products: number[] = []) => {
  const { search, state, intake, range, kind, brand, atLeast, below, reader, run } = filter;
  return { products, search, state, intake, range, kind, brand, atLeast, below, reader, run };
};
