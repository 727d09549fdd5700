import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useContext, useState, type FormEvent } from 'react';
import { api, take, type Schema } from '../api/client';
import { when } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { SessionContext } from '../frame/session';

/** What concerns oneself: password, second factor, and where one is signed in. */
export function MyselfPage() {
  const session = useContext(SessionContext)!;
  return (
    <Box sx={{ maxWidth: 760 }}>
      <Typography variant="h1" gutterBottom>
        {session.name}
      </Typography>
      <Box sx={{ color: 'text.secondary' }}>
        {session.email}, {session.role.toLowerCase()}
      </Box>
      <Password />
      <SecondFactor />
      <Sessions />
    </Box>
  );
}

function Password() {
  const notice = useNotice();
  const queries = useQueryClient();
  const change = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const form = e.currentTarget;
    const data = new FormData(form);
    try {
      const body = { now: String(data.get('now')), next: String(data.get('next')) };
      await take(api.PUT('/api/me/password', { body }));
      form.reset();
      queries.invalidateQueries({ queryKey: ['me'] });
      notice.say('The new password counts. Your other sessions have ended.');
    } catch (problem) {
      notice.trouble(problem);
    }
  };
  return (
    <>
      <Typography variant="h2" sx={{ mt: 4 }}>
        Password
      </Typography>
      <Box
        component="form"
        onSubmit={change}
        sx={{ display: 'flex', gap: 2, alignItems: 'baseline', flexWrap: 'wrap' }}
      >
        <TextField
          name="now"
          label="The one you have"
          type="password"
          variant="standard"
          required
          autoComplete="current-password"
        />
        <TextField
          name="next"
          label="The new one, at least 12 characters"
          type="password"
          variant="standard"
          required
          autoComplete="new-password"
          sx={{ width: 260 }}
        />
        <Button type="submit" variant="outlined">
          Change it
        </Button>
      </Box>
    </>
  );
}

function SecondFactor() {
  const session = useContext(SessionContext)!;
  const notice = useNotice();
  const queries = useQueryClient();
  const [offered, setOffered] = useState<Schema['OfferedFactor'] | null>(null);
  const [codes, setCodes] = useState<string[]>([]);
  const offer = async () => {
    try {
      setOffered(await take(api.POST('/api/me/second-factor')));
    } catch (problem) {
      notice.trouble(problem);
    }
  };
  const confirm = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const data = new FormData(e.currentTarget);
    try {
      const body = {
        password: String(data.get('password')),
        secret: offered!.secret,
        code: String(data.get('code')),
      };
      const recovery = await take(api.PUT('/api/me/second-factor', { body }));
      setCodes(recovery.codes);
      setOffered(null);
      queries.invalidateQueries({ queryKey: ['session'] });
    } catch (problem) {
      notice.trouble(problem);
    }
  };
  const remove = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const body = { password: String(new FormData(e.currentTarget).get('password')) };
    try {
      await take(api.POST('/api/me/second-factor/off', { body }));
      setCodes([]);
      queries.invalidateQueries({ queryKey: ['session'] });
      notice.say('The password alone lets you in again.');
    } catch (problem) {
      notice.trouble(problem);
    }
  };
  const password = (
    <TextField
      name="password"
      label="Your password"
      type="password"
      variant="standard"
      required
      autoComplete="current-password"
    />
  );
  return (
    <>
      <Typography variant="h2" sx={{ mt: 4 }}>
        Second factor
      </Typography>
      {codes.length > 0 && (
        <Box role="status" sx={{ borderLeft: 3, borderColor: 'success.main', pl: 2, my: 1 }}>
          It is on. Keep these codes where you find them without your device; each lets you in once,
          and they are not shown again.
          <Box component="pre" sx={{ columns: 2, m: 0, mt: 1, fontSize: 14 }}>
            {codes.join('\n')}
          </Box>
        </Box>
      )}
      {session.secondFactor ? (
        <Box
          component="form"
          onSubmit={remove}
          sx={{ display: 'flex', gap: 2, alignItems: 'baseline' }}
        >
          <span>A code of your device is asked for when you sign in.</span>
          {password}
          <Button type="submit">Turn it off</Button>
        </Box>
      ) : offered ? (
        <Box component="form" onSubmit={confirm}>
          <Box>
            Give this secret to an app that makes codes, or open <a href={offered.uri}>this link</a>{' '}
            on the device that has it.
          </Box>
          <Box component="pre" data-testid="secret" sx={{ fontSize: 18, letterSpacing: 1 }}>
            {offered.secret.replace(/(.{4})/g, '$1 ').trim()}
          </Box>
          <Box sx={{ display: 'flex', gap: 2, alignItems: 'baseline' }}>
            <TextField
              name="code"
              label="The code that it shows now"
              sx={{ width: 220 }}
              variant="standard"
              required
              autoComplete="one-time-code"
            />
            {password}
            <Button type="submit" variant="outlined">
              Turn it on
            </Button>
          </Box>
        </Box>
      ) : (
        <Box>
          A stolen password alone lets nobody in where a code of your device is asked for too.{' '}
          <Button onClick={offer}>Set one up</Button>
        </Box>
      )}
    </>
  );
}

function Sessions() {
  const notice = useNotice();
  const queries = useQueryClient();
  const sessions = useQuery({
    queryKey: ['me', 'sessions'],
    queryFn: () => take(api.GET('/api/me/sessions')),
  });
  const end = async (handle: string) => {
    try {
      await take(api.DELETE('/api/me/sessions/{handle}', { params: { path: { handle } } }));
      notice.say('That session has ended.');
    } catch (problem) {
      notice.trouble(problem);
    }
    queries.invalidateQueries({ queryKey: ['me'] });
  };
  return (
    <>
      <Typography variant="h2" sx={{ mt: 4 }}>
        Where you are signed in
      </Typography>
      <Table size="small">
        <TableBody>
          {sessions.data?.map((s) => (
            <TableRow key={s.handle}>
              <TableCell>
                {s.browser}
                <Box sx={{ color: 'text.secondary', fontSize: 12 }}>{s.address}</Box>
              </TableCell>
              <TableCell>since {when(s.began)}</TableCell>
              <TableCell>last used {when(s.acted)}</TableCell>
              <TableCell>
                {s.here ? (
                  <strong>here</strong>
                ) : (
                  <Button onClick={() => end(s.handle)}>End it</Button>
                )}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </>
  );
}
