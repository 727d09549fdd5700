import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { api, take, type Schema } from '../api/client';
import { count, figure } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { useMay } from '../frame/session';

type Intake = Schema['IntakeView'];

/** How one sheet is read: each column with its meaning, its reason and its first cells. */
export function Reading({ id }: { id: number }) {
  const queries = useQueryClient();
  const notice = useNotice();
  const navigate = useNavigate();
  const mayWrite = useMay('WRITER');
  const path = { params: { path: { id } } };
  const intake = useQuery({
    queryKey: ['intake', id],
    queryFn: () => take(api.GET('/api/intakes/{id}', path)),
  });
  const meanings = useQuery({
    queryKey: ['meanings'],
    queryFn: () => take(api.GET('/api/intakes/meanings')),
    staleTime: Infinity,
  });
  const changed = (fresh: Intake) => {
    queries.setQueryData(['intake', id], fresh);
    queries.invalidateQueries({ queryKey: ['intakes'] });
    queries.invalidateQueries({ queryKey: ['waiting'] });
  };
  const setMeaning = useMutation({
    mutationFn: (all: string[]) =>
      take(api.PUT('/api/intakes/{id}/meanings', { ...path, body: { meanings: all } })),
    onSuccess: changed,
    onError: notice.trouble,
  });
  const takeIn = useMutation({
    mutationFn: () => take(api.POST('/api/intakes/{id}/take', path)),
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

  return (
    <Box>
      <Typography variant="h1">{sheet.supplier}</Typography>
      <Typography sx={{ color: 'text.secondary', mb: 1.5 }}>
        {sheet.fileName}: {count(sheet.rows, 'row')}. {sheet.evidence} Numbers have a decimal{' '}
        {sheet.numbers === 'COMMA' ? 'comma' : 'point'}.
      </Typography>
      {sheet.status === 'TAKEN' && <Result sheet={sheet} />}
      {isOpen && mayWrite && (
        <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', mb: 1.5 }}>
          <Button
            variant="contained"
            disabled={sheet.obstacle !== '' || takeIn.isPending}
            onClick={() => takeIn.mutate()}
          >
            Take {count(sheet.rows, 'row')} in
          </Button>
          <Button disabled={takeIn.isPending} onClick={() => discard.mutate()}>
            Discard
          </Button>
          {sheet.obstacle && (
            <Box role="alert" sx={{ color: 'error.main' }}>
              {sheet.obstacle}
            </Box>
          )}
        </Box>
      )}
      {(takeIn.isPending || setMeaning.isPending) && (
        <LinearProgress aria-label="Working" sx={{ mb: 1 }} />
      )}
      <Box
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
            {sheet.columns.map((column, i) => (
              <tr key={column.heading}>
                <th scope="row">{column.heading}</th>
                <td>
                  <select
                    aria-label={`Meaning of ${column.heading}`}
                    value={column.meaning}
                    disabled={!isOpen || !mayWrite}
                    onChange={(e) =>
                      setMeaning.mutate(
                        sheet.columns.map((c, k) => (k === i ? e.target.value : c.meaning)),
                      )
                    }
                  >
                    <Choices choices={meanings.data ?? []} />
                  </select>
                  {column.unit && <small> in {column.unit}</small>}
                </td>
                <td className={column.confidence < 0.7 ? 'unsure' : 'reason'}>{column.reason}</td>
                {sheet.preview.slice(0, 4).map((r) => (
                  <td key={r.number} className="cell">
                    {r.cells[i]}
                  </td>
                ))}
              </tr>
            ))}
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
  return (
    <Box
      sx={{ borderLeft: 3, borderColor: 'success.main', pl: 2, mb: 2 }}
      data-testid="intake-result"
    >
      <Typography sx={{ fontSize: 15 }}>
        Of {count(r.rows, 'row')}: {figure(r.added)} new, {figure(r.changed)} changed,{' '}
        {figure(r.unchanged)} unchanged, {figure(r.duplicates)} duplicates, {figure(r.rejected)}{' '}
        rejected, {figure(r.blank)} blank.
        {r.contradictions > 0 &&
          ` In ${count(r.contradictions, 'product')} two cells disagree; the texts leave that out and say so.`}
      </Typography>
      <Box sx={{ display: 'flex', gap: 3, my: 1 }}>
        <Link to={`/products?intake=${sheet.id}`}>See the products</Link>
        <a href={`/api/intakes/${sheet.id}/sheet`} download>
          Export the sheet with all texts
        </a>
        <a href={`/api/intakes/${sheet.id}/sheet?signedOnly=true`} download>
          with signed-off texts only
        </a>
      </Box>
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
  },
  '& select:disabled': { opacity: 1, color: 'text.primary', borderColor: 'transparent' },
} as const;
