import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { api, take } from '../api/client';
import { Sentence, Word } from '../frame/Sentence';
import { useRanges } from '../range/ranges';
import { NOBODY, ORDERS, readiness, READINESS, STATES, type Filter, type Order } from './filter';
import { useReaders } from '../people/readers';

interface Props {
  filter: Filter;
  /** The states that make sense in this list. */
  states?: string[];
  /** Another one whenever the search was set from elsewhere. */
  asked?: React.Key;
  onChange: (part: Partial<Filter>) => void;
}

/** The sentence that says which products a list shows; each underlined word can be changed. */
export function ChoiceSentence({ filter, states, asked, onChange }: Props) {
  const intakes = useQuery({ queryKey: ['intakes'], queryFn: () => take(api.GET('/api/intakes')) });
  const ranges = useRanges();
  const choices = useQuery({
    queryKey: ['choices'],
    queryFn: () => take(api.GET('/api/products/choices')),
    // Counted over all products; kinds and makers come with sheets, not with every change.
    staleTime: 60_000,
  });
  // Only where texts are read it matters whose they are.
  const isRead = states !== undefined || filter.reader !== 0;
  const readers = useReaders(isRead);
  const named = (list: { name: string; products: number }[] | undefined, now: string) => {
    const all = (list ?? []).map((n) => ({ value: n.name, label: `${n.name} (${n.products})` }));
    return !now || all.some((c) => c.value === now) ? all : [{ value: now, label: now }, ...all];
  };
  const now = `${filter.atLeast}-${filter.below}`;
  return (
    <Sentence>
      Showing{' '}
      <Word
        label="Which products"
        value={filter.state}
        choices={STATES.filter((s) => !states || states.includes(s.value))}
        onChange={(state) => onChange({ state })}
      />{' '}
      of{' '}
      <Word
        label="Of which kind"
        value={filter.kind}
        choices={[{ value: '', label: 'any kind' }, ...named(choices.data?.kinds, filter.kind)]}
        onChange={(kind) => onChange({ kind })}
      />{' '}
      by{' '}
      <Word
        label="By which maker"
        value={filter.brand}
        choices={[{ value: '', label: 'any maker' }, ...named(choices.data?.brands, filter.brand)]}
        onChange={(brand) => onChange({ brand })}
      />{' '}
      from{' '}
      <Word
        label="From which sheet"
        value={String(filter.intake || '')}
        choices={[
          { value: '', label: 'any sheet' },
          ...(intakes.data ?? [])
            .filter((i) => i.status === 'TAKEN')
            .map((i) => ({ value: String(i.id), label: i.supplier })),
        ]}
        onChange={(v) => onChange({ intake: Number(v) })}
      />{' '}
      of{' '}
      <Word
        label="Of which range"
        value={String(filter.range || '')}
        choices={[
          { value: '', label: 'any range' },
          ...(ranges.data ?? []).map((r) => ({ value: String(r.id), label: r.name })),
        ]}
        onChange={(v) => onChange({ range: Number(v) })}
      />
      {filter.run > 0 && (
        <>
          {' '}
          written in{' '}
          <Word
            label="Written in which run"
            value={String(filter.run)}
            choices={[
              { value: String(filter.run), label: `run ${filter.run}` },
              { value: '0', label: 'any run' },
            ]}
            onChange={(v) => onChange({ run: Number(v) })}
          />
        </>
      )}
      ,{' '}
      <Word
        label="How ready"
        value={now}
        choices={[...new Set([now, ...READINESS])].map((value) => {
          const [atLeast, below] = value.split('-').map(Number);
          return { value, label: readiness(atLeast!, below!) };
        })}
        onChange={(v) => {
          const [atLeast, below] = v.split('-').map(Number);
          onChange({ atLeast, below });
        }}
      />
      {isRead && (readers.data?.length ?? 0) > 1 && (
        <>
          , for{' '}
          <Word
            label="For whom"
            value={String(filter.reader)}
            choices={[
              { value: '0', label: 'anybody' },
              { value: String(NOBODY), label: 'nobody yet' },
              ...readers.data!.map((r) => ({ value: String(r.id), label: r.name })),
            ]}
            onChange={(v) => onChange({ reader: Number(v) })}
          />
        </>
      )}
      ,{' '}
      <Word
        label="In which order"
        value={filter.order}
        choices={[...ORDERS]}
        onChange={(v) => onChange({ order: v as Order })}
      />
      , named{' '}
      <SearchWord
        key={asked}
        initial={filter.search}
        onSettled={(search) => onChange({ search })}
      />
      .
    </Sentence>
  );
}

const SETTLES_AFTER = 250;

/** The word one types into the sentence; the list follows when the typing pauses. */
function SearchWord(props: { initial: string; onSettled: (value: string) => void }) {
  const [typed, setTyped] = useState(props.initial);
  const settled = useRef(props.initial);
  const { onSettled } = props;
  useEffect(() => {
    if (typed === settled.current) return;
    const timer = setTimeout(() => {
      settled.current = typed;
      onSettled(typed);
    }, SETTLES_AFTER);
    return () => clearTimeout(timer);
  }, [typed, onSettled]);
  return (
    <Box
      component="input"
      aria-label="Part of the name or SKU"
      value={typed}
      placeholder="anything"
      onChange={(e: React.ChangeEvent<HTMLInputElement>) => setTyped(e.target.value)}
      sx={{
        font: 'inherit',
        fontStyle: 'italic',
        width: 110,
        border: 0,
        borderBottom: '1.5px solid',
        borderColor: 'success.main',
        color: 'success.main',
        bgcolor: 'transparent',
        p: 0,
      }}
    />
  );
}
