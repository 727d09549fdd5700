import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { count } from '../frame/format';
import { useConnections } from '../model/connections';
import { AskModel } from './AskModel';
import { ProposedWordings } from './ProposedWordings';
import { SayAll } from './SayAll';
import { SayHow } from './SayHow';
import { TaughtAct } from './Taught';
import { useSaid, useTeaching, type Learnable } from './teaching';
import { useProposals, wordingKey, type NewWording } from './proposals';

/** So many headings are asked about, shown and kept at a time. */
const AT_A_TIME = 20;

/** Headings of sheets whose facts no sentence tells yet, those of most products first. */
export function Untold(props: {
  mayDecide: boolean;
  onSay: (heading: Schema['UntoldHeading']) => void;
  onKept: (texts: number) => void;
}) {
  const [shown, setShown] = useState(AT_A_TIME);
  const [chosen, setChosen] = useState<ReadonlyMap<string, NewWording>>(new Map());
  const untold = useQuery({
    queryKey: ['concepts', 'untold'],
    queryFn: () => take(api.GET('/api/concepts/untold')),
  });
  const connections = useConnections();
  const [of, setOf] = useState<number>();
  const connection = connections.data?.find((c) => c.id === of) ?? connections.data?.[0];
  const headings = (untold.data ?? []).slice(0, shown);
  const proposals = useProposals(
    props.mayDecide ? connection : undefined,
    headings.slice(-AT_A_TIME).map((u) => u.heading),
    chosen,
    (texts) => {
      setChosen(new Map());
      props.onKept(texts);
    },
  );
  const pages = useQuery({
    queryKey: ['concepts', 'own-pages'],
    queryFn: () => take(api.GET('/api/concepts/own-pages')),
    enabled: props.mayDecide,
  });
  const { taught, isWritten, teach, takeBack, isBusy } = useTeaching();
  const { said, onSaid } = useSaid<Learnable>();
  if (!untold.data?.length && !taught) return null;
  const toggle = (wording: NewWording) => {
    const next = new Map(chosen);
    if (!next.delete(wordingKey(wording))) next.set(wordingKey(wording), wording);
    setChosen(next);
  };
  return (
    <Box component="details" sx={{ my: 2 }} data-testid="untold">
      <Box component="summary" sx={{ cursor: 'pointer' }}>
        {count(untold.data?.length ?? 0, 'heading')} of your sheets{' '}
        {untold.data?.length === 1 ? 'has' : 'have'} no words yet: their facts are listed and told
        in no sentence
      </Box>
      {props.mayDecide && connections.data && (
        <AskModel
          connections={connections.data}
          connection={connection}
          onConnection={setOf}
          proposals={proposals}
          chosen={chosen.size}
        />
      )}
      {taught && (
        <TaughtAct taught={taught} isWritten={isWritten} isBusy={isBusy} onTakeBack={takeBack} />
      )}
      {headings.map((u) => (
        <Box
          key={u.heading}
          sx={{
            display: 'grid',
            gridTemplateColumns: '1fr auto',
            columnGap: 1.5,
            py: 0.5,
            borderTop: 1,
            borderColor: 'divider',
          }}
        >
          <Box>
            <strong>{u.heading}</strong>, {count(u.products, 'product')}
            <Box sx={{ color: 'text.secondary', fontSize: 12.5 }}>{u.values.join(' · ')}</Box>
          </Box>
          {props.mayDecide && (
            <Button size="small" onClick={() => props.onSay(u)}>
              By its parts
            </Button>
          )}
          {props.mayDecide && (
            <Box sx={{ gridColumn: '1 / -1', pb: 1 }}>
              <SayHow
                product={u.product}
                heading={u.heading}
                value={u.values[0] ?? ''}
                isBusy={isBusy}
                onTeach={teach}
                onSaid={onSaid}
              />
            </Box>
          )}
          {pages.data
            ?.filter((p) => p.heading.toLowerCase() === u.heading.toLowerCase())
            .map((p) => (
              <ProposedWordings
                key={p.wording.sentence}
                heading={u.heading}
                lead={`${count(p.pages, 'page')} of yours in the shop say it so.`}
                proposals={[p.wording]}
                chosen={chosen}
                onToggle={toggle}
              />
            ))}
          {proposals.of(u.heading)?.isAnswered && (
            <ProposedWordings
              heading={u.heading}
              lead={lead(proposals.of(u.heading))}
              proposals={proposals.of(u.heading)?.proposals ?? []}
              chosen={chosen}
              onToggle={toggle}
            />
          )}
        </Box>
      ))}
      <SayAll said={said} isBusy={isBusy} onTeach={teach} />
      {(untold.data?.length ?? 0) > shown && (
        <Button size="small" onClick={() => setShown(shown + AT_A_TIME)}>
          Show the next {Math.min(AT_A_TIME, (untold.data?.length ?? 0) - shown)}
        </Button>
      )}
    </Box>
  );
}

/** What a model said that the fact is good for, or that it gave no wording. */
function lead(proposed: Schema['ProposedFor'] | undefined) {
  if (!proposed?.proposals.length) return 'The model’s answer has no wording in it.';
  return proposed.goodFor && `A buyer learns ${proposed.goodFor.replace(/[.]+$/, '')}.`;
}
