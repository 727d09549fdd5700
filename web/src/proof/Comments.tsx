import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type KeyboardEvent } from 'react';
import type { Schema } from '../api/client';
import { useDraft } from '../frame/drafts';
import { when } from '../frame/format';
import { COMMENT_FIELD, LONGEST_PASSAGE, usePassage } from './passage';

/** What people say to each other about a text, and a line to say more, of it or of what is marked. */
export function Comments(props: {
  product: number;
  revision: number;
  field: Schema['FieldView'];
  comments: Schema['Comment'][];
  /** Whether it was said. */
  onSay?: (field: string, passage: string, said: string) => Promise<boolean>;
  onSettle?: (comment: number) => void;
}) {
  const { product, revision, field, comments, onSay, onSettle } = props;
  const { draft, keep, drop } = useDraft<string>(`comment.${product}`, revision);
  const [passage, setPassage] = usePassage();
  const [isSaying, setSaying] = useState(false);
  const said = draft?.typed ?? '';

  const say = async () => {
    if (!onSay || !said.trim() || isSaying) return;
    setSaying(true);
    if (await onSay(passage ? field.code : '', passage, said)) {
      drop();
      setPassage('');
    }
    setSaying(false);
  };
  const open = comments.filter((c) => !c.settledBy);
  const settled = comments.filter((c) => c.settledBy);
  if (!onSay && comments.length === 0) return null;
  return (
    <Box data-testid="comments" sx={{ fontSize: 13, mb: open.length > 0 ? 3 : 0 }}>
      <Typography variant="h3" sx={{ mt: open.length > 0 ? 0 : 3 }}>
        Comments
      </Typography>
      {open.map((c) => (
        <Box
          key={c.id}
          sx={{ py: 0.75, pl: 1, my: 0.5, borderLeft: 3, borderColor: 'warning.main' }}
        >
          {c.passage && (
            <Box component="q" sx={{ fontStyle: 'italic', color: 'text.secondary' }}>
              {c.passage}
            </Box>
          )}
          <Box sx={{ whiteSpace: 'pre-wrap' }}>{c.said}</Box>
          <Box sx={{ fontSize: 12, color: 'text.secondary' }}>
            {c.by}, {when(c.at)}
            {c.revision !== revision && ', of an older text'}
            {onSettle && (
              <Button size="small" sx={{ p: 0, px: 0.5, ml: 0.5 }} onClick={() => onSettle(c.id)}>
                settled
              </Button>
            )}
          </Box>
        </Box>
      ))}
      {onSay && (
        <Box
          component="form"
          onSubmit={(e: React.FormEvent) => {
            e.preventDefault();
            void say();
          }}
          sx={{ mt: 1 }}
        >
          <TextField
            id={COMMENT_FIELD}
            size="small"
            fullWidth
            multiline
            maxRows={6}
            label={passage ? 'Of what is marked' : 'Of this text'}
            helperText={passage ? `“${passage}”` : 'Mark words in the text to speak of them.'}
            value={said}
            onChange={(e) => keep(e.target.value)}
            onKeyDown={(e: KeyboardEvent) => {
              if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) void say();
              if (e.key === 'Escape') (e.target as HTMLElement).blur();
            }}
            slotProps={{ htmlInput: { maxLength: LONGEST_PASSAGE } }}
          />
          {said.trim() && (
            <Button type="submit" size="small" disabled={isSaying}>
              Say it
            </Button>
          )}
          {passage && (
            <Button size="small" onClick={() => setPassage('')}>
              Of all of the text
            </Button>
          )}
        </Box>
      )}
      {settled.length > 0 && (
        <Box component="details" sx={{ mt: 0.5 }}>
          <Box component="summary" sx={{ cursor: 'pointer' }}>
            Settled: {settled.length}
          </Box>
          {settled.map((c) => (
            <Box key={c.id} sx={{ py: 0.5, borderTop: 1, borderColor: 'divider' }}>
              {c.passage && <Box component="q">{c.passage}</Box>} {c.said}
              <Box sx={{ fontSize: 12, color: 'text.secondary' }}>
                {c.by}, {when(c.at)}; settled by {c.settledBy}
              </Box>
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}
