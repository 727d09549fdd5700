import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Schema } from '../api/client';
import { count, figure } from '../frame/format';

type View = Schema['RunView'];

/** What became of a run's products that weren't just written: by reason, and what was put right. */
export function Outcomes(props: { view: View; onRetry?: (reason: string) => void }) {
  const { view, onRetry } = props;
  return (
    <>
      {view.reasons.map((r) => {
        const some = view.troubles.filter((t) => t.status === r.outcome && t.reason === r.reason);
        return (
          <Box
            key={r.outcome + r.reason}
            component="details"
            open={r.products < 6}
            data-testid="run-reason"
            sx={{ borderTop: 1, borderColor: 'divider', mt: 2, pt: 1 }}
          >
            <Box component="summary" sx={{ cursor: 'pointer' }}>
              <Box
                component="strong"
                sx={{ color: r.outcome === 'FAILED' ? 'error.main' : undefined }}
              >
                {count(r.products, 'product')} {r.outcome === 'FAILED' ? 'failed' : 'left alone'}.
              </Box>{' '}
              {r.reason}
            </Box>
            {r.outcome === 'FAILED' && onRetry && (
              <Button size="small" sx={{ mt: 0.5 }} onClick={() => onRetry(r.reason)}>
                Write {r.products === 1 ? 'it' : `these ${figure(r.products)}`} again
              </Button>
            )}
            <Named products={some} />
            {some.length < r.products && (
              <Box sx={{ color: 'text.secondary' }}>
                and {figure(r.products - some.length)} more.
              </Box>
            )}
          </Box>
        );
      })}
      {view.amended.length > 0 && (
        <>
          <Typography variant="h3" sx={{ mt: 3 }}>
            What was put right
          </Typography>
          <Named products={view.amended} withReason />
        </>
      )}
    </>
  );
}

function Named(props: { products: Schema['Trouble'][]; withReason?: boolean }) {
  return (
    <Table size="small">
      <TableBody>
        {props.products.map((t) => (
          <TableRow key={t.productId}>
            <TableCell sx={{ whiteSpace: 'nowrap', verticalAlign: 'top' }}>{t.sku}</TableCell>
            <TableCell sx={{ verticalAlign: 'top' }}>
              <Link to={props.withReason ? `/proofs/${t.productId}` : `/products/${t.productId}`}>
                {t.name}
              </Link>
            </TableCell>
            {props.withReason && <TableCell>{t.reason}</TableCell>}
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}
