import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, take, type Schema } from '../api/client';
import { count, figure } from '../frame/format';
import { ListDetail, ListItem } from '../frame/ListDetail';
import { useNotice } from '../frame/Notice';
import { Sentence, Word } from '../frame/Sentence';
import { useMay } from '../frame/session';
import { serif } from '../theme';
import { causeKey, causeName } from './causes';
import { Relieve } from './Relieve';

type Cause = Schema['Cause'];

/** All texts by what is wrong with them; a cause is seen to for all products at once. */
export function AuditPage() {
  const [open, setOpen] = useState('');
  const audit = useQuery({
    queryKey: ['audit', 'all'],
    queryFn: () => take(api.GET('/api/audit')),
    refetchInterval: (query) => (query.state.data?.underWay ? 1000 : false),
  });
  const fields = useQuery({
    queryKey: ['style', 'now'],
    queryFn: () => take(api.GET('/api/style')),
  });
  if (!audit.data) return <LinearProgress aria-label="Opening the audit" />;
  const { texts, ready, faultless, underWay, causes } = audit.data;
  const label = (code: string) => fields.data?.usual.find((u) => u.field === code)?.label ?? code;
  const cause = causes.find((c) => causeKey(c) === open);
  return (
    <ListDetail
      head={
        <>
          <Typography variant="h1">Audit</Typography>
          <Box sx={{ fontFamily: serif, fontSize: 18, my: 1 }} data-testid="audit-sum">
            {texts === 0
              ? 'Nothing has been written yet. What the checks find in texts is gathered here.'
              : `${count(texts, 'text')}, ready to ${figure(ready)} of 100 on average; ` +
                `${figure(faultless)} with nothing to see to.`}
          </Box>
          {texts > 0 && (
            <Box sx={{ fontSize: 13, mb: 1 }}>
              As a sheet: <a href="/api/audit/export">short</a>,{' '}
              <a href="/api/audit/export?detailed=true">detailed</a>
            </Box>
          )}
          {underWay && (
            <Box sx={{ mb: 1 }}>
              <Box sx={{ fontSize: 13 }}>Texts are being checked and counted.</Box>
              <LinearProgress aria-label="Texts are being checked" />
            </Box>
          )}
        </>
      }
      list={causes.map((c) => (
        <ListItem
          key={causeKey(c)}
          isOpen={causeKey(c) === open}
          onOpen={() => setOpen(causeKey(c))}
          line={
            <>
              <Box
                component="span"
                sx={{ color: c.weight === 'MUST_FIX' ? 'error.main' : 'warning.main', mr: 1 }}
              >
                {c.weight === 'MUST_FIX' ? 'must fix' : 'weigh'}
              </Box>
              {causeName(c)}
            </>
          }
          end={count(c.products, 'text')}
          below={c.fields.map((f) => label(f.field)).join(', ')}
        />
      ))}
      detail={
        cause ? (
          <CauseView key={open} cause={cause} label={label} />
        ) : (
          causes.length > 0 && (
            <Box sx={{ color: 'text.secondary', mt: 6 }}>
              Open a cause to see where it is found, and to mend it in all texts at once where that
              can be computed.
            </Box>
          )
        )
      }
    />
  );
}

/** One cause: where it is found, how it would be mended, and mending it everywhere. */
function CauseView({ cause, label }: { cause: Cause; label: (field: string) => string }) {
  const queries = useQueryClient();
  const notice = useNotice();
  const mayWrite = useMay('WRITER');
  const [mended, setMended] = useState<number | null>(null);
  const [field, setField] = useState('');
  const of = { cause: cause.cause, weight: cause.weight, field };
  const instances = useQuery({
    queryKey: ['audit', 'instances', of],
    queryFn: () => take(api.GET('/api/audit/instances', { params: { query: of } })),
  });
  const mendAll = async () => {
    let done = 0;
    let after = 0;
    setMended(0);
    try {
      do {
        const step = await take(api.POST('/api/audit/mend', { body: { ...of, after } }));
        done += step.mended;
        after = step.after;
        setMended(done);
      } while (after !== 0);
      notice.say(`${count(done, 'text')} mended. They are to be read and signed off again.`);
    } catch (e) {
      notice.trouble(e);
    } finally {
      setMended(null);
      queries.invalidateQueries({ queryKey: ['audit'] });
      queries.invalidateQueries({ queryKey: ['waiting'] });
    }
  };
  return (
    <Box data-testid="cause">
      <Typography variant="h2">{causeName(cause)}</Typography>
      <Sentence>
        Showing what is found in{' '}
        <Word
          label="Field"
          value={field}
          choices={[
            { value: '', label: 'all fields' },
            ...cause.fields.map((f) => ({
              value: f.field,
              label: `${label(f.field).toLowerCase()} (${figure(f.products)})`,
            })),
          ]}
          onChange={setField}
        />
        .
      </Sentence>
      <Box sx={{ my: 1 }}>
        Found {count(cause.marks, 'time')} in {count(cause.products, 'text')}.{' '}
        {cause.mendable === 0
          ? 'It can’t be computed away in the texts: open those below, or write them anew.'
          : cause.mendable === cause.marks
            ? 'All of it can be mended at once.'
            : `${figure(cause.mendable)} of these can be mended at once.`}
      </Box>
      {mayWrite && cause.cause === 'keyword conflict' && cause.weight === 'MUST_FIX' && <Relieve />}
      {mayWrite && cause.mendable > 0 && (
        <Button variant="contained" disabled={mended !== null} onClick={mendAll}>
          {mended === null ? 'Mend all that can be mended' : `${figure(mended)} mended …`}
        </Button>
      )}
      {instances.data?.map((i) => (
        <Box key={i.product} sx={{ mt: 2, borderTop: 1, borderColor: 'divider', pt: 1 }}>
          <Box sx={{ fontSize: 12.5 }}>
            <Link to={`/proofs/${i.product}`}>
              {i.sku} {i.name}
            </Link>
            , {i.field.toLowerCase()}
          </Box>
          <Box sx={{ fontFamily: serif, fontSize: 16 }}>{i.before}</Box>
          {i.after ? (
            <Box sx={{ fontFamily: serif, fontSize: 16, color: 'success.main' }}>
              <Box component="span" sx={{ fontSize: 12.5, mr: 1 }}>
                {cause.cause === 'house sentence' ? 'to be added' : 'mended'}
              </Box>
              {i.after}
            </Box>
          ) : (
            <Box sx={{ fontSize: 13, color: 'text.secondary' }}>{i.why}</Box>
          )}
        </Box>
      ))}
    </Box>
  );
}
