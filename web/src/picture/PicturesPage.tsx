import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState, type DragEvent } from 'react';
import { Link } from 'react-router';
import { api, take, uploadPicture, type Schema } from '../api/client';
import { Empty } from '../frame/Empty';
import { count } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Sentence, Word } from '../frame/Sentence';
import { useMay } from '../frame/session';
import { Addresses } from './Addresses';
import { filesIn } from './filesIn';
import { FromPictures } from './FromPictures';

type Picture = Schema['PictureView'];

/** Pictures that came in: what they show, whose they are, and a person’s word on it. */
export function PicturesPage() {
  const queries = useQueryClient();
  const notice = useNotice();
  const mayWrite = useMay('WRITER');
  const [status, setStatus] = useState('PROPOSED');
  const [after, setAfter] = useState(0);
  const [colours, setColours] = useState('yes');
  const page = useQuery({
    queryKey: ['pictures', status, after],
    queryFn: () => take(api.GET('/api/pictures', { params: { query: { status, after } } })),
  });
  const done = (said: string) => {
    queries.invalidateQueries({ queryKey: ['pictures'] });
    queries.invalidateQueries({ queryKey: ['product'] });
    queries.invalidateQueries({ queryKey: ['products'] });
    notice.say(said);
  };
  const confirm = useMutation({
    mutationFn: (pictures: number[]) =>
      take(api.POST('/api/pictures/confirm', { body: { pictures, colours: colours === 'yes' } })),
    onSuccess: (c) =>
      done(
        `${count(c.pictures, 'picture')} confirmed` +
          (c.colours > 0 ? `; ${count(c.colours, 'product')} got a colour by it.` : '.'),
      ),
    onError: notice.trouble,
  });
  const data = page.data;
  const shown = data?.pictures ?? [];
  return (
    <Box>
      <Typography variant="h1">Pictures</Typography>
      {mayWrite && (
        <PictureDrop onCame={() => queries.invalidateQueries({ queryKey: ['pictures'] })} />
      )}
      <Addresses />
      {page.error && <Typography role="alert">{page.error.message}</Typography>}
      {page.isPending && <LinearProgress aria-label="Loading pictures" />}
      {data && data.proposed + data.confirmed + data.unmatched === 0 && (
        <Empty title="No pictures yet">
          Drop them above. They find their products by the SKU or the name in their files’ names;
          you confirm it.
        </Empty>
      )}
      {data && data.proposed + data.confirmed + data.unmatched > 0 && (
        <Sentence>
          Showing{' '}
          <Word
            label="Which pictures"
            value={status}
            choices={[
              { value: 'PROPOSED', label: `${data.proposed} that wait for a person’s word` },
              { value: 'UNMATCHED', label: `${data.unmatched} that belong to no product` },
              { value: 'CONFIRMED', label: `${data.confirmed} confirmed` },
            ]}
            onChange={(v) => {
              setStatus(v);
              setAfter(0);
            }}
          />
          .
          {mayWrite && status === 'PROPOSED' && shown.length > 0 && (
            <>
              {' '}
              They show these products;{' '}
              <Word
                label="What becomes of the colours"
                value={colours}
                choices={[
                  { value: 'yes', label: 'their colour counts where none is known' },
                  { value: 'no', label: 'their colours don’t count' },
                ]}
                onChange={setColours}
              />
              .
              <Button
                sx={{ ml: 2 }}
                variant="contained"
                disabled={confirm.isPending}
                onClick={() => confirm.mutate(shown.map((p) => p.id))}
              >
                Confirm all {shown.length}
              </Button>
            </>
          )}
        </Sentence>
      )}
      {status === 'UNMATCHED' && (data?.unmatched ?? 0) > 0 && (
        <FromPictures mayWrite={mayWrite} onDone={done} />
      )}
      {status !== 'UNMATCHED' && (
        <>
          <Box
            sx={{
              display: 'grid',
              gridTemplateColumns: 'repeat(auto-fill, minmax(280px, 1fr))',
              gap: 2.5,
              mt: 1,
            }}
          >
            {shown.map((p) => (
              <Tile
                key={p.id}
                picture={p}
                mayWrite={mayWrite}
                onConfirm={() => confirm.mutate([p.id])}
                onDone={done}
              />
            ))}
          </Box>
          <Box sx={{ mt: 2, display: 'flex', gap: 1 }}>
            {after > 0 && <Button onClick={() => setAfter(0)}>From the start</Button>}
            {(data?.next ?? 0) > 0 && (
              <Button onClick={() => setAfter(data!.next)}>The next ones</Button>
            )}
          </Box>
        </>
      )}
    </Box>
  );
}

/** Where pictures, ZIPs and whole folders are dropped; each file goes on its own, so that none holds up the rest. */
function PictureDrop({ onCame }: { onCame: () => void }) {
  const notice = useNotice();
  const input = useRef<HTMLInputElement>(null);
  const folder = useRef<HTMLInputElement>(null);
  const [isOver, setOver] = useState(false);
  const [at, setAt] = useState<{ sent: number; all: number } | null>(null);
  const [troubled, setTroubled] = useState<Schema['TroubledFile'][]>([]);
  const send = async (files: File[]) => {
    setTroubled([]);
    const bad: Schema['TroubledFile'][] = [];
    let came = 0;
    for (let i = 0; i < files.length; i++) {
      setAt({ sent: i, all: files.length });
      try {
        const answer = await uploadPicture(files[i]!);
        came += answer.pictures.length;
        bad.push(...answer.troubled);
      } catch (e) {
        bad.push({
          fileName: files[i]!.name,
          trouble: e instanceof Error ? e.message : String(e),
        });
      }
    }
    setAt(null);
    setTroubled(bad);
    notice.say(`${count(came, 'picture')} came in.`);
    onCame();
  };
  const chosen = (list: FileList | null) => {
    if (list?.length) send([...list]);
    if (input.current) input.current.value = '';
    if (folder.current) folder.current.value = '';
  };
  return (
    <Box
      onDragOver={(e: DragEvent) => {
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={async (e: DragEvent) => {
        e.preventDefault();
        setOver(false);
        send(await filesIn(e.dataTransfer));
      }}
      sx={{
        border: '1px dashed',
        borderColor: isOver ? 'success.main' : 'text.secondary',
        bgcolor: 'background.paper',
        p: 2,
        my: 1.5,
      }}
    >
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}>
        <Typography variant="h3">Drop pictures, a folder of them or a ZIP here</Typography>
        <Button component="label" variant="outlined" size="small" disabled={at !== null}>
          Choose pictures
          <input
            ref={input}
            type="file"
            hidden
            multiple
            data-testid="picture-files"
            accept="image/*,.zip"
            onChange={(e) => chosen(e.target.files)}
          />
        </Button>
        <Button component="label" variant="outlined" size="small" disabled={at !== null}>
          Choose a folder
          <input
            ref={folder}
            type="file"
            hidden
            multiple
            {...{ webkitdirectory: '' }}
            onChange={(e) => chosen(e.target.files)}
          />
        </Button>
        <Box sx={{ color: 'text.secondary', fontSize: 12.5 }}>
          PNG, JPEG, GIF, BMP or WebP, up to 40 MB each.
        </Box>
      </Box>
      {at && (
        <Box sx={{ mt: 1 }}>
          {at.sent} of {count(at.all, 'file')} looked at
          <LinearProgress
            aria-label="Sending pictures"
            variant="determinate"
            value={(100 * at.sent) / at.all}
          />
        </Box>
      )}
      {troubled.map((t) => (
        <Box key={t.fileName} role="alert" sx={{ color: 'error.main', mt: 0.5 }}>
          {t.fileName}: {t.trouble}
        </Box>
      ))}
    </Box>
  );
}

function Tile(props: {
  picture: Picture;
  mayWrite: boolean;
  onConfirm: () => void;
  onDone: (said: string) => void;
}) {
  const { picture: p, mayWrite, onDone } = props;
  const notice = useNotice();
  const act = async (call: Promise<unknown>, said: string) => {
    try {
      await call;
      onDone(said);
    } catch (e) {
      notice.trouble(e);
    }
  };
  const path = { params: { path: { id: p.id } } };
  return (
    <Box
      data-testid="picture"
      sx={{ border: 1, borderColor: 'divider', bgcolor: 'background.paper', p: 1.5 }}
    >
      <Box
        component="img"
        src={`/api/pictures/${p.id}/small`}
        alt={p.name || p.fileName}
        loading="lazy"
        sx={{ width: '100%', height: 190, objectFit: 'contain', bgcolor: '#fff' }}
      />
      <Box sx={{ fontWeight: 600, mt: 1 }}>
        {p.productId > 0 ? (
          <Link to={`/products/${p.productId}`}>
            {p.name}, {p.sku}
          </Link>
        ) : (
          'Belongs to no product'
        )}
      </Box>
      <Box sx={{ color: 'text.secondary', fontSize: 12.5, overflowWrap: 'anywhere' }}>
        {p.fileName}. {p.reason}
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1.5, my: 0.75 }}>
        {p.colours.map((c) => (
          <Box key={c.name} component="span" sx={{ whiteSpace: 'nowrap' }}>
            <Box
              component="span"
              sx={{
                display: 'inline-block',
                width: 18,
                height: 10,
                bgcolor: c.hex,
                border: 1,
                borderColor: 'divider',
                mr: 0.5,
              }}
            />
            {c.name} {Math.round(c.share * 100)} %
          </Box>
        ))}
      </Box>
      <Box sx={{ fontSize: 12.5 }}>{p.findings.join(' ')}</Box>
      {p.words.length > 0 && (
        <Box sx={{ fontSize: 12.5, color: 'text.secondary' }}>
          In the file: <q>{p.words.join('; ')}</q>
        </Box>
      )}
      {mayWrite && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, mt: 1, ml: -1 }}>
          {p.status === 'PROPOSED' && (
            <>
              <Button size="small" color="success" onClick={props.onConfirm}>
                It does
              </Button>
              <Button
                size="small"
                onClick={() =>
                  act(
                    take(api.DELETE('/api/pictures/{id}/product', path)),
                    'It stands among those without a product now.',
                  )
                }
              >
                It shows something else
              </Button>
            </>
          )}
          <Button
            size="small"
            sx={{ color: 'text.secondary' }}
            onClick={() => act(take(api.DELETE('/api/pictures/{id}', path)), 'Removed.')}
          >
            Remove
          </Button>
        </Box>
      )}
    </Box>
  );
}
