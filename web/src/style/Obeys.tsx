import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take } from '../api/client';
import { Origins } from './Origins';

/** What a product's texts obey and where each of it was decided, for whoever asks. */
export function Obeys({ id }: { id: number }) {
  const [open, setOpen] = useState(false);
  const settings = useQuery({
    queryKey: ['products', id, 'style'],
    queryFn: () => take(api.GET('/api/products/{id}/style', { params: { path: { id } } })),
    enabled: open,
  });
  return (
    <Box sx={{ mb: 1.5 }}>
      <Button size="small" sx={{ px: 0 }} aria-expanded={open} onClick={() => setOpen(!open)}>
        What its texts obey
      </Button>
      {open && settings.data && <Origins settings={settings.data} />}
    </Box>
  );
}
