import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { api, take, type Schema } from '../api/client';
import { count, figure } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { useMay } from '../frame/session';

type Host = Schema['HostCount'];

/** Pictures that sheets and pages name: whose hosts may be asked for them, and what came of it. */
export function Addresses() {
  const queries = useQueryClient();
  const notice = useNotice();
  const mayAllow = useMay('EDITOR');
  const mayWrite = useMay('WRITER');
  const addresses = useQuery({
    queryKey: ['addresses'],
    queryFn: () => take(api.GET('/api/pictures/addresses')),
    refetchInterval: (q) =>
      q.state.data?.hosts.some((h) => h.allowed && h.waiting > 0) ? 1500 : false,
  });
  const hosts = addresses.data?.hosts ?? [];
  const fetched = hosts.reduce((sum, h) => sum + h.fetched, 0);
  useEffect(() => {
    queries.invalidateQueries({ queryKey: ['pictures'] });
  }, [fetched, queries]);
  const fresh = (a: Schema['Addresses']) => queries.setQueryData(['addresses'], a);
  const allow = useMutation({
    mutationFn: (body: Schema['Host']) => take(api.PUT('/api/pictures/hosts', { body })),
    onSuccess: fresh,
    onError: notice.trouble,
  });
  const retry = useMutation({
    mutationFn: () => take(api.POST('/api/pictures/addresses/retry')),
    onSuccess: fresh,
    onError: notice.trouble,
  });
  const web = hosts.filter((h) => h.host !== '');
  const named = hosts.find((h) => h.host === '');
  const troubles = addresses.data?.troubles ?? [];
  const failed = hosts.reduce((sum, h) => sum + h.failed, 0);
  if (hosts.length === 0) return null;
  return (
    <Box data-testid="addresses" sx={{ borderLeft: 3, borderColor: 'divider', pl: 2, mb: 2 }}>
      <Typography variant="h3">Named in sheets and pages</Typography>
      {web.map((h) => (
        <Box key={h.host} sx={{ py: 0.25 }}>
          {figure(h.waiting + h.fetched + h.failed)} at <strong>{h.host}</strong>: {standing(h)}
          {mayAllow && (
            <Button
              size="small"
              sx={{ ml: 1 }}
              disabled={allow.isPending}
              onClick={() => allow.mutate({ host: h.host, allowed: !h.allowed })}
            >
              {h.allowed ? 'fetch nothing more from there' : 'they may be fetched from there'}
            </Button>
          )}
        </Box>
      ))}
      {named && named.waiting > 0 && (
        <Box sx={{ py: 0.25, color: 'text.secondary' }}>
          {count(named.waiting, 'file')} named without an address: drop them, and they find their
          products.
        </Box>
      )}
      {troubles.map((t) => (
        <Box key={t.address + t.sku} sx={{ color: 'error.main', overflowWrap: 'anywhere' }}>
          <Link to={`/products/${t.productId}`}>{t.sku}</Link>: {t.trouble} {t.address}
        </Box>
      ))}
      {failed > troubles.length && (
        <Box sx={{ color: 'error.main' }}>And {figure(failed - troubles.length)} more.</Box>
      )}
      {mayWrite && failed > 0 && (
        <Button size="small" variant="outlined" onClick={() => retry.mutate()}>
          Try the {count(failed, 'failed one')} again
        </Button>
      )}
    </Box>
  );
}

function standing(h: Host) {
  const said = [`${figure(h.fetched)} fetched`];
  if (h.waiting > 0)
    said.push(`${figure(h.waiting)} ${h.allowed ? 'to go' : 'wait for your word'}`);
  if (h.failed > 0) said.push(`${figure(h.failed)} could not be had`);
  return said.join(', ') + '.';
}
