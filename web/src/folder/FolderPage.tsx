import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, take, type Schema } from '../api/client';
import { when } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Sentence, Word } from '../frame/Sentence';
import { useMay } from '../frame/session';
import { AuthorWords } from '../run/AuthorWords';

type File = Schema['FolderFile'];

const OUTCOMES: Record<File['outcome'], string> = {
  BEGUN: 'being taken in',
  TAKEN: 'taken in',
  WAITS: 'waits for somebody',
  PICTURES: 'taken in',
  SAME: 'came before',
  REJECTED: 'rejected',
};

/** The watched folder: whether it is watched, and what became of what came. */
export function FolderPage() {
  const notice = useNotice();
  const queries = useQueryClient();
  const maySay = useMay('EDITOR');
  const folder = useQuery({
    queryKey: ['folder'],
    queryFn: () => take(api.GET('/api/folder')),
    refetchInterval: 4000,
  });
  const set = useMutation({
    mutationFn: (body: Schema['FolderOrder']) => take(api.PUT('/api/folder', { body })),
    onSuccess: (state) => queries.setQueryData(['folder'], state),
    onError: notice.trouble,
  });
  if (!folder.data) return null;
  const { path, isWatched, writes, author, files } = folder.data;
  const change = (some: Partial<Schema['FolderOrder']>) =>
    set.mutate({ isWatched, writes, author, ...some });
  return (
    <Box sx={{ maxWidth: 1100 }}>
      <Typography variant="h1">Watched folder</Typography>
      <Sentence>
        What is put into{' '}
        <Box component="code" sx={{ fontSize: 15 }}>
          {path}
        </Box>{' '}
        is{' '}
        {maySay ? (
          <Word
            label="Watched"
            value={isWatched ? 'yes' : ''}
            choices={[
              { value: 'yes', label: 'taken in by itself' },
              { value: '', label: 'left alone' },
            ]}
            onChange={(v) => change({ isWatched: v === 'yes' })}
          />
        ) : isWatched ? (
          'taken in by itself'
        ) : (
          'left alone'
        )}
        {isWatched && (
          <>
            , and what is new or changed is{' '}
            {maySay ? (
              <Word
                label="Written"
                value={writes ? 'yes' : ''}
                choices={[
                  { value: 'yes', label: 'written for, too' },
                  { value: '', label: 'not written for' },
                ]}
                onChange={(v) => change({ writes: v === 'yes' })}
              />
            ) : writes ? (
              'written for, too'
            ) : (
              'not written for'
            )}
            {writes && maySay && (
              <AuthorWords
                key={author.most}
                author={author}
                onChange={(a) => change({ author: a })}
              />
            )}
          </>
        )}
        .
      </Sentence>
      <Box sx={{ color: 'text.secondary', maxWidth: 760 }}>
        A sheet is read as its supplier’s last one was. Put it into a folder in there that is named
        after a supplier, and it is theirs. One that asks something waits under{' '}
        <Link to="/intake">Intake</Link>. What is taken in goes to “done”, with the texts in the
        sheet’s own layout once they are written; what can’t be read goes to “rejected”, with the
        reason beside it. The same content is never taken twice.
      </Box>
      {files.length === 0 ? (
        <Box sx={{ mt: 3 }}>Nothing has come yet.</Box>
      ) : (
        <Table size="small" sx={{ mt: 3 }}>
          <TableHead>
            <TableRow>
              <TableCell>File</TableCell>
              <TableCell>Came</TableCell>
              <TableCell>What became of it</TableCell>
              <TableCell />
            </TableRow>
          </TableHead>
          <TableBody>
            {files.map((f) => (
              <TableRow key={f.id}>
                <TableCell>{f.name}</TableCell>
                <TableCell sx={{ whiteSpace: 'nowrap' }}>{when(f.cameAt)}</TableCell>
                <TableCell>
                  <Box
                    component="span"
                    sx={{
                      color:
                        f.outcome === 'REJECTED'
                          ? 'error.main'
                          : f.outcome === 'WAITS'
                            ? 'warning.main'
                            : undefined,
                    }}
                  >
                    {OUTCOMES[f.outcome]}
                  </Box>
                  {f.reason && `: ${f.reason}`}
                </TableCell>
                <TableCell sx={{ whiteSpace: 'nowrap' }}>
                  {f.intake > 0 && f.outcome !== 'REJECTED' && (
                    <Link to={`/intake/${f.intake}`}>sheet</Link>
                  )}{' '}
                  {f.run > 0 && <Link to={`/runs/${f.run}`}>run {f.run}</Link>}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
    </Box>
  );
}
