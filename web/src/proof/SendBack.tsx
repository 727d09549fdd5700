import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState, type KeyboardEvent } from 'react';

const LONGEST = 1000;

/** A line for the reason why a text goes back into proof; whoever reads it next finds it there. */
export function SendBack(props: { onSend: (reason: string) => void; onClose: () => void }) {
  const [reason, setReason] = useState('');
  return (
    <Box
      component="form"
      onSubmit={(e: React.FormEvent) => {
        e.preventDefault();
        props.onSend(reason);
      }}
      sx={{ display: 'flex', gap: 1, alignItems: 'center', flexBasis: '100%', pb: 0.5 }}
    >
      <TextField
        autoFocus
        size="small"
        fullWidth
        label="What is to be changed? It may stay empty."
        value={reason}
        onChange={(e) => setReason(e.target.value)}
        onKeyDown={(e: KeyboardEvent) => {
          // What has been typed isn't thrown away by a key.
          if (e.key === 'Escape' && !reason) props.onClose();
        }}
        slotProps={{ htmlInput: { maxLength: LONGEST } }}
      />
      <Button type="submit" variant="contained" sx={{ flexShrink: 0 }}>
        Send it back
      </Button>
      <Button sx={{ flexShrink: 0 }} onClick={props.onClose}>
        Leave it signed off
      </Button>
    </Box>
  );
}
