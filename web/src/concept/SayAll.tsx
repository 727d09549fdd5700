import Button from '@mui/material/Button';
import type { Learnable } from './teaching';

/** One yes for all the lines in which somebody has said how facts are put. */
export function SayAll(props: {
  said: ReadonlyMap<string, Learnable>;
  isBusy: boolean;
  onTeach: (learnable: Learnable[]) => void;
}) {
  const all = [...props.said.values()];
  if (all.length < 2) return null;
  return (
    <Button
      variant="outlined"
      sx={{ mt: 1 }}
      disabled={props.isBusy}
      onClick={() => props.onTeach(all)}
    >
      Tell all {all.length} so
    </Button>
  );
}
