import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take } from '../api/client';
import { useNotice } from '../frame/Notice';
import { useMay } from '../frame/session';
import { serif } from '../theme';

/** A page that somebody changed in the shop, beside what would be published: theirs, ours, or both. */
export function InTheShop(props: {
  product: number;
  /** What is done; the edition that replaces theirs, 0 if there is none. */
  onDone: (edition: number) => void;
}) {
  const { product, onDone } = props;
  const notice = useNotice();
  const queries = useQueryClient();
  const maySign = useMay('EDITOR');
  const [theirs, setTheirs] = useState<string[]>([]);
  const [isBusy, setBusy] = useState(false);
  const path = { id: product };
  const there = useQuery({
    queryKey: ['shop', product],
    queryFn: () => take(api.GET('/api/products/{id}/shop', { params: { path } })),
    retry: false,
  });
  const proof = useQuery({
    queryKey: ['proof', product],
    queryFn: () => take(api.GET('/api/proofs/{id}', { params: { path } })),
  });
  if (there.error) return <Typography role="alert">{there.error.message}</Typography>;
  if (!there.data || !proof.data) return <LinearProgress aria-label="Looking into the shop" />;
  const differing = there.data.fields.filter((f) => f.differs);
  const settle = async (fields: string[]) => {
    setBusy(true);
    let edition = 0;
    try {
      const header = { 'If-Match': `"${proof.data.revision}"` };
      await take(
        api.POST('/api/products/{id}/shop', {
          params: { path, header },
          body: { version: there.data.version, fields },
        }),
      );
      if (fields.length === 0) {
        edition = (await take(api.POST('/api/editions', { body: { products: [product] } }))).id;
        notice.say('Ours is on its way and replaces theirs.');
      } else {
        notice.say('Taken over as a new revision. Read it and sign it off, then it can go out.');
      }
      queries.invalidateQueries();
      onDone(edition);
    } catch (e) {
      notice.trouble(e);
      queries.invalidateQueries({ queryKey: ['shop', product] });
    } finally {
      setBusy(false);
    }
  };
  const all = differing.map((f) => f.field);
  return (
    <Box sx={{ borderLeft: 3, borderColor: 'warning.main', pl: 2, my: 1 }}>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1fr)',
          columnGap: 3,
        }}
      >
        <strong>In the shop</strong>
        <strong>Ours, signed off</strong>
        {differing.map((f) => (
          <Box key={f.field} sx={{ display: 'contents' }}>
            <Box sx={{ gridColumn: '1 / -1', color: 'text.secondary', fontSize: 12, mt: 1 }}>
              <label>
                {maySign && (
                  <input
                    type="checkbox"
                    checked={theirs.includes(f.field)}
                    onChange={(e) =>
                      setTheirs(
                        e.target.checked
                          ? [...theirs, f.field]
                          : theirs.filter((t) => t !== f.field),
                      )
                    }
                  />
                )}{' '}
                {f.label}
                {maySign && ': take theirs'}
              </label>
            </Box>
            <Words html={f.theirs} isRich={f.field === 'description'} />
            <Words html={f.ours} isRich={f.field === 'description'} />
          </Box>
        ))}
      </Box>
      {differing.length === 0 && <Box>Both say the same by now.</Box>}
      {maySign && (
        <Box sx={{ display: 'flex', gap: 1, mt: 1.5 }}>
          <Button variant="outlined" disabled={isBusy} onClick={() => settle(all)}>
            Take all of theirs
          </Button>
          <Button
            variant="outlined"
            disabled={isBusy || theirs.length === 0}
            onClick={() => settle(theirs)}
          >
            Merge: theirs where marked
          </Button>
          <Button disabled={isBusy} onClick={() => settle([])}>
            Replace it with ours
          </Button>
        </Box>
      )}
    </Box>
  );
}

function Words({ html, isRich }: { html: string; isRich: boolean }) {
  const look = { fontFamily: serif, fontSize: 15, maxHeight: 220, overflowY: 'auto' };
  // What a stranger wrote is shown as text; only its paragraphs are kept.
  const plain = isRich
    ? new DOMParser().parseFromString(html.replace(/<\/(p|li|h\d)>/g, '\n'), 'text/html').body
        .textContent
    : html;
  return <Box sx={{ ...look, whiteSpace: 'pre-wrap' }}>{plain || '–'}</Box>;
}
