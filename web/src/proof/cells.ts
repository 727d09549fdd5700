/** What a clipboard holds as rows of cells: tabs between cells, quotes around those with breaks. */
export function clipboardRows(text: string): string[][] {
  const rows: string[][] = [];
  let row: string[] = [];
  let cell = '';
  let isQuoted = false;
  const source = text.replace(/\r\n?/g, '\n').replace(/\n$/, '');
  for (let i = 0; i < source.length; i++) {
    const c = source[i]!;
    if (isQuoted) {
      if (c !== '"') cell += c;
      else if (source[i + 1] === '"') {
        cell += c;
        i++;
      } else isQuoted = false;
    } else if (c === '"' && cell === '' && isClosed(source, i)) isQuoted = true;
    else if (c === '\t' || c === '\n') {
      row.push(cell);
      cell = '';
      if (c === '\n') {
        rows.push(row);
        row = [];
      }
    } else cell += c;
  }
  row.push(cell);
  rows.push(row);
  return rows;
}

/** Whether a quote that begins a cell ends one, too: an inch sign or a citation doesn't. */
function isClosed(source: string, at: number): boolean {
  for (let i = at + 1; i < source.length; i++) {
    if (source[i] !== '"') continue;
    if (source[i + 1] === '"') i++;
    else return i + 1 === source.length || source[i + 1] === '\t' || source[i + 1] === '\n';
  }
  return false;
}

/** One row of a table of texts, as far as pasting needs it. */
export interface Cells {
  product: { id: number };
  revision: number;
  cells: Record<string, string>;
}

/** What one cell is to say. */
export interface Correction {
  product: number;
  revision: number;
  field: string;
  text: string;
}

/** Where a cell stands. */
export interface Place {
  row: number;
  column: number;
}

/** What pasted rows would change. */
export interface Pasted {
  corrections: Correction[];
  /** Cells that say the same already. */
  same: number;
  /** Cells below the last row shown, or beside the last column. */
  outside: number;
}

/**
 * Puts pasted cells into the table, the first one at a place. One single pasted cell stays one: it
 * isn’t spread over others. Empty cells at the end of rows are what spreadsheets add, and change
 * nothing; no text is emptied by pasting.
 */
export function paste(rows: Cells[], fields: string[], at: Place, pasted: string[][]): Pasted {
  const would: Pasted = { corrections: [], same: 0, outside: 0 };
  pasted.forEach((cells, down) =>
    cells.forEach((text, across) => {
      if (text.trim() === '') return;
      const row = rows[at.row + down];
      const field = fields[at.column + across];
      if (!row || !field || row.revision === 0) would.outside++;
      else if (row.cells[field] === text.trim()) would.same++;
      else {
        const { product, revision } = row;
        would.corrections.push({ product: product.id, revision, field, text: text.trim() });
      }
    }),
  );
  return would;
}

/** Corrections in parts of so many products, each product’s in one part. */
export function inParts(corrections: Correction[], most: number): Correction[][] {
  const parts: Correction[][] = [];
  const partOf = new Map<number, number>();
  for (const one of corrections) {
    const part = partOf.get(one.product) ?? Math.floor(partOf.size / most);
    partOf.set(one.product, part);
    (parts[part] ??= []).push(one);
  }
  return parts;
}

/** Where a key leads from a cell; null if it leads nowhere. */
export function moved(key: string, at: Place, rows: number, columns: number): Place | null {
  const step: Record<string, [number, number]> = {
    ArrowDown: [1, 0],
    ArrowUp: [-1, 0],
    ArrowRight: [0, 1],
    ArrowLeft: [0, -1],
    PageDown: [8, 0],
    PageUp: [-8, 0],
  };
  const by = step[key];
  if (key === 'Home') return { row: at.row, column: 0 };
  if (key === 'End') return { row: at.row, column: columns - 1 };
  if (!by) return null;
  return {
    row: Math.min(Math.max(at.row + by[0], 0), rows - 1),
    column: Math.min(Math.max(at.column + by[1], 0), columns - 1),
  };
}
