import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, take, type Schema } from '../api/client';
import { capital, when } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { useMay } from '../frame/session';
import { SureButton } from '../frame/SureButton';
import { useConnections } from '../model/connections';
import { useRanges } from '../range/ranges';
import { whatIsWritten } from './extent';
import { begins, whichProducts } from './schedule';

/** Runs that begin by themselves. */
export function Schedules() {
  const notice = useNotice();
  const queries = useQueryClient();
  const mayWrite = useMay('WRITER');
  const schedules = useQuery({
    queryKey: ['schedules'],
    queryFn: () => take(api.GET('/api/schedules')),
    refetchInterval: 10_000,
  });
  const ranges = useRanges();
  const intakes = useQuery({ queryKey: ['intakes'], queryFn: () => take(api.GET('/api/intakes')) });
  const connections = useConnections();
  const remove = useMutation({
    mutationFn: (id: number) =>
      take(api.DELETE('/api/schedules/{id}', { params: { path: { id } } })),
    onSuccess: (left) => queries.setQueryData(['schedules'], left),
    onError: notice.trouble,
  });
  if (!schedules.data?.length) return null;
  return (
    <Box data-testid="schedules" sx={{ mt: 4 }}>
      <Typography variant="h2">By themselves</Typography>
      {schedules.data.map((s) => {
        const isOver = Date.parse(s.nextAt) === 0;
        const model = connections.data?.find((c) => c.id === s.order.author?.connection);
        return (
          <Box key={s.id} sx={{ borderTop: 1, borderColor: 'divider', py: 1 }}>
            <Box>
              {capital(begins(s))}
              {waits(s) ? '' : ` (${s.zone})`}
              {s.pullsFirst && ', once the shop’s products are pulled in'}:{' '}
              {s.takesIdeas
                ? 'the next idea of the list'
                : whichProducts(
                    s.order,
                    (id) => ranges.data?.find((r) => r.id === id)?.name,
                    (id) => intakes.data?.find((i) => i.id === id)?.fileName,
                  )}
              {!s.takesIdeas && whatIsWritten(s.order) && `, ${whatIsWritten(s.order)}`}
              {model && `, by ${model.name}`}.
            </Box>
            <Box sx={{ color: 'text.secondary', display: 'flex', gap: 1.5, flexWrap: 'wrap' }}>
              <span>
                {!isOver
                  ? `Next ${when(s.nextAt)}.`
                  : waits(s)
                    ? 'It waits for the shop’s call.'
                    : 'It begins no more.'}
              </span>
              {Date.parse(s.lastAt) > 0 && (
                <span>
                  Last {when(s.lastAt)}:{' '}
                  {s.lastRun ? <Link to={`/runs/${s.lastRun}`}>run {s.lastRun}</Link> : s.lastSaid}
                </span>
              )}
              <Box sx={{ flex: 1 }} />
              {mayWrite && (
                <SureButton sure="Take it away" onSure={() => remove.mutate(s.id)}>
                  Take away …
                </SureButton>
              )}
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}

const waits = (s: Schema['Schedule']) => s.rhythm === 'SHOP_NEWS';
