import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { count, when } from './format';

/** The versions before; looking at one puts its settings into the form, where it can be kept again. */
export function Versions(props: {
  versions: { version: number; note?: string; by: string; at: string }[] | undefined;
  now: number;
  onLook: (version: number) => void;
}) {
  const { versions } = props;
  if (!versions?.length) return null;
  return (
    <Box sx={{ mt: 3 }} data-testid="versions">
      <Typography variant="h3">{count(versions.length, 'version')}</Typography>
      {versions.slice(0, 8).map((v) => (
        <Box key={v.version} sx={{ fontSize: 13, color: 'text.secondary', mt: 0.5 }}>
          {v.version === props.now ? (
            <strong>No. {v.version}</strong>
          ) : (
            <Button size="small" sx={{ p: 0 }} onClick={() => props.onLook(v.version)}>
              No. {v.version}
            </Button>
          )}{' '}
          {v.note && `${v.note}. `}
          {v.by}, {when(v.at)}
        </Box>
      ))}
    </Box>
  );
}
