import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import type { FormEvent } from 'react';
import { api, take } from '../api/client';
import { useNotice } from '../frame/Notice';

/** Where the shop is that texts are published to. */
export function Shop() {
  const notice = useNotice();
  const queries = useQueryClient();
  const shop = useQuery({
    queryKey: ['house', 'shop'],
    queryFn: () => take(api.GET('/api/house/shop')),
  });
  const keep = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const form = e.currentTarget;
    const data = new FormData(form);
    try {
      const body = {
        address: String(data.get('address')),
        token: String(data.get('token')),
        signs: String(data.get('signs')),
      };
      await take(api.PUT('/api/house/shop', { body }));
      notice.say('Texts are published there from now on.');
      queries.invalidateQueries({ queryKey: ['house'] });
    } catch (problem) {
      notice.trouble(problem);
    }
  };
  if (!shop.data) return null;
  return (
    <Box sx={{ mt: 3 }}>
      <Typography variant="h2">The shop</Typography>
      <Box
        key={shop.data.address}
        component="form"
        onSubmit={keep}
        sx={{ display: 'flex', gap: 2, alignItems: 'baseline', flexWrap: 'wrap' }}
      >
        <TextField
          name="address"
          variant="standard"
          label="Address of its API"
          defaultValue={shop.data.address}
          required
          sx={{ width: 300 }}
        />
        <TextField
          name="token"
          variant="standard"
          type="password"
          autoComplete="off"
          label={shop.data.hasToken ? 'Token, if another' : 'Token'}
        />
        <TextField
          name="signs"
          variant="standard"
          type="password"
          autoComplete="off"
          label={shop.data.signs ? 'Secret of its calls, if another' : 'Secret of its calls'}
        />
        <Button type="submit">Keep</Button>
      </Box>
      <Box sx={{ color: 'text.secondary', fontSize: 12.5 }}>
        With a secret the shop may say that something of it has changed, by a signed POST to{' '}
        {window.location.origin}/api/shop/changed. What begins then is set where runs begin.
      </Box>
    </Box>
  );
}
