import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { api, take } from '../api/client';
import { count, figure } from '../frame/format';
import { useNotice } from '../frame/Notice';
import { Sentence, TypedWord, Word } from '../frame/Sentence';
import { article, useVoices } from '../proof/voices';
import { money } from '../model/connections';
import { RHETOR, duration } from '../run/author';
import { AuthorWords } from '../run/AuthorWords';
import { extent, fieldChoices, fieldsOf, lengthOf, UNITS } from '../run/extent';
import { BEGINS, goesByClock, rhythmOf } from '../run/schedule';
import { which, type Filter } from './filter';

interface Props {
  filter: Filter;
  total: number;
  chosen: number[];
}

/** Starts a run: for the products chosen, or for all that are shown. */
export function WriteSentence({ filter, total, chosen }: Props) {
  const navigate = useNavigate();
  const notice = useNotice();
  const queries = useQueryClient();
  const [leave, setLeave] = useState('yes');
  const [seed, setSeed] = useState('1');
  // An order may say which; each order is another.
  const [address] = useSearchParams();
  const [voice, setVoice] = useState(address.get('voice') ?? '');
  const [fields, setFields] = useState(fieldsOf(address.get('fields')));
  const [length, setLength] = useState(lengthOf(address.get('most')));
  const style = useQuery({
    queryKey: ['style', 'now'],
    queryFn: () => take(api.GET('/api/style')),
  });
  const spelling = style.data?.style.spelling === 'AMERICAN' ? 'American' : 'British';
  const voices = useVoices();
  const [template, setTemplate] = useState('');
  const templates = useQuery({
    queryKey: ['templates'],
    queryFn: () => take(api.GET('/api/templates')),
  });
  const [author, setAuthor] = useState(RHETOR);
  const [tries, setTries] = useState('');
  const [begin, setBegin] = useState('');
  const [time, setTime] = useState('02:00');
  const [before, setBefore] = useState('');
  const [what, setWhat] = useState('');
  const [isBusy, setBusy] = useState(false);
  const order = {
    ...which(filter, chosen),
    leaveSignedOff: leave === 'yes',
    seed: Number(seed),
    voice,
    template: Number(template),
    author,
    tries: begin ? 0 : Number(tries),
    ...extent(fields, length.unit, length.most),
  };
  const isUnsaid = length.unit !== '' && !order.mostCharacters && !order.mostWords;
  const forecast = useQuery({
    queryKey: ['forecast', order],
    queryFn: () => take(api.POST('/api/runs/forecast', { body: order })),
    enabled: total > 0 && !!style.data,
  });
  const start = async () => {
    setBusy(true);
    try {
      if (begin) {
        const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
        const body = {
          order,
          ...rhythmOf(begin),
          time: time.trim(),
          zone,
          pullsFirst: before === 'PULL',
          takesIdeas: what === 'IDEA',
        };
        queries.setQueryData(['schedules'], await take(api.POST('/api/schedules', { body })));
        navigate('/runs');
        return;
      }
      const run = await take(api.POST('/api/runs', { body: order }));
      await queries.invalidateQueries({ queryKey: ['waiting'] });
      navigate(`/runs/${run.id}`);
    } catch (e) {
      notice.trouble(e);
    } finally {
      setBusy(false);
    }
  };
  const expected = forecast.data?.toWrite ? forecast.data.expected : undefined;
  const isDear =
    !!expected &&
    ((author.most > 0 && expected.cost > author.most) ||
      (expected.monthlyMost > 0 && expected.spent + expected.cost > expected.monthlyMost));
  const left = forecast.data ? forecast.data.signedOff + forecast.data.busy : 0;
  return (
    <Box
      sx={{
        display: 'flex',
        gap: 3,
        alignItems: 'center',
        flexWrap: 'wrap',
        borderTop: 1,
        borderBottom: 1,
        borderColor: 'divider',
        mb: 1.5,
      }}
    >
      <Sentence>
        Write{' '}
        <Word
          label="Which texts"
          value={fields}
          choices={fieldChoices(fields)}
          onChange={setFields}
        />
        ,{' '}
        {length.unit && (
          <>
            <TypedWord
              label="How long"
              value={length.most}
              otherwise="how many"
              onSettled={(most) => setLength({ ...length, most })}
            />{' '}
          </>
        )}
        <Word
          label="Length"
          value={length.unit}
          choices={UNITS}
          onChange={(unit) => setLength({ ...length, unit })}
        />
        , for{' '}
        <strong>
          {chosen.length > 0
            ? count(chosen.length, 'chosen product')
            : begin
              ? 'all that match by then'
              : `all ${figure(total)} shown`}
        </strong>{' '}
        in {spelling} English, in {voice ? article(voice) : 'the'}{' '}
        <Word
          label="Voice"
          value={voice}
          choices={[{ value: '', label: 'house’s own' }, ...voices.choices]}
          onChange={setVoice}
        />{' '}
        voice,{' '}
        {(templates.data?.own.length ?? 0) > 0 && (
          <>
            after{' '}
            <Word
              label="Template"
              value={template}
              choices={[
                { value: '', label: 'no template' },
                ...(templates.data?.own ?? []).map((t) => ({
                  value: String(t.id),
                  label: t.name,
                })),
              ]}
              onChange={setTemplate}
            />
            ,{' '}
          </>
        )}
        <Word
          label="Signed-off texts"
          value={leave}
          choices={[
            { value: 'yes', label: 'leaving signed-off texts alone' },
            { value: 'no', label: 'writing signed-off texts anew' },
          ]}
          onChange={setLeave}
        />
        , wording{' '}
        <Word
          label="Wording"
          value={seed}
          choices={['1', '2', '3', '4', '5'].map((n) => ({ value: n, label: `no. ${n}` }))}
          onChange={setSeed}
        />
        <AuthorWords author={author} onChange={setAuthor} />,{' '}
        {!begin && (
          <>
            <Word
              label="How many first"
              value={tries}
              choices={[
                { value: '', label: 'all at once' },
                { value: '3', label: 'three first, to be looked at' },
                { value: '10', label: 'ten first, to be looked at' },
              ]}
              onChange={setTries}
            />
            ,{' '}
          </>
        )}
        <Word label="When" value={begin} choices={BEGINS} onChange={setBegin} />
        {goesByClock(begin) && (
          <>
            {' at '}
            <TypedWord label="Time" value={time} onSettled={setTime} />,{' '}
            <Word
              label="Before"
              value={before}
              choices={[
                { value: '', label: 'with what is known by then' },
                { value: 'PULL', label: 'once the shop’s products are pulled in' },
              ]}
              onChange={setBefore}
            />
          </>
        )}
        {begin === 'SHOP_NEWS' && ', once its products are pulled in'}
        {begin && (
          <>
            ; each time{' '}
            <Word
              label="What each time"
              value={what}
              choices={[
                { value: '', label: 'what this sentence says' },
                { value: 'IDEA', label: 'the next idea of the list under Runs' },
              ]}
              onChange={setWhat}
            />
          </>
        )}
        .
      </Sentence>
      <Button
        variant="contained"
        disabled={isBusy || isUnsaid || (!begin && !forecast.data?.toWrite)}
        onClick={start}
        data-testid="write"
      >
        {begin ? 'Set it' : `Write ${figure(forecast.data?.toWrite ?? 0)}`}
      </Button>
      <Box sx={{ color: 'text.secondary', pb: 0.5 }} aria-live="polite" data-testid="expected">
        {isUnsaid && <>Say how many {length.unit} a text may have, from 1 to 99,999. </>}
        {fields && <>Products that have no text yet get all of theirs. </>}
        {left > 0 && <>{count(left, 'product')} will be left alone. </>}
        {expected && expected.seconds >= 0 && <>It takes {duration(expected.seconds)}. </>}
        {expected && author.engine !== 'COMPOSER' && (
          <>
            {author.engine === 'BOTH' && <>About {figure(expected.ofModel)} are asked for. </>}
            The answers cost about {money(expected.cost)}
            {expected.monthlyMost > 0 &&
              `; ${money(expected.spent)} of ${money(expected.monthlyMost)} is spent this month`}
            .{' '}
            {isDear && (
              <Box component="span" sx={{ color: 'warning.main' }}>
                That is more than may be spent: the run would stop on the way.
              </Box>
            )}
          </>
        )}
      </Box>
    </Box>
  );
}
