import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';

/** Answers a mark with a fact that no source had: "Material: oak", under the person's name. */
export function StateFact(props: {
  words: string;
  onState: (label: string, value: string) => void;
}) {
  const [isOpen, setOpen] = useState(false);
  const [label, setLabel] = useState('');
  const [value, setValue] = useState(props.words);
  const small = { fontSize: 12, p: 0, minWidth: 0 };
  if (!isOpen) {
    return (
      <Button
        size="small"
        sx={{ ...small, display: 'block' }}
        aria-label={`This is so: ${props.words}`}
        onClick={() => setOpen(true)}
      >
        this is so …
      </Button>
    );
  }
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault();
        props.onState(label.trim(), value.trim());
      }}
      onKeyDown={(e) => {
        // The proof's own keys are letters, which are typed here.
        e.stopPropagation();
        if (e.key === 'Escape') setOpen(false);
      }}
    >
      <TextField
        autoFocus
        fullWidth
        size="small"
        variant="standard"
        label="What is it, such as Material"
        value={label}
        onChange={(e) => setLabel(e.target.value)}
      />
      <TextField
        fullWidth
        size="small"
        variant="standard"
        label="and what is so"
        value={value}
        onChange={(e) => setValue(e.target.value)}
      />
      <Button
        type="submit"
        size="small"
        sx={{ ...small, mt: 0.5 }}
        disabled={!label.trim() || !value.trim()}
      >
        Keep as a fact
      </Button>
    </Box>
  );
}
