import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import type { Schema } from '../api/client';
import { count } from '../frame/format';
import { serif } from '../theme';
import { wordingKey, type NewWording } from './proposals';

/** Wordings for one heading as they read of products; those that can stand to be chosen. */
export function ProposedWordings(props: {
  heading: string;
  /** Where they come from and what is said of them. */
  lead: string;
  proposals: Schema['ProposedWording'][];
  chosen: ReadonlyMap<string, NewWording>;
  onToggle: (wording: NewWording) => void;
}) {
  return (
    <Box sx={{ gridColumn: '1 / -1', pl: 1.5, pb: 0.5 }} data-testid="proposed">
      {props.lead && <Box sx={{ color: 'text.secondary', fontSize: 12.5 }}>{props.lead}</Box>}
      {props.proposals.map((p) => {
        const wording = {
          heading: props.heading,
          concept: '',
          kind: '',
          form: p.form,
          wording: p.wording,
        };
        const stands = p.problems.length === 0;
        return (
          <Box
            key={p.sentence}
            component="label"
            sx={{ display: 'flex', alignItems: 'flex-start', cursor: stands ? 'pointer' : 'auto' }}
          >
            <Checkbox
              size="small"
              sx={{ p: 0.25, mr: 0.75 }}
              disabled={!stands}
              checked={props.chosen.has(wordingKey(wording))}
              onChange={() => props.onToggle(wording)}
            />
            <Box>
              <Box sx={{ fontFamily: serif, color: stands ? undefined : 'text.secondary' }}>
                {stands ? p.examples.slice(0, 2).join(' ') : p.sentence}
              </Box>
              <Box
                sx={{ fontSize: 12.5, color: stands ? 'text.secondary' : 'error.main' }}
                role={stands ? undefined : 'note'}
              >
                {stands
                  ? p.fits === p.tried
                    ? `Reads with all of ${count(p.tried, 'value')}.`
                    : `Reads with ${p.fits} of ${count(p.tried, 'value')}; the others stay in the list.`
                  : `Can’t stand: ${p.problems.join(' ')}`}
              </Box>
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}
