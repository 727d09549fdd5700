import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

/** A list whose items open beside it, and what stands there while none is open. */
export function ListDetail(props: {
  head: ReactNode;
  list: ReactNode;
  detail: ReactNode;
  /** Whether the items have short names and what opens needs the width. */
  isNarrow?: boolean;
}) {
  const columns = props.isNarrow ? '250px minmax(0, 1fr)' : '1fr 1fr';
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { lg: columns }, gap: 4 }}>
      <Box>
        {props.head}
        <Box component="ul" sx={{ listStyle: 'none', p: 0, mt: 1.5 }}>
          {props.list}
        </Box>
      </Box>
      <Box
        sx={
          props.isNarrow ? undefined : { position: { lg: 'sticky' }, top: 70, alignSelf: 'start' }
        }
      >
        {props.detail}
      </Box>
    </Box>
  );
}

/** One item of such a list: a line, what is said at its end, and more below. */
export function ListItem(props: {
  isOpen: boolean;
  onOpen: () => void;
  line: ReactNode;
  end?: ReactNode;
  below?: ReactNode;
}) {
  return (
    <Box
      component="li"
      sx={{
        borderTop: 1,
        borderColor: 'divider',
        borderLeft: props.isOpen ? '3px solid' : undefined,
        borderLeftColor: 'primary.main',
      }}
    >
      <Box
        component="button"
        aria-expanded={props.isOpen}
        onClick={props.onOpen}
        sx={{
          display: 'block',
          width: '100%',
          textAlign: 'left',
          font: 'inherit',
          color: 'inherit',
          border: 0,
          bgcolor: 'transparent',
          cursor: 'pointer',
          py: 0.75,
          px: 1,
        }}
      >
        <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 2 }}>
          <span>{props.line}</span>
          <Box
            component="span"
            sx={{ color: 'text.secondary', fontSize: 12.5, whiteSpace: 'nowrap' }}
          >
            {props.end}
          </Box>
        </Box>
        {props.below}
      </Box>
    </Box>
  );
}
