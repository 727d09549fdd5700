import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { ListDetail, ListItem } from '../frame/ListDetail';
import { count } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Sentence, TypedWord, Word } from '../frame/Sentence';
import { useMay } from '../frame/session';
import { STANDINGS } from '../frame/standings';
import { blank, ConceptForm } from './ConceptForm';
import { Struck } from './Struck';
import { Untold } from './Untold';
import { Verdicts } from './Verdicts';

type Concept = Schema['ConceptView'];

/** The kinds of facts: how sheets call them, how much they matter, and in what words they are told. */
export function ConceptsPage() {
  const queries = useQueryClient();
  const notice = useNotice();
  const mayDecide = useMay('EDITOR');
  const [state, setState] = useState('ALL');
  const [search, setSearch] = useState('');
  const [open, setOpen] = useState<Concept | 'new' | null>(null);
  // A heading that is to get words; the form starts with it.
  const [heading, setHeading] = useState('');
  const choices = useQuery({
    queryKey: ['concepts', 'choices'],
    queryFn: () => take(api.GET('/api/concepts/choices')),
    staleTime: Infinity,
  });
  const concepts = useQuery({
    queryKey: ['concepts', state, search],
    queryFn: () => take(api.GET('/api/concepts', { params: { query: { state, search } } })),
  });
  const decided = (said: string, texts: number) => {
    notice.say(`${said} ${stale(texts)}`);
    queries.invalidateQueries({ queryKey: ['concepts'] });
    queries.invalidateQueries({ queryKey: ['proof'] });
  };
  const restore = useMutation({
    mutationFn: (id: string) =>
      take(api.POST('/api/concepts/{id}/restore', { params: { path: { id } } })),
    onSuccess: (touched) => {
      decided('Put back.', touched.texts);
      setOpen(null);
    },
    onError: notice.trouble,
  });
  return (
    <ListDetail
      head={
        <>
          <Typography variant="h1">Facts and their words</Typography>
          <Sentence>
            Showing{' '}
            <Word
              label="Which kinds of facts"
              value={state}
              choices={[
                { value: 'ALL', label: 'all kinds of facts' },
                { value: 'CHANGED', label: 'those that are changed' },
                { value: 'OWN', label: 'the house’s own' },
              ]}
              onChange={setState}
            />{' '}
            about <TypedWord label="Words" value={search} onSettled={setSearch} />.
          </Sentence>
          {mayDecide && (
            <Button
              variant="outlined"
              size="small"
              onClick={() => {
                setHeading('');
                setOpen('new');
              }}
            >
              Add a kind of fact
            </Button>
          )}
          {mayDecide && (
            <Struck onSilenced={(texts) => decided('Left to the list from now on.', texts)} />
          )}
          <Verdicts mayDecide={mayDecide} />
          <Untold
            mayDecide={mayDecide}
            onSay={(u) => {
              setHeading(u.heading);
              setOpen('new');
            }}
            onKept={(texts) => decided('Kept.', texts)}
          />
          {concepts.data?.length === 0 && (
            <Box sx={{ color: 'text.secondary', mt: 2 }}>
              No kind of fact is like that. Change the words above, or add one.
            </Box>
          )}
        </>
      }
      list={concepts.data?.map((c) => (
        <ListItem
          key={c.concept.id}
          isOpen={open !== 'new' && open?.concept.id === c.concept.id}
          onOpen={() => setOpen(c)}
          line={c.concept.label}
          end={c.state === 'AS_DELIVERED' ? '' : STANDINGS[c.state]}
          below={
            <Box sx={{ color: 'text.secondary', fontSize: 12.5 }}>
              {c.concept.names.slice(0, 6).join(', ')}
            </Box>
          }
        />
      ))}
      detail={
        open && choices.data ? (
          <ConceptForm
            key={open === 'new' ? `new ${heading}` : open.concept.id}
            concept={open === 'new' ? null : open}
            start={blank(heading)}
            choices={choices.data}
            mayDecide={mayDecide}
            onKept={(texts) => decided('Kept.', texts)}
            onRestore={() => open !== 'new' && restore.mutate(open.concept.id)}
            onClose={() => setOpen(null)}
          />
        ) : (
          <Box sx={{ color: 'text.secondary', pt: 8 }}>
            A kind of fact is what a column of a sheet tells: a weight, a closure, a burning time.
            Open one to see what headings it is known by and in what words texts tell it; change
            them, or add a kind that only this house needs.
          </Box>
        )
      }
    />
  );
}

const stale = (texts: number) =>
  texts === 0
    ? 'No text tells this fact.'
    : `${count(texts, 'text')} that tell${texts === 1 ? 's' : ''} it, or may, can be written anew: choose “whose facts have changed” under Products.`;
