import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { Schema } from '../api/client';

/** A line in which somebody says what lists call a heading: "Fat in dry matter" for "FDM %". */
export function CallHeading(props: {
  heading: string;
  isBusy: boolean;
  onCall: (called: Schema['HeadingCalled']) => void;
}) {
  const { heading } = props;
  const [label, setLabel] = useState<string>();
  if (label === undefined) {
    return (
      <Button
        size="small"
        sx={{ px: 0, display: 'block' }}
        aria-label={`Call it otherwise: ${heading}`}
        onClick={() => setLabel('')}
      >
        Call it otherwise
      </Button>
    );
  }
  const isSaid = label.trim() !== '' && label.trim() !== heading;
  const call = () => {
    props.onCall({ heading, label: label.trim() });
    setLabel(undefined);
  };
  return (
    <Box>
      <TextField
        size="small"
        fullWidth
        variant="standard"
        placeholder="lists call it …"
        autoFocus
        value={label}
        onChange={(e) => setLabel(e.target.value)}
        onKeyDown={(e) => {
          if (e.key === 'Enter' && isSaid && !props.isBusy) call();
          if (e.key === 'Escape') setLabel(undefined);
        }}
        slotProps={{ htmlInput: { 'aria-label': `${heading} in lists`, maxLength: 60 } }}
      />
      <Button size="small" variant="outlined" disabled={props.isBusy || !isSaid} onClick={call}>
        Call it so
      </Button>
      <Button size="small" onClick={() => setLabel(undefined)}>
        Close
      </Button>
    </Box>
  );
}
