import Button from '@mui/material/Button';
import { Offer, TaughtAct } from '../concept/Taught';
import { said, useTeaching, whom, type Learnable } from '../concept/teaching';

/** How somebody put facts that nobody had words for: offered for all products that have them. */
export function Learned({ learnable }: { learnable: Learnable[] }) {
  const { taught, isWritten, teach, takeBack, isBusy } = useTeaching();
  return (
    <>
      {taught && (
        <TaughtAct taught={taught} isWritten={isWritten} isBusy={isBusy} onTakeBack={takeBack} />
      )}
      {learnable.map((l) => (
        <Offer
          key={l.concept + l.heading}
          learnable={l}
          lead={
            <>
              You wrote “{l.sentence}” Shall <strong>{l.heading}</strong> be told like this of{' '}
              {whom(l)}: <em>{said(l)}</em>?
            </>
          }
          isBusy={isBusy}
          onYes={() => teach([l])}
        />
      ))}
      {learnable.length > 1 && (
        <Button size="small" variant="outlined" disabled={isBusy} onClick={() => teach(learnable)}>
          Tell all {learnable.length} so
        </Button>
      )}
    </>
  );
}
