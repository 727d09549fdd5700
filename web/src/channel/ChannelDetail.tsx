import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, take, type Schema } from '../api/client';
import { useNotice } from '../frame/Notice';
import { Sentence, TypedWord, Word } from '../frame/Sentence';
import { SureButton } from '../frame/SureButton';
import { useMay } from '../frame/session';
import { LayerForm } from '../style/LayerForm';
import { LANGUAGES, spellingOf } from './channels';

type Channel = Schema['ChannelView'];

/** A channel: what it takes, what it decides otherwise, and the sheets for it. */
export function ChannelDetail({ channel, onGone }: { channel: Channel; onGone: () => void }) {
  const queries = useQueryClient();
  const notice = useNotice();
  const mayDecide = useMay('EDITOR');
  const params = { path: { id: channel.id } };
  const changed = () =>
    Promise.all(
      ['channels', 'layers', 'products'].map((key) =>
        queries.invalidateQueries({ queryKey: [key] }),
      ),
    );
  const put = useMutation({
    mutationFn: (change: Partial<Channel>) => {
      const now = { ...channel, ...change };
      return take(
        api.PUT('/api/channels/{id}', {
          params,
          body: {
            name: now.name,
            spelling: spellingOf(now.spelling),
            takesMarkup: now.takesMarkup,
          },
        }),
      );
    },
    onSuccess: changed,
    onError: notice.trouble,
  });
  const remove = useMutation({
    mutationFn: () => take(api.DELETE('/api/channels/{id}', { params })),
    onSuccess: () => {
      notice.say(`“${channel.name}” is gone, with what it decided.`);
      onGone();
      return changed();
    },
    onError: notice.trouble,
  });
  return (
    <Box data-testid="channel">
      <Box component="fieldset" disabled={!mayDecide} sx={{ border: 0, p: 0, m: 0, minWidth: 0 }}>
        <Sentence>
          <TypedWord
            key={channel.name}
            label="Name of the channel"
            value={channel.name}
            onSettled={(name) => put.mutate({ name })}
          />{' '}
          takes{' '}
          <Word
            label="What it takes"
            value={channel.takesMarkup ? 'markup' : 'plain'}
            choices={[
              { value: 'markup', label: 'descriptions with markup' },
              { value: 'plain', label: 'plain text' },
            ]}
            onChange={(what) => put.mutate({ takesMarkup: what === 'markup' })}
          />{' '}
          and is written in{' '}
          <Word
            label="Language of the channel"
            value={channel.spelling}
            choices={[
              { value: '', label: 'the house’s English' },
              ...LANGUAGES.map((l) => ({ value: l.owner, label: l.name })),
            ]}
            onChange={(spelling) => put.mutate({ spelling })}
          />
          .
        </Sentence>
      </Box>
      <Sheets channel={channel} />
      <LayerForm
        of={{ kind: 'channel', owner: String(channel.id), name: channel.name }}
        about="What is not decided here is as the house has it, and as the product’s range has it."
        actions={
          <SureButton sure="Really: with what it decides" onSure={() => remove.mutate()}>
            Do away with the channel
          </SureButton>
        }
      />
    </Box>
  );
}

/** The suppliers' sheets with texts in the channel's words, to be taken away. */
function Sheets({ channel }: { channel: Channel }) {
  const intakes = useQuery({
    queryKey: ['intakes'],
    queryFn: () => take(api.GET('/api/intakes')),
  });
  const taken = intakes.data?.filter((i) => i.status === 'TAKEN') ?? [];
  return (
    <Box sx={{ mt: 1 }} data-testid="channel-sheets">
      <Typography variant="h3">Sheets for it</Typography>
      {taken.length === 0 && (
        <Box sx={{ color: 'text.secondary', fontSize: 13.5 }}>
          Once a sheet has been taken in and written for, it can be had here in the channel’s words.
        </Box>
      )}
      {taken.map((i) => (
        <Box key={i.id} sx={{ fontSize: 13.5, mt: 0.25 }}>
          {i.fileName}:{' '}
          <a href={`/api/intakes/${i.id}/sheet?channel=${channel.id}`} download>
            all that the shop has texts for
          </a>
          ,{' '}
          <a href={`/api/intakes/${i.id}/sheet?channel=${channel.id}&signedOnly=true`} download>
            what is signed off there
          </a>
        </Box>
      ))}
    </Box>
  );
}
