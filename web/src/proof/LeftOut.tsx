import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Schema } from '../api/client';
import { CallHeading } from '../concept/CallHeading';
import { CellWords } from '../concept/CellWords';
import { SayAll } from '../concept/SayAll';
import { SayHow } from '../concept/SayHow';
import { TaughtAct } from '../concept/Taught';
import { useSaid, useTeaching, type CellsSaid, type Learnable } from '../concept/teaching';
import { when } from '../frame/format';

/** Whoever opened it for one text wants it open for the next. */
const OPEN = 'left-out';

/** What stands in no sentence, why, and what would bring it in: often a sentence typed here. */
export function LeftOut(props: {
  product: number;
  facts: Schema['LeftOutFact'][];
  mayTeach: boolean;
  mayWrite: boolean;
}) {
  const { product, facts, mayTeach, mayWrite } = props;
  const { taught, isWritten, teach, put, call, takeBack, isBusy } = useTeaching();
  const { said, onSaid } = useSaid<Learnable>();
  const { said: cells, onSaid: onCells } = useSaid<CellsSaid>();
  const [isOpen, setOpen] = useState(() => sessionStorage.getItem(OPEN) === 'yes');
  const open = (now: boolean) => {
    setOpen(now);
    sessionStorage.setItem(OPEN, now ? 'yes' : 'no');
  };
  if (facts.length === 0 && !taught) return null;
  return (
    <Box
      component="details"
      open={isOpen}
      onToggle={(e: React.SyntheticEvent<HTMLDetailsElement>) => open(e.currentTarget.open)}
      sx={{ mt: 1.5, fontSize: 14 }}
      data-testid="left-out"
    >
      <Box component="summary" sx={{ cursor: 'pointer' }}>
        {facts.length === 1
          ? 'One fact stands in no sentence'
          : `${facts.length} facts stand in no sentence`}
        {mayTeach && facts.some((f) => f.wantsWords) && ': say how they are put'}
      </Box>
      {taught && (
        <TaughtAct taught={taught} isWritten={isWritten} isBusy={isBusy} onTakeBack={takeBack} />
      )}
      {facts.map((f) => (
        <Box
          key={`${product} ${f.label}`}
          sx={{
            py: 0.75,
            borderTop: 1,
            borderColor: 'divider',
            display: 'grid',
            gridTemplateColumns: { sm: '1fr 1.6fr' },
            columnGap: 2,
          }}
        >
          <Box>
            <strong>{f.label}</strong>: {f.value}
            {mayTeach && f.isOfHeading && (
              <CallHeading heading={f.label} isBusy={isBusy} onCall={call} />
            )}
          </Box>
          {mayTeach && f.wantsWords ? (
            <SayHow
              product={product}
              heading={f.label}
              value={f.value}
              isBusy={isBusy}
              onTeach={teach}
              onSaid={onSaid}
            />
          ) : (
            <Box sx={{ color: 'text.secondary' }}>
              {f.why} {f.remedy}
            </Box>
          )}
          {mayWrite && f.wantsCellInWords && (
            <CellWords
              // Once read so, its lines are closed.
              key={taught?.what === 'read' ? taught.run : undefined}
              fact={f.fact}
              label={f.label}
              cell={f.cell}
              isBusy={isBusy}
              onPut={put}
              onSaid={onCells}
            />
          )}
        </Box>
      ))}
      <SayAll said={said} isBusy={isBusy} onTeach={teach} />
      {cells.size > 1 && (
        <Button
          variant="outlined"
          sx={{ mt: 1, ml: said.size > 1 ? 1 : 0 }}
          disabled={isBusy}
          onClick={() => put([...cells.values()])}
        >
          Read the cells of all {cells.size} so
        </Button>
      )}
    </Box>
  );
}

/** Marks that somebody has let be, with a way to raise them again. */
export function Overruled(props: {
  marks: Schema['Overruled'][];
  onRaiseAgain?: (id: number) => void;
}) {
  const { marks, onRaiseAgain } = props;
  if (marks.length === 0) return null;
  return (
    <Box data-testid="let-be">
      <Typography variant="h3" sx={{ mt: 3 }}>
        Let be
      </Typography>
      {marks.map((m) => (
        <Box key={m.id} sx={{ fontSize: 12.5, py: 0.5, borderTop: 1, borderColor: 'divider' }}>
          “{m.words || m.sentence}” ({m.check}){' '}
          {m.opinionOf
            ? `rests on “${m.label}: ${m.cell}”, says ${m.opinionOf}; asked by ${m.by}`
            : m.by}
          , {when(m.at)}{' '}
          {onRaiseAgain && (
            <Button size="small" sx={{ p: 0, px: 0.5 }} onClick={() => onRaiseAgain(m.id)}>
              raise again
            </Button>
          )}
        </Box>
      ))}
    </Box>
  );
}
