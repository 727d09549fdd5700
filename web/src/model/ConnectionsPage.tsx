import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useMay } from '../frame/session';
import { ConnectionForm } from './ConnectionForm';
import { useConnections } from './connections';
import { Hosts } from './Hosts';
import { Shop } from './Shop';

/** The shop, and the text models that the house may ask, what each costs and has cost. */
export function ConnectionsPage() {
  const connections = useConnections();
  const isOwner = useMay('OWNER');
  // A new form after each connection that was added.
  const [added, setAdded] = useState(0);
  return (
    <Box sx={{ maxWidth: 900 }}>
      <Typography variant="h1" gutterBottom>
        Connections
      </Typography>
      {isOwner && <Shop />}
      <Typography variant="h2" sx={{ mt: 4 }}>
        Text models
      </Typography>
      <Box sx={{ color: 'text.secondary', maxWidth: 640 }}>
        The composer needs no connection. A text model can be asked besides; what it answers is
        checked like every other text. Try it with a template.
      </Box>
      {connections.data?.map((c) => (
        <ConnectionForm key={c.id} connection={c} isOwner={isOwner} onKept={() => {}} />
      ))}
      {connections.data?.length === 0 && !isOwner && (
        <Box sx={{ mt: 3 }}>There is no connection yet. The owner of the house can add one.</Box>
      )}
      {isOwner && connections.data && (
        <ConnectionForm key={`new ${added}`} isOwner onKept={() => setAdded(added + 1)} />
      )}
      {isOwner && <Hosts />}
    </Box>
  );
}
