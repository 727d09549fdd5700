import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState, type DragEvent } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, take, upload } from '../api/client';
import { count, figure, when } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { useMay } from '../frame/session';
import { PullLine } from './PullLine';
import { Reading } from './Reading';

/** Taking sheets in: drop one, say what its columns mean, take it in. */
export function IntakePage() {
  const { id } = useParams();
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { md: '300px minmax(0, 1fr)' }, gap: 4 }}>
      <Box>
        <DropField />
        <Typography sx={{ mb: 2.5 }}>
          Or <Link to="/intake/pictures">pictures</Link>, or{' '}
          <Link to="/products/new">a product by hand or from a text</Link>, or put files into the{' '}
          <Link to="/folder">watched folder</Link>.
        </Typography>
        <PullLine />
        <Intakes selected={Number(id)} />
      </Box>
      <Box>{id ? <Reading key={id} id={Number(id)} /> : <First />}</Box>
    </Box>
  );
}

function First() {
  return (
    <Box sx={{ maxWidth: 560, color: 'text.secondary', fontSize: 15 }}>
      <Typography variant="h1" sx={{ color: 'text.primary' }} gutterBottom>
        Intake
      </Typography>
      <p>
        A supplier’s sheet comes first. Drop it on the left: Rhetor shows its first rows and what it
        takes each column for. You put that right where it is wrong, and nothing is stored before
        you take the sheet in.
      </p>
      <p>Or choose one of the sheets that came before.</p>
    </Box>
  );
}

function DropField() {
  const notice = useNotice();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const mayWrite = useMay('WRITER');
  const input = useRef<HTMLInputElement>(null);
  const [isOver, setOver] = useState(false);
  const [share, setShare] = useState<number | null>(null);
  const [supplier, setSupplier] = useState('');
  const limits = useQuery({
    queryKey: ['limits'],
    queryFn: () => take(api.GET('/api/intakes/limits')),
    staleTime: Infinity,
  });
  const megabytes = Math.round((limits.data?.bytes ?? 0) / 1e6);

  const send = async (file: File | undefined) => {
    if (!file) return;
    if (limits.data && file.size > limits.data.bytes) {
      notice.trouble(
        `${file.name} has ${Math.round(file.size / 1e6)} MB; a sheet may have up to ${megabytes} MB. Split it into smaller sheets with the same headings.`,
      );
      return;
    }
    setShare(0);
    try {
      const intake = await upload(file, supplier, setShare);
      setSupplier('');
      await queries.invalidateQueries({ queryKey: ['intakes'] });
      queries.invalidateQueries({ queryKey: ['waiting'] });
      navigate(`/intake/${intake.id}`);
    } catch (e) {
      notice.trouble(e);
    } finally {
      setShare(null);
      if (input.current) input.current.value = '';
    }
  };

  if (!mayWrite) {
    return (
      <Typography sx={{ color: 'text.secondary', mb: 3 }}>
        Writers, editors and the owner take sheets in.
      </Typography>
    );
  }
  return (
    <Box
      onDragOver={(e: DragEvent) => {
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(e: DragEvent) => {
        e.preventDefault();
        setOver(false);
        send(e.dataTransfer.files[0]);
      }}
      sx={{
        border: '1px dashed',
        borderColor: isOver ? 'success.main' : 'text.secondary',
        bgcolor: 'background.paper',
        p: 2,
        mb: 3,
      }}
    >
      <Typography variant="h3" gutterBottom>
        Drop a supplier’s sheet here
      </Typography>
      <Box
        component="input"
        aria-label="Supplier"
        placeholder="Supplier (else by its headings)"
        value={supplier}
        onChange={(e: React.ChangeEvent<HTMLInputElement>) => setSupplier(e.target.value)}
        sx={{
          width: '100%',
          font: 'inherit',
          color: 'inherit',
          bgcolor: 'transparent',
          border: 0,
          borderBottom: 1,
          borderColor: 'divider',
          py: 0.5,
          mb: 1.5,
        }}
      />
      <Button component="label" variant="outlined" size="small" disabled={share !== null}>
        Choose a file
        <input
          ref={input}
          type="file"
          hidden
          data-testid="sheet-file"
          accept=".csv,.tsv,.txt,.xlsx,.ods,.json,.jsonl,.ndjson,.xml,text/csv"
          onChange={(e) => send(e.target.files?.[0])}
        />
      </Button>
      {share !== null && (
        <LinearProgress
          aria-label="Sending the sheet"
          variant={share < 1 ? 'determinate' : 'indeterminate'}
          value={share * 100}
          sx={{ mt: 1.5 }}
        />
      )}
      <Typography sx={{ color: 'text.secondary', fontSize: 12, mt: 1.5 }}>
        CSV and other delimited text, XLSX, ODS, JSON, JSON Lines or XML. Up to {megabytes} MB,{' '}
        {figure(limits.data?.rows ?? 0)} rows and {limits.data?.columns} columns. Or fill in a{' '}
        <BlankSheet />.
      </Typography>
    </Box>
  );
}

/** A blank sheet to download, by kind of product. */
function BlankSheet() {
  const blanks = useQuery({
    queryKey: ['blanks'],
    queryFn: () => take(api.GET('/api/intakes/blanks')),
    staleTime: Infinity,
  });
  return (
    <Box
      component="select"
      aria-label="Download a blank sheet for"
      value=""
      onChange={(e: React.ChangeEvent<HTMLSelectElement>) =>
        window.location.assign(`/api/intakes/blank?productClass=${e.target.value}`)
      }
      sx={{
        font: 'inherit',
        color: 'success.main',
        bgcolor: 'background.paper',
        border: 0,
        borderBottom: 1,
        borderColor: 'success.main',
        p: 0,
      }}
    >
      <option value="">blank sheet for …</option>
      {blanks.data?.map((b) => (
        <option key={b.productClass} value={b.productClass}>
          {b.noun}
        </option>
      ))}
    </Box>
  );
}

function Intakes({ selected }: { selected: number }) {
  const intakes = useQuery({
    queryKey: ['intakes'],
    queryFn: () => take(api.GET('/api/intakes')),
  });
  if (intakes.data?.length === 0) {
    return <Typography sx={{ color: 'text.secondary' }}>No sheet has come yet.</Typography>;
  }
  return (
    <Table size="small" aria-label="Sheets">
      <TableHead>
        <TableRow>
          <TableCell>Sheets</TableCell>
          <TableCell align="right">Rows</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {intakes.data?.map((i) => (
          <TableRow key={i.id} selected={i.id === selected}>
            <TableCell>
              <Link to={`/intake/${i.id}`}>{i.supplier}</Link>
              <Box sx={{ color: 'text.secondary', fontSize: 12, overflowWrap: 'anywhere' }}>
                {i.fileName}, {when(i.createdAt)}
              </Box>
              <Box
                sx={{
                  fontSize: 12,
                  color:
                    i.status === 'TAKEN'
                      ? 'success.main'
                      : i.status === 'TAKEN_BACK'
                        ? 'text.secondary'
                        : 'warning.main',
                }}
              >
                {i.status === 'TAKEN'
                  ? `taken in: ${figure(i.added)} new, ${figure(i.changed)} changed, ${count(i.rejected, 'row')} not`
                  : i.status === 'TAKING'
                    ? 'being taken in'
                    : i.status === 'TAKEN_BACK'
                      ? 'taken back'
                      : 'waits to be taken in'}
              </Box>
            </TableCell>
            <TableCell align="right" sx={{ verticalAlign: 'top' }}>
              {figure(i.rows)}
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}
