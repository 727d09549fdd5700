import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take } from '../api/client';
import { useChannels } from '../channel/channels';
import { Word } from '../frame/Sentence';
import { Origins } from './Origins';

/** What a product's texts obey and where each of it was decided, for whoever asks. */
export function Obeys({ id }: { id: number }) {
  const [open, setOpen] = useState(false);
  const [channel, setChannel] = useState('0');
  const channels = useChannels();
  const settings = useQuery({
    queryKey: ['products', id, 'style', channel],
    queryFn: () =>
      take(
        api.GET('/api/products/{id}/style', {
          params: { path: { id }, query: { channel: Number(channel) } },
        }),
      ),
    placeholderData: keepPreviousData,
    enabled: open,
  });
  return (
    <Box sx={{ mb: 1.5 }}>
      <Button size="small" sx={{ px: 0 }} aria-expanded={open} onClick={() => setOpen(!open)}>
        What its texts obey
      </Button>
      {open && (channels.data?.length ?? 0) > 0 && (
        <Box sx={{ mb: 0.5 }}>
          in{' '}
          <Word
            label="Where the texts go"
            value={channel}
            choices={[
              { value: '0', label: 'the shop' },
              ...(channels.data ?? []).map((c) => ({ value: String(c.id), label: c.name })),
            ]}
            onChange={setChannel}
          />
        </Box>
      )}
      {open && settings.data && <Origins settings={settings.data} />}
    </Box>
  );
}
