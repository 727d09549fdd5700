import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { useNotice } from '../frame/Notice';
import { Sentence, TypedWord, Word } from '../frame/Sentence';

type Settings = Schema['SettingsOrder'];

const SECURITY = [
  { value: 'STARTTLS', label: 'encrypted by STARTTLS' },
  { value: 'TLS', label: 'encrypted from the start' },
  { value: 'NONE', label: 'in the clear' },
];

/** How news go out: over which mail server, and to which program. The owner's. */
export function Delivery() {
  const settings = useQuery({
    queryKey: ['house', 'news'],
    queryFn: () => take(api.GET('/api/house/news')),
  });
  return settings.data ? <Form key={JSON.stringify(settings.data)} was={settings.data} /> : null;
}

function Form({ was }: { was: Settings }) {
  const notice = useNotice();
  const queries = useQueryClient();
  const [now, setNow] = useState(was);
  const set = (change: Partial<Settings>) => setNow((before) => ({ ...before, ...change }));
  const keep = useMutation({
    mutationFn: () => take(api.PUT('/api/house/news', { body: now })),
    onSuccess: () => {
      queries.invalidateQueries({ queryKey: ['house', 'news'] });
      queries.invalidateQueries({ queryKey: ['news'] });
      notice.say('Kept.');
    },
    onError: notice.trouble,
  });
  const tryMail = useMutation({
    mutationFn: () => take(api.POST('/api/house/news/try')),
    onSuccess: () => notice.say('A mail is on its way to you.'),
    onError: notice.trouble,
  });
  const isChanged = JSON.stringify(now) !== JSON.stringify(was);
  return (
    <Box sx={{ borderTop: 1, borderBottom: 1, borderColor: 'divider', py: 0.5, mb: 2 }}>
      <Sentence>
        Mails go over{' '}
        <TypedWord
          label="Mail server"
          value={now.host}
          otherwise="no mail server"
          onSettled={(host) => set({ host: host.trim() })}
        />
        {now.host && (
          <>
            , port{' '}
            <TypedWord
              label="Port"
              value={String(now.port)}
              onSettled={(port) => set({ port: Number(port) || 0 })}
            />
            ,{' '}
            <Word
              label="Encryption"
              value={now.security}
              choices={SECURITY}
              onChange={(v) => set({ security: v as Settings['security'] })}
            />
            , as{' '}
            <TypedWord
              label="User"
              value={now.user}
              otherwise="nobody"
              onSettled={(user) => set({ user })}
            />{' '}
            with the password{' '}
            <TypedWord
              label="Password"
              value={now.password}
              otherwise={was.host === now.host ? 'as it is' : 'none'}
              isSecret
              onSettled={(password) => set({ password })}
            />
            , from{' '}
            <TypedWord
              label="From"
              value={now.from}
              otherwise="which address"
              onSettled={(from) => set({ from: from.trim() })}
            />
          </>
        )}
        . The program called is{' '}
        <TypedWord
          label="Program"
          value={now.callAddress}
          otherwise="none"
          onSettled={(callAddress) => set({ callAddress: callAddress.trim() })}
        />
        {now.callAddress && (
          <>
            , its calls signed with{' '}
            <TypedWord
              label="Secret"
              value={now.callSecret}
              otherwise={
                was.callAddress === now.callAddress ? 'the secret that is kept' : 'a secret'
              }
              isSecret
              onSettled={(callSecret) => set({ callSecret })}
            />
          </>
        )}
        .
      </Sentence>
      <Box sx={{ display: 'flex', gap: 1, mb: 1 }}>
        <Button
          variant="contained"
          disabled={!isChanged || keep.isPending}
          onClick={() => keep.mutate()}
        >
          Keep it
        </Button>
        {was.host && !isChanged && (
          <Button disabled={tryMail.isPending} onClick={() => tryMail.mutate()}>
            Send me a mail to try it
          </Button>
        )}
      </Box>
    </Box>
  );
}
