import Box from '@mui/material/Box';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, take, type Schema } from '../api/client';
import { count, figure } from '../frame/format';
import { ListDetail, ListItem } from '../frame/ListDetail';
import { Angles } from './Angles';
import { RangeRule } from './RangeRule';
import { RangeStyle } from './RangeStyle';
import { useRanges } from './ranges';

/** What stands for no range in the list of them. */
const HOUSE: Schema['Range'] = {
  id: 0,
  name: 'The whole house',
  kind: '',
  brand: '',
  isAside: false,
  products: -1,
  written: 0,
  signedOff: 0,
  live: 0,
};

/** How far the texts of a range are, in words. */
function howFar(range: Schema['Range']) {
  const said = [
    `${figure(range.written)} written`,
    range.signedOff > 0 && `${figure(range.signedOff)} signed off`,
    range.live > 0 && `${figure(range.live)} live`,
  ];
  return range.written === 0 ? 'none written yet' : said.filter(Boolean).join(', ');
}

/** Named sets of products: what each decides otherwise than the house, and the lines of the season. */
export function RangesPage() {
  const [open, setOpen] = useState(0);
  const ranges = useRanges();
  const angles = useQuery({ queryKey: ['angles'], queryFn: () => take(api.GET('/api/angles')) });
  if (!ranges.data || !angles.data) return <LinearProgress aria-label="Opening the ranges" />;
  const range = ranges.data.find((r) => r.id === open);
  const holding = (id: number) => angles.data.find((a) => a.range === id && a.holds);
  return (
    <ListDetail
      isNarrow
      head={
        <>
          <Typography variant="h1">Ranges</Typography>
          <Box sx={{ color: 'text.secondary' }}>
            A range is a set of products that are worked on together: a season, a delivery, a
            department. Choose products on <Link to="/products">the list of products</Link> and put
            them in one.
          </Box>
        </>
      }
      list={[
        HOUSE,
        ...ranges.data.filter((r) => !r.isAside),
        ...ranges.data.filter((r) => r.isAside),
      ].map((r) => (
        <ListItem
          key={r.id}
          isOpen={r.id === open}
          onOpen={() => setOpen(r.id)}
          line={r.name}
          end={r.products < 0 ? '' : count(r.products, 'product')}
          below={
            <>
              {r.isAside && (
                <Box sx={{ color: 'text.secondary', fontStyle: 'italic' }}>put aside</Box>
              )}
              {r.products > 0 && <Box sx={{ color: 'text.secondary' }}>{howFar(r)}</Box>}
              {holding(r.id) && (
                <Box sx={{ color: 'success.main', fontStyle: 'italic' }}>{holding(r.id)?.line}</Box>
              )}
            </>
          }
        />
      ))}
      detail={
        <>
          {range && <RangeRule key={`rule ${open}`} range={range} />}
          <Angles key={open} range={open} angles={angles.data.filter((a) => a.range === open)} />
          {range && <RangeStyle key={`style ${open}`} range={range} onGone={() => setOpen(0)} />}
        </>
      }
    />
  );
}
