import Box from '@mui/material/Box';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, take } from '../api/client';
import { ListDetail, ListItem } from '../frame/ListDetail';
import { useNotice } from '../frame/Notice';
import { TypedWord } from '../frame/Sentence';
import { useMay } from '../frame/session';
import { LayerForm } from '../style/LayerForm';
import { ChannelDetail } from './ChannelDetail';
import { LANGUAGES, spellingOf, useChannels } from './channels';

/** Where texts go besides the house's own shop, and the languages they are written in. */
export function ChannelsPage() {
  const channels = useChannels();
  const queries = useQueryClient();
  const notice = useNotice();
  const mayDecide = useMay('EDITOR');
  const [open, setOpen] = useState('');
  const add = useMutation({
    mutationFn: (name: string) =>
      take(
        api.POST('/api/channels', { body: { name, spelling: spellingOf(''), takesMarkup: true } }),
      ),
    onSuccess: async (added) => {
      await queries.invalidateQueries({ queryKey: ['channels'] });
      setOpen(String(added.id));
    },
    onError: notice.trouble,
  });
  if (!channels.data) return <LinearProgress aria-label="Opening the channels" />;
  const channel = channels.data.find((c) => String(c.id) === open);
  const language = LANGUAGES.find((l) => l.owner === open);
  const languageOf = (spelling: string) =>
    LANGUAGES.find((l) => l.owner === spelling)?.name ?? 'the house’s English';
  return (
    <ListDetail
      isNarrow
      head={
        <>
          <Typography variant="h1">Channels and languages</Typography>
          <Box sx={{ color: 'text.secondary', fontSize: 13.5 }}>
            Where texts go besides the house’s own shop, in words of their own. The order is:{' '}
            <Link to="/style">the house’s style</Link>, the range, the channel, the language, the
            template.
          </Box>
          {mayDecide && (
            <Box sx={{ mt: 1 }}>
              Add{' '}
              <TypedWord
                key={channels.data.length}
                label="Name of a new channel"
                value=""
                otherwise="a channel by its name"
                onSettled={(name) => name.trim() && add.mutate(name)}
              />
            </Box>
          )}
        </>
      }
      list={[
        ...channels.data.map((c) => (
          <ListItem
            key={c.id}
            isOpen={String(c.id) === open}
            onOpen={() => setOpen(String(c.id))}
            line={c.name}
            end={c.takesMarkup ? '' : 'plain text'}
            below={<Box sx={{ color: 'text.secondary' }}>{languageOf(c.spelling)}</Box>}
          />
        )),
        ...LANGUAGES.map((l) => (
          <ListItem
            key={l.owner}
            isOpen={l.owner === open}
            onOpen={() => setOpen(l.owner)}
            line={l.name}
            end="language"
          />
        )),
      ]}
      detail={
        channel ? (
          <ChannelDetail key={channel.id} channel={channel} onGone={() => setOpen('')} />
        ) : language ? (
          <LayerForm
            key={language.owner}
            of={{ kind: 'language', ...language }}
            about="All texts written in it obey this, in the shop and in every channel; what is not decided here is as the layers under it have it."
          />
        ) : (
          <Box sx={{ color: 'text.secondary' }}>
            {channels.data.length
              ? 'Open one to see what it decides otherwise than the house.'
              : 'There is no channel yet: all texts are the shop’s own. Add one, or decide what holds for a language.'}
          </Box>
        )
      }
    />
  );
}
