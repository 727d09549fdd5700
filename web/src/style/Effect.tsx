import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { diffWordsWithSpace } from 'diff';
import type { Schema } from '../api/client';
import { serif } from '../theme';

/** What a style does to three products of the house: as it would be, with what differs underlined. */
export function Effect(props: {
  isChanged: boolean;
  isBusy: boolean;
  problems: number;
  examples: Schema['StyleExample'][];
}) {
  return (
    <Box
      data-testid="effect"
      aria-busy={props.isBusy}
      sx={{
        borderLeft: { md: 1 },
        borderColor: { md: 'divider' },
        pl: { md: 3 },
        position: { md: 'sticky' },
        top: 70,
        alignSelf: 'start',
      }}
    >
      <Typography variant="h2">
        {props.isChanged ? 'So it would read' : 'So it reads now'}
      </Typography>
      {props.problems > 0 && (
        <Box sx={{ color: 'text.secondary' }}>
          Nothing can be written so. What is in the way stands beside the settings.
        </Box>
      )}
      {props.problems === 0 && props.examples.length === 0 && !props.isBusy && (
        <Box sx={{ color: 'text.secondary' }}>
          Take a sheet in first; then three of its products are shown here.
        </Box>
      )}
      {props.examples.map((e) => (
        <Box key={e.product} sx={{ mt: 2 }} data-testid="effect-example">
          <Box sx={{ fontSize: 12, color: 'text.secondary' }}>{e.sku}</Box>
          <Changed
            now={e.now.title}
            then={e.then.title}
            isChanged={props.isChanged}
            size={19}
            weight={600}
          />
          <Changed
            now={e.now.description}
            then={e.then.description}
            isChanged={props.isChanged}
            size={16.5}
            weight={400}
          />
          {e.then.marks.slice(0, 3).map((m) => (
            <Box key={m} sx={{ fontSize: 12.5, color: 'warning.main' }}>
              {m}
            </Box>
          ))}
        </Box>
      ))}
    </Box>
  );
}

function Changed(props: {
  now: string;
  then: string;
  isChanged: boolean;
  size: number;
  weight: number;
}) {
  return (
    <Box
      sx={{
        fontFamily: serif,
        fontSize: props.size,
        fontWeight: props.weight,
        lineHeight: 1.5,
        mt: 0.5,
        whiteSpace: 'pre-line',
      }}
    >
      {props.isChanged
        ? diffWordsWithSpace(props.now, props.then)
            .filter((part) => !part.removed)
            .map((part, i) => (
              <Box
                component="span"
                key={i}
                sx={
                  part.added
                    ? { borderBottom: '1.5px solid', borderColor: 'success.main' }
                    : undefined
                }
              >
                {part.value}
              </Box>
            ))
        : props.then}
    </Box>
  );
}
