import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, take } from '../api/client';
import { count, figure } from '../frame/format';
import { useNotice } from '../frame/Notice';

/** What somebody edited of the texts that Rhetor wrote into a sheet, and a way to take it over. */
export function EditedTexts({ id }: { id: number }) {
  const queries = useQueryClient();
  const notice = useNotice();
  const path = { params: { path: { id } } };
  const edited = useQuery({
    queryKey: ['intake', id, 'texts'],
    queryFn: () => take(api.GET('/api/intakes/{id}/texts', path)),
  });
  const takeOver = useMutation({
    mutationFn: () => take(api.POST('/api/intakes/{id}/texts', path)),
    onSuccess: (taken) => {
      notice.say(
        `${count(taken.texts, 'text')} of ${count(taken.products, 'product')} wait in proof now.` +
          (taken.left > 0
            ? ` ${count(taken.left, 'product')} left alone, because somebody changed the text just now.`
            : ''),
      );
      queries.invalidateQueries();
    },
    onError: notice.trouble,
  });
  const found = edited.data;
  if (!found) return null;
  return (
    <Box
      data-testid="edited-texts"
      sx={{ borderLeft: 3, borderColor: 'success.main', pl: 2, my: 1.5 }}
    >
      <Typography variant="h3">
        {found.texts === 0
          ? 'Rhetor wrote the texts in this sheet, and nobody edited them'
          : `${count(found.texts, 'text')} of ${count(found.products, 'product')} ${found.texts === 1 ? 'was' : 'were'} edited in this sheet`}
      </Typography>
      <Box sx={{ color: 'text.secondary' }}>
        Its own columns of texts never count as facts.
        {found.older > 0 &&
          ` ${figure(found.older)} read as they did before they were changed in the house; these stay as they are now.`}
        {found.unknown > 0 && ` ${count(found.unknown, 'row')} of products without a text here.`}
      </Box>
      {found.examples.map((e) => (
        <Box key={`${e.product} ${e.field}`} sx={{ mt: 1 }}>
          <Link to={`/proofs/${e.product}`}>{e.name}</Link>, {e.field.toLowerCase()}:
          <Box sx={{ color: 'text.secondary', ...cell }}>here {plain(e.house)}</Box>
          <Box sx={cell}>in the sheet {plain(e.sheet)}</Box>
        </Box>
      ))}
      {found.texts > 0 && (
        <Button
          variant="outlined"
          sx={{ mt: 1 }}
          disabled={takeOver.isPending}
          onClick={() => takeOver.mutate()}
        >
          Take {count(found.texts, 'edited text')} over as proofs
        </Button>
      )}
    </Box>
  );
}

const cell = { whiteSpace: 'nowrap', overflow: 'hidden', textOverflow: 'ellipsis' };

/** A cell with markup as one reads it. */
function plain(cell: string) {
  const text = new DOMParser().parseFromString(cell, 'text/html').body.textContent ?? '';
  return `“${text.trim()}”`;
}
