import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, take, type Schema } from '../api/client';
import { Empty } from '../frame/Empty';
import { capital, count, figure, when } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Sentence, TypedWord } from '../frame/Sentence';
import { useMay } from '../frame/session';
import { SureButton } from '../frame/SureButton';
import { money } from '../model/connections';
import { amount, duration } from './author';
import { Outcomes } from './Outcomes';
import { whatIsWritten } from './extent';
import { IdeaList } from './IdeaList';
import { Schedules } from './Schedules';

type Run = Schema['Run'];

const STATUS = {
  WAITING: 'about to begin',
  RUNNING: 'writing',
  PAUSED: 'paused',
  DONE: 'done',
  STOPPED: 'stopped',
};

/** What a run is at, in a word. */
const status = (r: Run) => (r.status === 'RUNNING' && r.trouble ? 'waiting' : STATUS[r.status]);

/** Who writes in a run, unless it is Rhetor alone. */
function by(r: Run): string {
  if (r.authorship.engine === 'COMPOSER') return '';
  const name = r.modelName || 'a text model that is connected no longer';
  return r.authorship.engine === 'BOTH' ? `by Rhetor and ${name}` : `by ${name}`;
}

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
        <Schedules />
        <IdeaList />
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
                  {r.about && ` for ${r.about}`}
                  {by(r) && `, ${by(r)}`}
                </TableCell>
                <TableCell>{when(r.createdAt)}</TableCell>
                <TableCell>{status(r)}</TableCell>
                <TableCell align="right">
                  {figure(r.written)} of {figure(r.total)}
                </TableCell>
                <TableCell align="right">{r.failed || ''}</TableCell>
                <TableCell align="right">{r.left || ''}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
        <Schedules />
        <IdeaList />
      </Box>
      {id && <OneRun key={id} id={Number(id)} />}
    </Box>
  );
}

/**
 * Follows a run by server-sent events; reconnects by itself when the connection is lost.
 *
 * @param round another number to follow a run anew that had ended
 */
function useRun(id: number, round: number) {
  const [run, setRun] = useState<Run | null>(null);
  const [isLost, setLost] = useState(false);
  const [toGo, setToGo] = useState(0);
  useEffect(() => {
    const events = new EventSource(`/api/runs/${id}/events`);
    // How fast it is counts from where it was seen to go on: what it waited before says nothing.
    let since: { at: number; done: number } | null = null;
    events.onmessage = (e) => {
      const next = JSON.parse(e.data) as Run;
      const done = next.written + next.failed + next.left;
      if (next.status !== 'RUNNING' || next.trouble) since = null;
      else since ??= { at: Date.now(), done };
      const more = since ? done - since.done : 0;
      setToGo(more > 0 ? ((Date.now() - since!.at) / 1000 / more) * (next.total - done) : 0);
      setRun(next);
      setLost(false);
      if (next.status === 'DONE' || next.status === 'STOPPED') events.close();
    };
    events.onerror = () => setLost(true);
    return () => events.close();
  }, [id, round]);
  return { run, isLost, toGo };
}

function OneRun({ id }: { id: number }) {
  const [round, setRound] = useState(0);
  const { run, isLost, toGo } = useRun(id, round);
  const notice = useNotice();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const mayWrite = useMay('WRITER');
  const hasEnded = run?.status === 'DONE' || run?.status === 'STOPPED';
  const view = useQuery({
    queryKey: ['run', id, hasEnded, run?.status],
    queryFn: () => take(api.GET('/api/runs/{id}', { params: { path: { id } } })),
  });
  useEffect(() => {
    if (hasEnded) {
      queries.invalidateQueries({ queryKey: ['waiting'] });
      queries.invalidateQueries({ queryKey: ['products'] });
      queries.invalidateQueries({ queryKey: ['runs'] });
    }
  }, [hasEnded, queries]);
  const [more, setMore] = useState('');
  const act = useMutation({
    mutationFn: (what: () => Promise<unknown>) => what(),
    onError: notice.trouble,
  });
  const shown = run ?? view.data?.run;
  if (!shown) return <LinearProgress aria-label="Loading" />;
  const done = shown.written + shown.failed + shown.left;
  const path = { params: { path: { id } } };

  const stop = () => act.mutate(() => take(api.POST('/api/runs/{id}/stop', path)));
  const pause = () => act.mutate(() => take(api.POST('/api/runs/{id}/pause', path)));
  const goOn = () =>
    act.mutate(() =>
      take(api.POST('/api/runs/{id}/go-on', { ...path, body: { most: amount(more) } })),
    );
  const takeUp = () =>
    act.mutate(async () => {
      await take(api.POST('/api/runs/{id}/take-up', path));
      queries.invalidateQueries({ queryKey: ['runs'] });
      setRound(round + 1);
    });
  const takeBack = () =>
    act.mutate(async () => {
      const back = await take(api.POST('/api/runs/{id}/take-back', path));
      notice.say(`${count(back.texts, 'text')} taken back; the revisions stay in the history.`);
      ['run', 'products', 'proof', 'waiting'].forEach((key) =>
        queries.invalidateQueries({ queryKey: [key] }),
      );
    });
  const retry = (reason: string) =>
    act.mutate(async () => {
      const next = await take(api.POST('/api/runs/{id}/retry', { ...path, body: { reason } }));
      navigate(`/runs/${next.id}`);
    });
  const isWaiting = shown.trouble !== '';
  const couldGoOn = (view.data?.reasons ?? []).some(
    (r) => r.outcome === 'LEFT' && r.reason === 'The run was stopped.',
  );

  return (
    <Box component="section" aria-label={`Run ${id}`} data-testid="run" data-status={shown.status}>
      <Typography variant="h2">
        Run {id}: {status(shown)}
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
        {!hasEnded && !isWaiting && toGo > 1 && ` ${capital(duration(toGo))} to go.`}
        {whatIsWritten(shown.extent) &&
          ` It ${hasEnded ? 'wrote' : 'writes'} ${whatIsWritten(shown.extent)}.`}
      </Typography>
      {by(shown) && (
        <Typography data-testid="run-bill">
          Written {by(shown)} for {money(shown.spent)}
          {shown.authorship.most > 0 && ` of at most ${money(shown.authorship.most)}`}.
        </Typography>
      )}
      {isWaiting && (
        <Box role="status" sx={{ borderLeft: 3, borderColor: 'warning.main', pl: 1.5, my: 1.5 }}>
          {shown.trouble}
          {Date.parse(shown.goesOnAt) > 0 && ` It goes on by itself, ${when(shown.goesOnAt)}.`}
          {mayWrite && (
            <Sentence>
              {shown.status === 'PAUSED' && shown.authorship.most > 0 && (
                <>
                  It may spend at most{' '}
                  <TypedWord
                    label="At most"
                    value={more}
                    otherwise={money(shown.authorship.most)}
                    onSettled={setMore}
                  />{' '}
                  in all.
                </>
              )}
              <Button variant="contained" sx={{ ml: 1 }} onClick={goOn}>
                Go on now
              </Button>
            </Sentence>
          )}
        </Box>
      )}
      {isLost && !hasEnded && (
        <Typography sx={{ color: 'warning.main' }}>
          The connection was lost. The run goes on by itself; this page finds it again.
        </Typography>
      )}
      {!hasEnded && !isWaiting && (
        <Typography sx={{ color: 'text.secondary', mt: 1 }}>
          You can leave this page, or close the browser.
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 1.5, mt: 2, flexWrap: 'wrap' }}>
        {(hasEnded || shown.status === 'PAUSED') && shown.written > 0 && (
          <Button
            variant={hasEnded ? 'contained' : 'outlined'}
            component={Link}
            to={`/proofs?run=${shown.id}`}
          >
            Read the texts
          </Button>
        )}
        {!hasEnded && mayWrite && !isWaiting && (
          <Button variant="outlined" onClick={pause}>
            Pause
          </Button>
        )}
        {!hasEnded && mayWrite && (
          <Button variant="outlined" onClick={stop}>
            {shown.status === 'PAUSED' ? 'Stop it' : 'Stop after this product'}
          </Button>
        )}
        {hasEnded && mayWrite && couldGoOn && (
          <Button variant="outlined" onClick={takeUp}>
            Take it up again
          </Button>
        )}
        {hasEnded && mayWrite && (view.data?.undoable ?? 0) > 0 && (
          <SureButton sure="Take them back: earlier texts count again" onSure={takeBack}>
            {`Take ${count(view.data?.undoable ?? 0, 'text')} back …`}
          </SureButton>
        )}
        {hasEnded && shown.failed > 0 && mayWrite && (
          <Button variant="outlined" onClick={() => retry('')}>
            Write the {figure(shown.failed)} failed again
          </Button>
        )}
      </Box>
      {view.data && (
        <Outcomes view={view.data} onRetry={hasEnded && mayWrite ? retry : undefined} />
      )}
    </Box>
  );
}
