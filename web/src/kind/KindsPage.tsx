import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { api, take } from '../api/client';
import { ListDetail, ListItem } from '../frame/ListDetail';
import { capital, count, figure } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Sentence, TypedWord } from '../frame/Sentence';
import { useMay } from '../frame/session';
import { STANDINGS } from '../frame/standings';
import { KindForm, NewKind } from './KindForm';

/** The kinds of products: what must be known of them, and what their specification lists, in order. */
export function KindsPage() {
  const queries = useQueryClient();
  const notice = useNotice();
  const navigate = useNavigate();
  const mayDecide = useMay('EDITOR');
  const { id } = useParams();
  const [search, setSearch] = useState('');
  const kinds = useQuery({
    queryKey: ['kinds', 'list', search],
    queryFn: () => take(api.GET('/api/kinds', { params: { query: { search } } })),
  });
  const isNew = id === 'new';
  const kind = useQuery({
    queryKey: ['kinds', 'one', id],
    queryFn: () => take(api.GET('/api/kinds/{id}', { params: { path: { id: id ?? '' } } })),
    enabled: !!id && !isNew,
  });
  const decided = (said: string, texts: number) => {
    notice.say(`${said} ${stale(texts)}`);
    queries.invalidateQueries({ queryKey: ['kinds'] });
    queries.invalidateQueries({ queryKey: ['proof'] });
  };
  const restore = useMutation({
    mutationFn: () =>
      take(api.POST('/api/kinds/{id}/restore', { params: { path: { id: id ?? '' } } })),
    onSuccess: (touched) => {
      decided('Put back.', touched.texts);
      if (kind.data?.state === 'OWN') navigate('/kinds');
    },
    onError: notice.trouble,
  });
  return (
    <ListDetail
      head={
        <>
          <Typography variant="h1">Kinds of product</Typography>
          <Sentence>
            Showing kinds called <TypedWord label="Words" value={search} onSettled={setSearch} />,
            those with most products first.
          </Sentence>
          {mayDecide && (
            <Button variant="outlined" size="small" onClick={() => navigate('/kinds/new')}>
              Add a kind of product
            </Button>
          )}
          {kinds.data?.length === 0 && (
            <Box sx={{ color: 'text.secondary', mt: 2 }}>
              No kind is called that. Change the words above, or add a kind.
            </Box>
          )}
        </>
      }
      list={kinds.data?.map((k) => (
        <ListItem
          key={k.id}
          isOpen={k.id === id}
          onOpen={() => navigate(`/kinds/${k.id}`)}
          line={capital(k.plural)}
          end={
            <>
              {k.state !== 'AS_DELIVERED' && `${STANDINGS[k.state]} · `}
              {k.products > 0 ? figure(k.products) : '–'}
            </>
          }
        />
      ))}
      detail={
        isNew ? (
          <NewKind
            onKept={(made) => {
              decided('Added. Sheets taken in from now on are read with it.', 0);
              navigate(`/kinds/${made}`);
            }}
            onClose={() => navigate('/kinds')}
          />
        ) : kind.data && id ? (
          <KindForm
            key={JSON.stringify(kind.data.kind)}
            view={kind.data}
            mayDecide={mayDecide}
            onKept={(texts) => decided('Kept.', texts)}
            onRestore={() => restore.mutate()}
            onClose={() => navigate('/kinds')}
          />
        ) : (
          <Box sx={{ color: 'text.secondary', pt: 8 }}>
            A kind says what has to be known of a product before a text can be good, how much each
            fact matters to its buyers, and what the specification list below the text holds, in
            which order. Open one to set that for this house.
          </Box>
        )
      }
    />
  );
}

const stale = (texts: number) =>
  texts === 0
    ? ''
    : `${count(texts, 'text')} of this kind ${texts === 1 ? 'is' : 'are'} stale now.`;
