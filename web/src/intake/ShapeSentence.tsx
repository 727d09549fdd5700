import Box from '@mui/material/Box';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { useNotice } from '../frame/Notice';
import { Sentence, TypedWord, Word } from '../frame/Sentence';

type Intake = Schema['IntakeView'];

const ROWS = 12;

/** How people call encodings whose own names say less. */
const CALLED: Record<string, string> = {
  'windows-1252': 'Windows-1252',
  'ISO-8859-1': 'Latin-1',
  'ISO-8859-15': 'Latin-9',
  'windows-1250': 'Windows-1250',
  'x-MacRoman': 'Mac Roman',
  'UTF-16LE': 'UTF-16, little-endian',
  'UTF-16BE': 'UTF-16, big-endian',
};

const DELIMITERS = [
  { value: ',', label: 'commas' },
  { value: ';', label: 'semicolons' },
  { value: '\t', label: 'tabs' },
  { value: '|', label: 'pipes' },
];

/** The choices, and what stands there now if it is none of them. */
function choices(known: { value: string; label: string }[], now: string) {
  return known.some((c) => c.value === now) ? known : [...known, { value: now, label: now }];
}

/** Where the table stands in its file and whose it is, as a sentence; the file’s first rows below. */
export function ShapeSentence(props: { sheet: Intake; onChanged: (fresh: Intake) => void }) {
  const { sheet, onChanged } = props;
  const notice = useNotice();
  const [showsTop, setShowsTop] = useState(false);
  const path = { params: { path: { id: sheet.id } } };
  const top = useQuery({
    queryKey: ['intake', sheet.id, 'top', sheet.shape.worksheet],
    queryFn: () => take(api.GET('/api/intakes/{id}/top', path)),
    enabled: showsTop,
  });
  const setShape = useMutation({
    mutationFn: (shape: Schema['Shape']) =>
      take(api.PUT('/api/intakes/{id}/shape', { ...path, body: shape })),
    onSuccess: onChanged,
    onError: notice.trouble,
  });
  const setWorksheet = useMutation({
    mutationFn: (worksheet: string) =>
      take(api.PUT('/api/intakes/{id}/worksheet', { ...path, body: { worksheet } })),
    onSuccess: onChanged,
    onError: notice.trouble,
  });
  const setWriting = useMutation({
    mutationFn: (writing: Schema['Writing']) =>
      take(api.PUT('/api/intakes/{id}/writing', { ...path, body: writing })),
    onSuccess: onChanged,
    onError: notice.trouble,
  });
  const setNumbers = useMutation({
    mutationFn: (numbers: string) =>
      take(api.PUT('/api/intakes/{id}/columns', { ...path, body: { columns: [], numbers } })),
    onSuccess: onChanged,
    onError: notice.trouble,
  });
  const setSupplier = useMutation({
    mutationFn: (supplier: string) =>
      take(api.PUT('/api/intakes/{id}/supplier', { ...path, body: { supplier } })),
    onSuccess: onChanged,
    onError: notice.trouble,
  });
  const known = useQuery({
    queryKey: ['encodings'],
    queryFn: () => take(api.GET('/api/intakes/encodings')),
    enabled: sheet.format === 'DELIMITED',
    staleTime: Infinity,
  });
  const encodings = (known.data ?? []).map((value) => ({ value, label: CALLED[value] ?? value }));
  const shape = sheet.shape;
  // Records name their own fields.
  const hasRows = ['DELIMITED', 'XLSX', 'ODS'].includes(sheet.format);
  const end = Math.max(1, shape.headingRow + shape.headingRows);
  const headings = [
    ...Array.from({ length: ROWS }, (_, i) => i + 1).flatMap((row) => [
      { value: `${row}+1`, label: `row ${row}` },
      { value: `${row}+2`, label: `rows ${row} and ${row + 1}` },
    ]),
    { value: '0+0', label: 'no row' },
  ];
  const firsts = Array.from({ length: ROWS }, (_, i) => end + i).map((row) => ({
    value: String(row),
    label: `row ${row}`,
  }));

  return (
    <>
      <Sentence>
        This is a sheet of{' '}
        <TypedWord
          key={sheet.supplier}
          label="Supplier"
          value={sheet.supplier}
          onSettled={(v) => v.trim() && setSupplier.mutate(v)}
        />
        {sheet.worksheets.length > 0 && (
          <>
            , worksheet{' '}
            <Word
              label="Worksheet"
              value={shape.worksheet}
              choices={sheet.worksheets.map((w) => ({ value: w, label: w }))}
              onChange={setWorksheet.mutate}
            />
          </>
        )}
        {hasRows && (
          <>
            , with headings in{' '}
            <Word
              label="Heading row"
              value={`${shape.headingRow}+${shape.headingRows}`}
              choices={headings}
              onChange={(v) => {
                const [row, rows] = v.split('+').map(Number) as [number, number];
                setShape.mutate({
                  worksheet: shape.worksheet,
                  headingRow: row,
                  headingRows: rows,
                  // What was taken for headings is a product if no row has them.
                  firstRow: row === 0 ? Math.max(1, shape.headingRow) : row + rows,
                });
              }}
            />{' '}
            and products from{' '}
            <Word
              label="First product"
              value={String(shape.firstRow)}
              choices={firsts}
              onChange={(v) => setShape.mutate({ ...shape, firstRow: Number(v) })}
            />{' '}
            on
          </>
        )}
        {sheet.format === 'DELIMITED' && (
          <>
            , in{' '}
            <Word
              label="Encoding"
              value={sheet.encoding}
              choices={choices(encodings, sheet.encoding)}
              onChange={(encoding) => setWriting.mutate({ encoding, delimiter: sheet.delimiter })}
            />{' '}
            with{' '}
            <Word
              label="Delimiter"
              value={sheet.delimiter}
              choices={choices(DELIMITERS, sheet.delimiter)}
              onChange={(delimiter) => setWriting.mutate({ encoding: sheet.encoding, delimiter })}
            />{' '}
            between the cells
          </>
        )}
        , numbers with a decimal{' '}
        <Word
          label="Decimal character"
          value={sheet.numbers}
          choices={[
            { value: 'POINT', label: 'point' },
            { value: 'COMMA', label: 'comma' },
          ]}
          onChange={setNumbers.mutate}
        />
        .
        {hasRows && (
          <Box
            component="button"
            type="button"
            aria-expanded={showsTop}
            onClick={() => setShowsTop(!showsTop)}
            sx={{
              font: '13px "IBM Plex Sans", sans-serif',
              color: 'text.secondary',
              bgcolor: 'transparent',
              border: 0,
              ml: 1.5,
              cursor: 'pointer',
              textDecoration: 'underline',
            }}
          >
            {showsTop ? 'hide the file’s first rows' : 'show the file’s first rows'}
          </Box>
        )}
      </Sentence>
      {showsTop && (
        <Box sx={{ overflowX: 'auto', mb: 1.5 }}>
          <Box component="table" aria-label="The file’s first rows" sx={topStyle}>
            <tbody>
              {top.data?.map((r) => (
                <tr
                  key={r.number}
                  className={
                    r.number >= shape.headingRow && r.number < end
                      ? 'heading'
                      : r.number < shape.firstRow
                        ? 'above'
                        : ''
                  }
                >
                  <th scope="row">{r.number}</th>
                  {r.cells.map((c, i) => (
                    <td key={i}>{c}</td>
                  ))}
                </tr>
              ))}
            </tbody>
          </Box>
        </Box>
      )}
    </>
  );
}

const topStyle = {
  borderCollapse: 'collapse',
  fontSize: 12.5,
  '& th, & td': {
    border: '1px solid',
    borderColor: 'divider',
    px: 1,
    py: '3px',
    maxWidth: 150,
    overflow: 'hidden',
    textOverflow: 'ellipsis',
    whiteSpace: 'nowrap',
  },
  '& th': { color: 'text.secondary', fontWeight: 400 },
  '& .above td': { color: 'text.secondary', fontStyle: 'italic' },
  '& .heading td': { fontWeight: 600, bgcolor: 'background.paper' },
} as const;
