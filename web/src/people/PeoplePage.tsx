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
import { Word } from '../frame/Sentence';

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
          label="First password"
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
    </Box>
  );
}
