import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMutation, useQuery } from '@tanstack/react-query';
import { api, take, type Schema } from '../api/client';
import { useNotice } from '../frame/Notice';
import { Sentence, TypedWord } from '../frame/Sentence';

type Intake = Schema['IntakeView'];

/** What each product of the sheet is; where nothing tells, a few nouns to choose from. */
export function ThingSentence(props: { sheet: Intake; onChanged: (fresh: Intake) => void }) {
  const { sheet, onChanged } = props;
  const notice = useNotice();
  const path = { params: { path: { id: sheet.id } } };
  const likely = useQuery({
    queryKey: ['intake', sheet.id, 'things'],
    queryFn: () => take(api.GET('/api/intakes/{id}/things', path)),
    enabled: sheet.asksThing,
    staleTime: Infinity,
  });
  const setThing = useMutation({
    mutationFn: (noun: string) =>
      take(api.PUT('/api/intakes/{id}/thing', { ...path, body: { noun } })),
    onSuccess: onChanged,
    onError: notice.trouble,
  });
  return (
    <Box data-testid="thing">
      <Sentence>
        Each of its products is called{' '}
        <TypedWord
          key={sheet.thing}
          label="What each product is"
          value={sheet.thing}
          otherwise="what its name or category says"
          onSettled={(v) => setThing.mutate(v.trim())}
        />
        {sheet.asksThing ? ', but here neither says it.' : '.'}
      </Sentence>
      {sheet.asksThing && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1, mb: 1 }}>
          {(likely.data?.length ?? 0) > 0 && 'Judging by its columns, one of these, or type it:'}
          {likely.data?.map((noun) => (
            <Button
              key={noun}
              size="small"
              variant="outlined"
              disabled={setThing.isPending}
              onClick={() => setThing.mutate(noun)}
            >
              {noun}
            </Button>
          ))}
        </Box>
      )}
    </Box>
  );
}
