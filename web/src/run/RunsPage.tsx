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
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, take, type Schema } from '../api/client';
import { Empty } from '../frame/Empty';
import { count, figure, when } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { useMay } from '../frame/session';
import { SureButton } from '../frame/SureButton';

type Run = Schema['Run'];

const STATUS = { WAITING: 'about to begin', RUNNING: 'writing', DONE: 'done', STOPPED: 'stopped' };

/** Runs: what is being written, how far it is, and what failed. */
export function RunsPage() {
  const { id } = useParams();
  const runs = useQuery({
    queryKey: ['runs'],
    queryFn: () => take(api.GET('/api/runs')),
    refetchInterval: 3000,
  });
  if (runs.data?.length === 0) {
    return (
      <Empty title="Nothing has been written yet">
        Choose products under <Link to="/products">Products</Link> and write for them. You can leave
        while it runs.
      </Empty>
    );
  }
  return (
    <Box
      sx={{ display: 'grid', gridTemplateColumns: { md: 'minmax(0, 1fr) minmax(0, 1fr)' }, gap: 5 }}
    >
      <Box>
        <Typography variant="h1" gutterBottom>
          Runs
        </Typography>
        <Table size="small">
          <TableHead>
            <TableRow>
              <TableCell>Run</TableCell>
              <TableCell>Begun</TableCell>
              <TableCell>Status</TableCell>
              <TableCell align="right">Written</TableCell>
              <TableCell align="right">Failed</TableCell>
              <TableCell align="right">Left alone</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {runs.data?.map((r) => (
              <TableRow key={r.id} selected={r.id === Number(id)} hover>
                <TableCell>
                  <Link to={`/runs/${r.id}`}>Run {r.id}</Link>
                  {r.templateName && `, after ${r.templateName}`}
                </TableCell>
                <TableCell>{when(r.createdAt)}</TableCell>
                <TableCell>{STATUS[r.status]}</TableCell>
                <TableCell align="right">
                  {figure(r.written)} of {figure(r.total)}
                </TableCell>
                <TableCell align="right">{r.failed || ''}</TableCell>
                <TableCell align="right">{r.left || ''}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
      {id && <OneRun key={id} id={Number(id)} />}
    </Box>
  );
}

/** Follows a run by server-sent events; reconnects by itself when the connection is lost. */
function useRun(id: number) {
  const [run, setRun] = useState<Run | null>(null);
  const [isLost, setLost] = useState(false);
  const [toGo, setToGo] = useState(0);
  useEffect(() => {
    const events = new EventSource(`/api/runs/${id}/events`);
    events.onmessage = (e) => {
      const next = JSON.parse(e.data) as Run;
      const done = next.written + next.failed + next.left;
      const seconds = (Date.now() - Date.parse(next.createdAt)) / 1000;
      setToGo(done > 0 ? Math.round((seconds / done) * (next.total - done)) : 0);
      setRun(next);
      setLost(false);
      if (next.status === 'DONE' || next.status === 'STOPPED') events.close();
    };
    events.onerror = () => setLost(true);
    return () => events.close();
  }, [id]);
  return { run, isLost, toGo };
}

function OneRun({ id }: { id: number }) {
  const { run, isLost, toGo } = useRun(id);
  const notice = useNotice();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const mayWrite = useMay('WRITER');
  const hasEnded = run?.status === 'DONE' || run?.status === 'STOPPED';
  const view = useQuery({
    queryKey: ['run', id, hasEnded],
    queryFn: () => take(api.GET('/api/runs/{id}', { params: { path: { id } } })),
  });
  useEffect(() => {
    if (hasEnded) {
      queries.invalidateQueries({ queryKey: ['waiting'] });
      queries.invalidateQueries({ queryKey: ['products'] });
      queries.invalidateQueries({ queryKey: ['runs'] });
    }
  }, [hasEnded, queries]);
  const shown = run ?? view.data?.run;
  if (!shown) return <LinearProgress aria-label="Loading" />;
  const done = shown.written + shown.failed + shown.left;

  const stop = async () => {
    try {
      await take(api.POST('/api/runs/{id}/stop', { params: { path: { id } } }));
    } catch (e) {
      notice.trouble(e);
    }
  };
  const takeBack = async () => {
    try {
      const back = await take(api.POST('/api/runs/{id}/take-back', { params: { path: { id } } }));
      notice.say(`${count(back.texts, 'text')} taken back; the revisions stay in the history.`);
      ['run', 'products', 'proof', 'waiting'].forEach((key) =>
        queries.invalidateQueries({ queryKey: [key] }),
      );
    } catch (e) {
      notice.trouble(e);
    }
  };
  const retry = async () => {
    try {
      const next = await take(api.POST('/api/runs/{id}/retry', { params: { path: { id } } }));
      navigate(`/runs/${next.id}`);
    } catch (e) {
      notice.trouble(e);
    }
  };

  return (
    <Box component="section" aria-label={`Run ${id}`} data-testid="run" data-status={shown.status}>
      <Typography variant="h2">
        Run {id}: {STATUS[shown.status]}
      </Typography>
      <LinearProgress
        aria-label="Progress of the run"
        variant="determinate"
        color="success"
        value={shown.total ? (100 * done) / shown.total : 0}
        sx={{ my: 1.5, height: 6 }}
      />
      <Typography data-testid="run-count">
        {figure(shown.written)} of {count(shown.total, 'product')} written
        {shown.failed > 0 && `, ${figure(shown.failed)} failed`}
        {shown.left > 0 && `, ${figure(shown.left)} left alone`}.
        {!hasEnded && toGo > 1 && ` About ${count(toGo, 'second')} to go.`}
      </Typography>
      {isLost && !hasEnded && (
        <Typography sx={{ color: 'warning.main' }}>
          The connection was lost. The run goes on by itself; this page finds it again.
        </Typography>
      )}
      {!hasEnded && (
        <Typography sx={{ color: 'text.secondary', mt: 1 }}>
          You can leave this page, or close the browser.
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 1.5, mt: 2 }}>
        {!hasEnded && mayWrite && (
          <Button variant="outlined" onClick={stop}>
            Stop after this product
          </Button>
        )}
        {hasEnded && shown.written > 0 && (
          <Button variant="contained" component={Link} to="/proofs">
            Read the texts
          </Button>
        )}
        {hasEnded && mayWrite && (view.data?.undoable ?? 0) > 0 && (
          <SureButton sure="Take them back: earlier texts count again" onSure={takeBack}>
            {`Take ${count(view.data?.undoable ?? 0, 'text')} back …`}
          </SureButton>
        )}
        {hasEnded && shown.failed > 0 && mayWrite && (
          <Button variant="outlined" onClick={retry}>
            Write the {figure(shown.failed)} failed again
          </Button>
        )}
      </Box>
      {view.data && view.data.troubles.length < shown.failed + shown.left && hasEnded && (
        <Typography sx={{ color: 'text.secondary', mt: 2 }}>
          The first {figure(view.data.troubles.length)} of {figure(shown.failed + shown.left)}:
        </Typography>
      )}
      {view.data && view.data.troubles.length > 0 && (
        <Table size="small" sx={{ mt: 2 }}>
          <TableBody>
            {view.data.troubles.map((t) => (
              <TableRow key={t.productId}>
                <TableCell>{t.sku}</TableCell>
                <TableCell>{t.name}</TableCell>
                <TableCell sx={{ color: t.status === 'FAILED' ? 'error.main' : undefined }}>
                  {t.reason}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
    </Box>
  );
}
