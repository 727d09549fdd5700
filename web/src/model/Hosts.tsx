import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import type { FormEvent } from 'react';
import { api, take } from '../api/client';
import { useNotice } from '../frame/Notice';

/** Where text models may be asked: products’ facts go there, so the owner names each host. */
export function Hosts() {
  const notice = useNotice();
  const queries = useQueryClient();
  const hosts = useQuery({
    queryKey: ['connections', 'hosts'],
    queryFn: () => take(api.GET('/api/connections/hosts')),
  });
  const say = async (host: string, allowed: boolean) => {
    try {
      await take(api.PUT('/api/connections/hosts', { body: { host, allowed } }));
    } catch (e) {
      notice.trouble(e);
    }
    queries.invalidateQueries({ queryKey: ['connections', 'hosts'] });
  };
  const add = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const form = e.currentTarget;
    await say(String(new FormData(form).get('host')), true);
    form.reset();
  };
  return (
    <Box sx={{ mt: 4 }}>
      <Typography variant="h2">Where models may be asked</Typography>
      <Box sx={{ color: 'text.secondary', maxWidth: 640 }}>
        Facts of your products are sent there, and nowhere else.
      </Box>
      {hosts.data?.map((host) => (
        <Box key={host} sx={{ display: 'flex', gap: 1, alignItems: 'baseline' }}>
          <span>{host}</span>
          <Button size="small" onClick={() => say(host, false)}>
            No longer
          </Button>
        </Box>
      ))}
      <Box component="form" onSubmit={add} sx={{ display: 'flex', gap: 2, alignItems: 'baseline' }}>
        <TextField
          name="host"
          variant="standard"
          label="Host, such as models.example"
          required
          sx={{ width: 260 }}
        />
        <Button type="submit">Allow it</Button>
      </Box>
    </Box>
  );
}
