import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { api, take } from '../api/client';

interface Props {
  needsOwner: boolean;
  trouble?: string;
  /** Who was signed in before, if a session has ended. */
  email?: string;
  onSignedIn?: (email: string) => void;
}

/** The door: signing in, or creating the owner of a new house. */
export function SignIn({ needsOwner, trouble, email, onSignedIn }: Props) {
  const queries = useQueryClient();
  const [error, setError] = useState(trouble ?? '');
  const [busy, setBusy] = useState(false);
  const [needsCode, setNeedsCode] = useState(false);

  const submit = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const form = new FormData(e.currentTarget);
    const text = (name: string) => String(form.get(name) ?? '');
    setBusy(true);
    setError('');
    try {
      if (needsOwner) {
        const body = {
          email: text('email'),
          name: text('name'),
          password: text('password'),
          role: 'OWNER' as const,
        };
        await take(api.POST('/api/owner', { body }));
      } else {
        const body = { email: text('email'), password: text('password'), code: text('code') };
        const session = await take(api.POST('/api/session', { body }));
        if (session.needsCode) {
          setNeedsCode(true);
          return;
        }
        if (onSignedIn) {
          onSignedIn(session.email);
          return;
        }
      }
      await queries.invalidateQueries();
    } catch (problem) {
      setError((problem as Error).message);
    } finally {
      setBusy(false);
    }
  };

  return (
    <Box
      component={onSignedIn ? 'div' : 'main'}
      sx={onSignedIn ? { p: 3, width: '100%' } : { maxWidth: 400, mx: 'auto', mt: '14vh', px: 2 }}
    >
      <Typography variant="h1" sx={{ fontSize: 44, mb: 0.5 }}>
        Rhetor
      </Typography>
      <Typography
        sx={{ color: 'text.secondary', borderTop: 2, borderColor: 'error.main', pt: 1, mb: 3 }}
      >
        {needsOwner
          ? 'A new house. Whoever comes first becomes its owner.'
          : 'Product texts that rest on the product’s data.'}
      </Typography>
      <Box component="form" onSubmit={submit} sx={{ display: 'grid', gap: 2 }}>
        {needsOwner && (
          <TextField
            name="name"
            label="Your name"
            variant="standard"
            required
            autoComplete="name"
          />
        )}
        <TextField
          name="email"
          label="Mail address"
          type="email"
          variant="standard"
          required
          defaultValue={email}
          autoComplete="username"
        />
        <TextField
          name="password"
          label={needsOwner ? 'Password, at least 12 characters' : 'Password'}
          type="password"
          variant="standard"
          required
          autoFocus={email !== undefined}
          autoComplete={needsOwner ? 'new-password' : 'current-password'}
        />
        {needsCode && (
          <TextField
            name="code"
            label="Code that your device shows, or a recovery code"
            variant="standard"
            required
            autoFocus
            autoComplete="one-time-code"
          />
        )}
        {error && (
          <Alert severity="error" icon={false} variant="outlined">
            {error}
          </Alert>
        )}
        <Button
          type="submit"
          variant="contained"
          disabled={busy}
          sx={{ justifySelf: 'start', mt: 1 }}
        >
          {needsOwner ? 'Open the house' : 'Sign in'}
        </Button>
      </Box>
    </Box>
  );
}
