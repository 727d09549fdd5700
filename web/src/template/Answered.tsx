import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, take, type Schema } from '../api/client';
import { figure } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { useMay } from '../frame/session';
import { money } from '../model/connections';
import { TriedText } from './TriedText';

type Asking = Schema['ModelTrialOrder']['asking'];

/** A product's texts as a text model writes them after a template; it is asked once, if at all. */
export function Answered(props: {
  connection: Schema['ConnectionView'];
  product: number;
  template: Schema['TemplateBody'];
}) {
  const { connection, product, template } = props;
  const queries = useQueryClient();
  const notice = useNotice();
  const mayAsk = useMay('WRITER');
  const queryKey = ['templates', 'ask', connection.id, product, template];
  const order = (asking: Asking) =>
    take(
      api.POST('/api/templates/ask', {
        body: { connection: connection.id, product, template, asking },
      }),
    );
  const trial = useQuery({
    queryKey,
    queryFn: () => order('SHOW'),
    enabled: mayAsk,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const ask = useMutation({
    mutationFn: order,
    onSuccess: (answered) => {
      queries.setQueryData(queryKey, answered);
      queries.invalidateQueries({ queryKey: ['connections'] });
    },
    onError: notice.trouble,
  });
  if (!mayAsk) {
    return <Box sx={{ color: 'text.secondary' }}>Your role doesn’t allow asking a text model.</Box>;
  }
  const answer = trial.data;
  return (
    <Box data-testid="answered" aria-busy={ask.isPending || trial.isFetching}>
      {trial.error && (
        <Box role="alert" sx={{ color: 'warning.main' }}>
          {trial.error.message}
          <Box>
            <Button disabled={ask.isPending} onClick={() => ask.mutate('AFRESH')}>
              Ask afresh
            </Button>
          </Box>
        </Box>
      )}
      {!trial.error && answer && !answer.isAnswered && (
        <Box>
          <Box sx={{ color: 'text.secondary' }}>
            {connection.name} hasn’t been asked this yet. It costs about {money(answer.estimate)},
            twice that if something has to be sent back; the same again costs nothing.
          </Box>
          <Button
            variant="outlined"
            sx={{ mt: 1 }}
            disabled={ask.isPending || trial.isPlaceholderData}
            onClick={() => ask.mutate('ASK')}
          >
            {ask.isPending ? `${connection.name} is writing…` : `Ask ${connection.name}`}
          </Button>
        </Box>
      )}
      {!trial.error && answer?.isAnswered && (
        <>
          <TriedText text={answer.text} />
          <Box sx={{ mt: 2, borderTop: 1, borderColor: 'divider', pt: 1, fontSize: 12.5 }}>
            {answer.sentBack.length > 0 && (
              <Box sx={{ mb: 1 }}>
                It was sent back once:
                {answer.sentBack.map((why) => (
                  <Box key={why} sx={{ pl: 1.5 }}>
                    {why}
                  </Box>
                ))}
              </Box>
            )}
            {answer.notes.map((note, i) => (
              <Box key={i}>{note}</Box>
            ))}
            <Box sx={{ color: 'text.secondary', mt: 0.5 }}>
              {figure(answer.tokensAsked)} tokens asked, {figure(answer.tokensAnswered)} answered;{' '}
              {answer.isKept
                ? 'answered before, so it cost nothing'
                : `it cost ${money(answer.cost)}`}
              .{' '}
              <Button
                size="small"
                sx={{ p: 0 }}
                disabled={ask.isPending}
                onClick={() => ask.mutate('AFRESH')}
              >
                {ask.isPending ? 'Asking…' : 'Ask afresh'}
              </Button>
            </Box>
          </Box>
        </>
      )}
    </Box>
  );
}
