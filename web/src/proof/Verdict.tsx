import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { TaughtAct } from '../concept/Taught';
import { useTeaching } from '../concept/teaching';
import { usePassage } from './passage';

const LONGEST_WHY = 400;

/** What one thinks of how the marked words are put; Rhetor says them more often or otherwise. */
export function Verdict({ product, field }: { product: number; field: string }) {
  const { taught, isWritten, judge, takeBack, isBusy } = useTeaching();
  return (
    <Box sx={{ flexBasis: '100%', '&:empty': { display: 'none' } }}>
      {taught && (
        <TaughtAct taught={taught} isWritten={isWritten} isBusy={isBusy} onTakeBack={takeBack} />
      )}
      <Judging
        // What was marked in one text isn't in the next.
        key={`${product} ${field}`}
        isBusy={isBusy}
        onJudge={(passage, isGood, why) =>
          judge({ product, verdict: { field, passage, isGood, why } })
        }
      />
    </Box>
  );
}

function Judging(props: {
  isBusy: boolean;
  onJudge: (passage: string, isGood: boolean, why: string) => void;
}) {
  const { isBusy } = props;
  const [passage, setPassage] = usePassage();
  const [why, setWhy] = useState('');
  const give = (isGood: boolean) => {
    props.onJudge(passage, isGood, isGood ? '' : why);
    setPassage('');
    setWhy('');
  };
  if (!passage) return null;
  return (
    <Box
      data-testid="verdict"
      sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: 1, mb: 0.5 }}
    >
      <Box
        component="q"
        sx={{
          fontStyle: 'italic',
          color: 'text.secondary',
          maxWidth: '100%',
          overflow: 'hidden',
          textOverflow: 'ellipsis',
          whiteSpace: 'nowrap',
        }}
      >
        {passage}
      </Box>
      is
      <Button size="small" variant="outlined" disabled={isBusy} onClick={() => give(true)}>
        well put
      </Button>
      or
      <Button size="small" variant="outlined" disabled={isBusy} onClick={() => give(false)}>
        badly put
      </Button>
      <TextField
        size="small"
        variant="standard"
        placeholder="since …"
        sx={{ width: 130 }}
        value={why}
        onChange={(e) => setWhy(e.target.value)}
        slotProps={{
          htmlInput: { maxLength: LONGEST_WHY, 'aria-label': 'What is wrong with it' },
        }}
      />
      <Button size="small" onClick={() => setPassage('')}>
        neither
      </Button>
    </Box>
  );
}
