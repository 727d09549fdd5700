import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { count } from '../frame/format';
import { Sentence, Word } from '../frame/Sentence';
import { TemplateForm } from './TemplateForm';

type Line = Schema['TemplateLine'];

/** How texts are built: the house's templates and those to start from. */
export function TemplatesPage() {
  const [open, setOpen] = useState('');
  const templates = useQuery({
    queryKey: ['templates'],
    queryFn: () => take(api.GET('/api/templates')),
  });
  const own = templates.data?.own ?? [];
  const chosen = open || (own[0] ? String(own[0].id) : 'start 0');
  const id = chosen.startsWith('start') ? 0 : Number(chosen);
  const kept = useQuery({
    queryKey: ['templates', id],
    queryFn: () => take(api.GET('/api/templates/{id}', { params: { path: { id } } })),
    enabled: id !== 0,
  });
  if (!templates.data || (id !== 0 && !kept.data)) {
    return <LinearProgress aria-label="Opening the templates" />;
  }
  const starting = templates.data.starting[Number(chosen.split(' ')[1])];
  const built = (line: Line | undefined) =>
    line && line.texts > 0 ? ` ${count(line.texts, 'product')} written after it.` : '';
  const head = (
    <>
      <Typography variant="h1">Templates</Typography>
      <Sentence>
        Working on{' '}
        <Word
          label="Template"
          value={chosen}
          choices={[
            ...own.map((t) => ({ value: String(t.id), label: t.name })),
            ...templates.data.starting.map((s, i) => ({
              value: `start ${i}`,
              label: `a new one that starts from “${s.name}”`,
            })),
          ]}
          onChange={setOpen}
        />
        .{built(own.find((t) => t.id === id))}
      </Sentence>
    </>
  );
  return id !== 0 && kept.data ? (
    <TemplateForm
      key={`${id} ${kept.data.version} ${kept.data.approved}`}
      head={head}
      id={id}
      version={kept.data.version}
      name={kept.data.name}
      template={kept.data.template}
      unapproved={kept.data.approved ? [] : kept.data.looser}
      onKept={(now) => setOpen(String(now))}
      onGone={() => setOpen('')}
    />
  ) : starting ? (
    <TemplateForm
      key={chosen}
      head={head}
      id={0}
      version={0}
      name=""
      template={starting.template}
      unapproved={[]}
      onKept={(now) => setOpen(String(now))}
      onGone={() => setOpen('')}
    />
  ) : null;
}
