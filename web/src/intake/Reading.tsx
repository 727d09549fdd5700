import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Fragment, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { api, take, type Schema } from '../api/client';
import { count, figure } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Sentence, Word } from '../frame/Sentence';
import { useMay } from '../frame/session';
import { Questions } from './Questions';
import { Changes } from './Changes';
import { DryRun } from './DryRun';
import { EditedTexts } from './EditedTexts';
import { useMeanings } from './meanings';
import { ShapeSentence } from './ShapeSentence';
import { ThingSentence } from './ThingSentence';

type Intake = Schema['IntakeView'];
type Leave = 'NOTHING' | 'PUBLISHED' | 'SIGNED_OFF';

const LEAVE = [
  { value: 'NOTHING', label: 'changing facts wherever they differ' },
  { value: 'PUBLISHED', label: 'leaving published products alone' },
  { value: 'SIGNED_OFF', label: 'leaving signed-off and published products alone' },
];

const GROUPS = [
  { code: 'look', label: 'To look at' },
  { code: 'read', label: 'Read' },
  { code: 'kept', label: 'Kept under their own headings, or back' },
];

function groupOf(column: Intake['columns'][number]) {
  if (column.choices.length + column.units.length > 0) return 'look';
  return column.meaning === 'extra' || column.meaning === 'keep' ? 'kept' : 'read';
}

/** How one sheet is read: each column with its meaning, its reason and its first cells. */
export function Reading({ id }: { id: number }) {
  const queries = useQueryClient();
  const notice = useNotice();
  const navigate = useNavigate();
  const mayWrite = useMay('WRITER');
  const [leave, setLeave] = useState<Leave>('NOTHING');
  const [dryRun, setDryRun] = useState<Schema['DryRun'] | null>(null);
  const path = { params: { path: { id } } };
  const intake = useQuery({
    queryKey: ['intake', id],
    queryFn: () => take(api.GET('/api/intakes/{id}', path)),
  });
  const meanings = useMeanings(
    intake.data?.columns.flatMap((c) => [c.meaning, ...c.choices.map(String)]) ?? [],
  );
  const changed = (fresh: Intake) => {
    queries.setQueryData(['intake', id], fresh);
    queries.invalidateQueries({ queryKey: ['intakes'] });
    queries.invalidateQueries({ queryKey: ['waiting'] });
    setDryRun(null);
  };
  const setColumn = useMutation({
    mutationFn: (said: Partial<Schema['ColumnSaid']> & { column: number; meaning: string }) =>
      take(
        api.PUT('/api/intakes/{id}/columns', {
          ...path,
          body: { columns: [said] } as Schema['ColumnsSaid'],
        }),
      ),
    onSuccess: changed,
    onError: notice.trouble,
  });
  const rules = {
    leavePublished: leave !== 'NOTHING',
    leaveSignedOff: leave === 'SIGNED_OFF',
  };
  const tryOut = useMutation({
    mutationFn: () => take(api.POST('/api/intakes/{id}/dry-run', { ...path, body: rules })),
    onSuccess: setDryRun,
    onError: notice.trouble,
  });
  const takeIn = useMutation({
    mutationFn: () => take(api.POST('/api/intakes/{id}/take', { ...path, body: rules })),
    onSuccess: changed,
    onError: (e) => {
      notice.trouble(e);
      queries.invalidateQueries({ queryKey: ['intake', id] });
    },
  });
  const discard = useMutation({
    mutationFn: () => take(api.DELETE('/api/intakes/{id}', path)),
    onSuccess: () => {
      queries.invalidateQueries({ queryKey: ['intakes'] });
      navigate('/intake');
    },
    onError: notice.trouble,
  });

  if (intake.error) return <Typography role="alert">{intake.error.message}</Typography>;
  if (!intake.data) return <LinearProgress aria-label="Reading the sheet" />;
  const sheet = intake.data;
  const isOpen = sheet.status === 'PROPOSED';
  // An answer that is on its way still counts for what is taken in.
  const isBusy = takeIn.isPending || tryOut.isPending || setColumn.isPending;
  const asking = sheet.columns.filter((c) => c.choices.length + c.units.length > 0);
  const isBlocked =
    sheet.obstacle !== '' ||
    (sheet.hasToBeSeen && !sheet.seen) ||
    // What stays under its own heading or is kept back meanwhile does no harm.
    asking.some((c) => c.units.length > 0);

  return (
    <Box>
      <Typography variant="h1">{sheet.supplier}</Typography>
      <Typography sx={{ color: 'text.secondary' }}>
        {sheet.fileName}: {count(sheet.rows, 'row')}. {sheet.evidence}
      </Typography>
      {isOpen && sheet.boilerplate.length > 0 && (
        <Typography sx={{ color: 'text.secondary' }}>
          Left out of the prose, because most rows say it: <q>{sheet.boilerplate.join(' ')}</q>
        </Typography>
      )}
      {sheet.notes.map((n) => (
        <Typography key={n} sx={{ color: 'warning.main' }}>
          {n}
        </Typography>
      ))}
      {isOpen && mayWrite && <ShapeSentence sheet={sheet} onChanged={changed} />}
      {isOpen && mayWrite && sheet.hasTexts && <EditedTexts id={id} />}
      {isOpen && mayWrite && <ThingSentence sheet={sheet} onChanged={changed} />}
      {(sheet.status === 'TAKEN' || sheet.status === 'TAKEN_BACK') && <Result sheet={sheet} />}
      {sheet.changes.length > 0 && isOpen && <Changes sheet={sheet} onChanged={changed} />}
      {isOpen && asking.length > 0 && (
        <Questions
          sheet={sheet}
          label={meanings.label}
          mayAnswer={mayWrite && !setColumn.isPending}
          onAnswer={setColumn.mutate}
        />
      )}
      {isOpen && mayWrite && (
        <Box sx={{ borderTop: 1, borderColor: 'divider', mt: 1, pt: 0.5 }}>
          <Sentence>
            Take {count(sheet.rows, 'row')} in,{' '}
            <Word
              label="What to leave alone"
              value={leave}
              choices={LEAVE}
              onChange={(v) => {
                setLeave(v as Leave);
                setDryRun(null);
              }}
            />
            .
            <Box component="span" sx={{ ml: 2, display: 'inline-flex', gap: 1.5 }}>
              <Button
                variant="outlined"
                disabled={sheet.obstacle !== '' || isBusy}
                onClick={() => tryOut.mutate()}
              >
                See what it would do
              </Button>
              <Button
                variant="contained"
                disabled={isBlocked || isBusy}
                onClick={() => takeIn.mutate()}
              >
                Take {count(sheet.rows, 'row')} in
              </Button>
              <Button disabled={isBusy} onClick={() => discard.mutate()}>
                Discard
              </Button>
            </Box>
          </Sentence>
          {sheet.obstacle && (
            <Box role="alert" sx={{ color: 'error.main', mb: 1 }}>
              {sheet.obstacle}
            </Box>
          )}
        </Box>
      )}
      {isBusy && <LinearProgress aria-label="Working" sx={{ mb: 1 }} />}
      {dryRun && isOpen && <DryRun id={id} run={dryRun} />}
      <Box
        role="region"
        aria-label="Columns of the sheet"
        tabIndex={0}
        sx={{ overflowX: 'auto', border: 1, borderColor: 'divider', bgcolor: 'background.paper' }}
      >
        <Box component="table" sx={tableStyle} data-testid="columns">
          <thead>
            <tr>
              <th>Column</th>
              <th>is read as</th>
              <th>because</th>
              {sheet.preview.slice(0, 4).map((r) => (
                <th key={r.number}>row {r.number}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {GROUPS.map((group) => {
              const columns = sheet.columns
                .map((column, i) => ({ column, i }))
                .filter(({ column }) => groupOf(column) === group.code)
                // The surest last: what is read at a glance needs no glance.
                .sort((a, b) => a.column.confidence - b.column.confidence);
              return (
                <Fragment key={group.code}>
                  {columns.length > 0 && (
                    <tr>
                      <th colSpan={3 + Math.min(4, sheet.preview.length)} className="group">
                        {group.label}: {count(columns.length, 'column')}
                      </th>
                    </tr>
                  )}
                  {columns.map(({ column, i }) => (
                    <tr key={column.heading}>
                      <th scope="row">{column.heading}</th>
                      <td>
                        <select
                          aria-label={`Meaning of ${column.heading}`}
                          value={column.meaning}
                          disabled={!isOpen || !mayWrite}
                          onChange={(e) => setColumn.mutate({ column: i, meaning: e.target.value })}
                        >
                          <Choices choices={meanings.all} />
                        </select>
                        {column.unit && <small> in {column.unit}</small>}
                      </td>
                      <td
                        className={
                          isOpen && (column.confidence < 0.7 || column.units.length > 0)
                            ? 'unsure'
                            : 'reason'
                        }
                      >
                        {column.reason}
                      </td>
                      {sheet.preview.slice(0, 4).map((r) => (
                        <td key={r.number} className="cell">
                          {r.cells[i]}
                        </td>
                      ))}
                    </tr>
                  ))}
                </Fragment>
              );
            })}
          </tbody>
        </Box>
      </Box>
    </Box>
  );
}

function Choices({ choices }: { choices: Schema['MeaningChoice'][] }) {
  const groups = [...new Set(choices.map((c) => c.group))];
  return groups.map((g) => (
    <optgroup key={g} label={g}>
      {choices
        .filter((c) => c.group === g)
        .map((c) => (
          <option key={c.code} value={c.code}>
            {c.label}
          </option>
        ))}
    </optgroup>
  ));
}

function Result({ sheet }: { sheet: Intake }) {
  const r = sheet.result;
  const queries = useQueryClient();
  const notice = useNotice();
  const mayWrite = useMay('WRITER');
  const [asks, setAsks] = useState(false);
  const takeBack = useMutation({
    mutationFn: () =>
      take(api.POST('/api/intakes/{id}/take-back', { params: { path: { id: sheet.id } } })),
    onSuccess: (back) => {
      queries.invalidateQueries();
      setAsks(false);
      notice.say(
        `Taken back: ${count(back.removed, 'product')} gone, ${figure(back.restored)} as before.` +
          (back.kept > 0 ? ` ${figure(back.kept)} stay, because texts were written for them.` : ''),
      );
    },
    onError: notice.trouble,
  });
  return (
    <Box
      sx={{ borderLeft: 3, borderColor: 'success.main', pl: 2, my: 1.5 }}
      data-testid="intake-result"
    >
      <Typography sx={{ fontSize: 15 }}>
        {sheet.status === 'TAKEN_BACK' && <strong>Taken back. It had brought: </strong>}
        Of {count(r.rows, 'row')}: {figure(r.added)} new, {figure(r.changed)} changed,{' '}
        {figure(r.unchanged)} unchanged, {r.left > 0 && `${figure(r.left)} left alone, `}
        {figure(r.duplicates)} duplicates, {figure(r.rejected)} rejected, {figure(r.blank)} blank.
        {r.contradictions > 0 &&
          ` In ${count(r.contradictions, 'product')} two cells disagree; the texts leave that out until somebody settles it.`}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 3, my: 1 }}>
        {sheet.status === 'TAKEN' && (
          <>
            <Link to={`/products?intake=${sheet.id}`}>See the products</Link>
            <a href={`/api/intakes/${sheet.id}/sheet`} download>
              Export the sheet with all texts
            </a>
            <a href={`/api/intakes/${sheet.id}/sheet?signedOnly=true`} download>
              with signed-off texts only
            </a>
          </>
        )}
        {r.rejected + r.duplicates > 0 && (
          <a href={`/api/intakes/${sheet.id}/rejected`} download>
            Rows not taken in, as a sheet
          </a>
        )}
      </Box>
      {sheet.status === 'TAKEN' && mayWrite && (
        <Box sx={{ mb: 1 }}>
          {asks ? (
            <>
              Products that only this sheet named will go, others get back what they had.{' '}
              <Button size="small" color="error" onClick={() => takeBack.mutate()}>
                Take it back
              </Button>
              <Button size="small" onClick={() => setAsks(false)}>
                Leave it
              </Button>
            </>
          ) : (
            <Button size="small" sx={{ ml: -1.5 }} onClick={() => setAsks(true)}>
              Take this intake back …
            </Button>
          )}
        </Box>
      )}
      {r.problems.map((p, i) => (
        <Box key={i} sx={{ color: 'error.main', fontSize: 13 }}>
          Row {p.row}
          {p.column && `, ${p.column}`}: {p.what} {p.remedy}
        </Box>
      ))}
    </Box>
  );
}

const tableStyle = {
  borderCollapse: 'collapse',
  fontSize: 13,
  '& th, & td': {
    textAlign: 'left',
    verticalAlign: 'top',
    p: '5px 12px',
    borderBottom: '1px solid',
    borderColor: 'divider',
  },
  '& thead th': { color: 'text.secondary', fontWeight: 500, whiteSpace: 'nowrap' },
  '& tbody th': { fontWeight: 600, whiteSpace: 'nowrap' },
  '& tbody th.group': { color: 'text.secondary', fontWeight: 500, pt: 1.5 },
  '& .reason': { color: 'text.secondary', minWidth: 150 },
  '& .unsure': { color: 'warning.main', minWidth: 150 },
  '& .cell': {
    maxWidth: 180,
    overflow: 'hidden',
    textOverflow: 'ellipsis',
    whiteSpace: 'nowrap',
    color: 'text.secondary',
  },
  '& select': {
    font: 'inherit',
    fontWeight: 500,
    color: 'success.main',
    bgcolor: 'background.paper',
    border: 0,
    borderBottom: '1px solid',
    maxWidth: 190,
    py: '2px',
    textOverflow: 'ellipsis',
    pr: 2.5,
  },
  '& select:disabled': { opacity: 1, color: 'text.primary', borderColor: 'transparent' },
} as const;
