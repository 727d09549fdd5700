import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { api, take, type Schema } from '../api/client';
import { useNotice } from '../frame/Notice';
import { Sentence, Word } from '../frame/Sentence';
import { SureButton } from '../frame/SureButton';

type Role = Schema['Person']['role'];

const ROLES: { value: Role; label: string }[] = [
  { value: 'READER', label: 'reader, sees everything' },
  { value: 'WRITER', label: 'writer, takes in and writes' },
  { value: 'EDITOR', label: 'editor, signs off and publishes' },
  { value: 'OWNER', label: 'owner, decides who may what' },
];

/** Who works here, and what they may do. */
export function PeoplePage() {
  const queries = useQueryClient();
  const notice = useNotice();
  const [role, setRole] = useState<Role>('WRITER');
  const people = useQuery({
    queryKey: ['people'],
    queryFn: () => take(api.GET('/api/people')),
  });
  const refresh = () => queries.invalidateQueries({ queryKey: ['people'] });

  const change = async (id: number, to: Role) => {
    try {
      await take(
        api.PUT('/api/people/{id}/role', { params: { path: { id } }, body: { role: to } }),
      );
    } catch (e) {
      notice.trouble(e);
    }
    await refresh();
  };

  const act = async (call: () => Promise<unknown>, said: string) => {
    try {
      await call();
      notice.say(said);
    } catch (e) {
      notice.trouble(e);
    }
    await refresh();
  };

  const add = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const form = e.currentTarget;
    const data = new FormData(form);
    try {
      const body = {
        email: String(data.get('email')),
        name: String(data.get('name')),
        password: String(data.get('password')),
        role,
      };
      const person = await take(api.POST('/api/people', { body }));
      notice.say(`${person.name} can sign in now.`);
      form.reset();
      await refresh();
    } catch (problem) {
      notice.trouble(problem);
    }
  };

  return (
    <Box sx={{ maxWidth: 820 }}>
      <Typography variant="h1" gutterBottom>
        People and roles
      </Typography>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell>Name</TableCell>
            <TableCell>Mail address</TableCell>
            <TableCell>Role</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {people.data?.map((p) => (
            <TableRow key={p.id}>
              <TableCell>{p.name}</TableCell>
              <TableCell>{p.email}</TableCell>
              <TableCell>
                <Word
                  label={`Role of ${p.name}`}
                  value={p.role}
                  choices={ROLES}
                  onChange={(r) => change(p.id, r as Role)}
                />
              </TableCell>
              <TableCell>
                <SureButton
                  sure={`Remove ${p.name} for good`}
                  onSure={() =>
                    act(
                      () =>
                        take(api.DELETE('/api/people/{id}', { params: { path: { id: p.id } } })),
                      `${p.name} can’t sign in any longer.`,
                    )
                  }
                >
                  Remove
                </SureButton>
                <SureButton
                  sure={`Let ${p.name} in without a code`}
                  onSure={() =>
                    act(
                      () =>
                        take(
                          api.DELETE('/api/people/{id}/second-factor', {
                            params: { path: { id: p.id } },
                          }),
                        ),
                      `The password alone lets ${p.name} in.`,
                    )
                  }
                >
                  Lost their device
                </SureButton>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <Typography variant="h2" sx={{ mt: 4 }}>
        Add somebody
      </Typography>
      <Box
        component="form"
        onSubmit={add}
        sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'baseline', mt: 1 }}
      >
        <TextField name="name" label="Name" variant="standard" required />
        <TextField name="email" label="Mail address" type="email" variant="standard" required />
        <TextField
          name="password"
          label="First password, at least 12 characters"
          sx={{ width: 300 }}
          type="password"
          variant="standard"
          required
          autoComplete="new-password"
        />
        <Word label="Role" value={role} choices={ROLES} onChange={(r) => setRole(r as Role)} />
        <Button type="submit" variant="contained">
          Add
        </Button>
      </Box>
      <SessionLimits />
    </Box>
  );
}

const IDLE = [15, 30, 60, 120, 480];
const HOURS = [8, 12, 24, 168];

/** How long people stay signed in. */
function SessionLimits() {
  const notice = useNotice();
  const queries = useQueryClient();
  const limits = useQuery({
    queryKey: ['house', 'sessions'],
    queryFn: () => take(api.GET('/api/house/sessions')),
  });
  if (!limits.data) return null;
  const now = limits.data;
  const set = async (change: Partial<typeof now>) => {
    try {
      await take(api.PUT('/api/house/sessions', { body: { ...now, ...change } }));
      notice.say('Sessions last so from now on.');
    } catch (e) {
      notice.trouble(e);
    }
    queries.invalidateQueries({ queryKey: ['house', 'sessions'] });
  };
  const choices = (numbers: number[], set: number, unit: string) =>
    [...new Set([...numbers, set])]
      .sort((a, b) => a - b)
      .map((n) => ({ value: String(n), label: `${n} ${unit}` }));
  return (
    <>
      <Typography variant="h2" sx={{ mt: 4 }}>
        Sessions
      </Typography>
      <Sentence>
        Whoever does nothing for{' '}
        <Word
          label="Minutes without anything done"
          value={String(now.idleMinutes)}
          choices={choices(IDLE, now.idleMinutes, 'minutes')}
          onChange={(v) => set({ idleMinutes: Number(v) })}
        />{' '}
        is signed out, and everybody after{' '}
        <Word
          label="Hours at most"
          value={String(now.hours)}
          choices={choices(HOURS, now.hours, 'hours')}
          onChange={(v) => set({ hours: Number(v) })}
        />
        .
      </Sentence>
    </>
  );
}
