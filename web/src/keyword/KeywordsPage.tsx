import Box from '@mui/material/Box';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take } from '../api/client';
import { count } from '../frame/format';
import { ListDetail, ListItem } from '../frame/ListDetail';
import { Rivals } from './Rivals';
import { SearchData } from './SearchData';
import { Rule } from './Rule';

/** The keywords that pages are to be found by: who competes for one, and who has none. */
export function KeywordsPage() {
  const [open, setOpen] = useState('');
  const keywords = useQuery({
    queryKey: ['keywords', 'all'],
    queryFn: () => take(api.GET('/api/keywords')),
  });
  if (!keywords.data) return <LinearProgress aria-label="Opening the keywords" />;
  const { without, clashes } = keywords.data;
  return (
    <ListDetail
      head={
        <>
          <Typography variant="h1">Keywords</Typography>
          <Rule without={without} />
          <Typography variant="h3" sx={{ mt: 3 }}>
            {clashes.length === 0
              ? 'No two products compete for a keyword.'
              : `${count(clashes.length, 'keyword')} that products compete for`}
          </Typography>
        </>
      }
      list={clashes.map((c) => (
        <ListItem
          key={c.keyword}
          isOpen={c.keyword === open}
          onOpen={() => setOpen(c.keyword)}
          line={c.keyword}
          end={count(c.products, 'product')}
        />
      ))}
      detail={
        open ? (
          <Rivals key={open} keyword={open} onSettled={() => setOpen('')} />
        ) : (
          <>
            {clashes.length > 0 && (
              <Box sx={{ color: 'text.secondary', mt: 6 }}>
                Pages that are to be found by the same words stand in one another’s way. Open a
                keyword to see longer ones that set its products apart.
              </Box>
            )}
            <SearchData />
          </>
        )
      }
    />
  );
}
