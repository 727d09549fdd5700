import Box from '@mui/material/Box';

/** Several lines that are typed or pasted, under their label. */
export function Lines(props: {
  label: string;
  rows: number;
  value: string;
  placeholder?: string;
  isWrong?: boolean;
  onChange: (typed: string) => void;
  onLeave?: () => void;
}) {
  return (
    <Box component="label" sx={{ display: 'block' }}>
      <Box sx={{ fontWeight: 500 }}>{props.label}</Box>
      <Box
        component="textarea"
        aria-label={props.label}
        rows={props.rows}
        value={props.value}
        placeholder={props.placeholder}
        spellCheck={false}
        onChange={(e: React.ChangeEvent<HTMLTextAreaElement>) => props.onChange(e.target.value)}
        onBlur={props.onLeave}
        sx={{
          width: '100%',
          font: 'inherit',
          color: 'inherit',
          bgcolor: 'background.paper',
          border: 1,
          borderColor: props.isWrong ? 'error.main' : 'divider',
          p: 1,
          resize: 'vertical',
        }}
      />
    </Box>
  );
}
