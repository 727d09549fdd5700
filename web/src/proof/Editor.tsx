import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { EditorContent, useEditor } from '@tiptap/react';
import StarterKit from '@tiptap/starter-kit';
import { useEffect, useRef, useState } from 'react';
import type { Schema } from '../api/client';
import { useDraft } from '../frame/drafts';
import { serif } from '../theme';

interface Props {
  product: number;
  field: Schema['FieldView'];
  /** The revision that counts now. */
  revision: number;
  /** Keeps the words; whether they were kept. */
  onSave: (text: string) => Promise<boolean>;
  onClose: () => void;
}

/**
 * Changes one field by hand. What is typed stays in the browser until it is kept or dropped. Where
 * somebody has changed the field since it was typed, both are shown, and a person decides.
 */
export function Editor(props: Props) {
  const { draft, keep, drop } = useDraft<string>(
    `${props.product}.${props.field.code}`,
    props.revision,
  );
  const [text, setText] = useState(draft?.typed ?? props.field.html);
  const [isBusy, setBusy] = useState(false);
  const isOutdated =
    draft !== null && draft.revision !== props.revision && draft.typed !== props.field.html;
  const change = (next: string) => {
    setText(next);
    keep(next, isOutdated ? draft.revision : undefined);
  };
  const save = async () => {
    if (isOutdated) return;
    setBusy(true);
    const isSaved = await props.onSave(text);
    setBusy(false);
    if (isSaved) {
      drop();
      props.onClose();
    }
  };
  const leave = () => {
    drop();
    props.onClose();
  };
  const isRich = props.field.code === 'description';
  const box = useRef<HTMLElement>(null);
  // The list below a long text may have been what the person was looking at.
  useEffect(() => {
    box.current?.scrollIntoView({ block: 'nearest' });
  }, []);
  return (
    <Box
      ref={box}
      onKeyDown={(e) => {
        // What was typed is found again when the field is opened the next time.
        if (e.key === 'Escape') props.onClose();
        if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) save();
      }}
      sx={{
        border: 1,
        borderColor: 'success.main',
        bgcolor: 'background.paper',
        p: 2,
        scrollMarginTop: 72,
      }}
    >
      {isOutdated && (
        <Box role="alert" sx={{ borderLeft: 3, borderColor: 'warning.main', pl: 1.5, mb: 1.5 }}>
          <strong>This field was changed after you had typed this.</strong> It reads now:
          <Box
            sx={{ fontFamily: serif, my: 0.5, maxHeight: 160, overflowY: 'auto' }}
            dangerouslySetInnerHTML={{ __html: props.field.html }}
          />
          <Button size="small" onClick={() => keep(text)}>
            Go on with what I typed
          </Button>
          <Button size="small" onClick={leave}>
            Take what stands now
          </Button>
        </Box>
      )}
      {isRich ? (
        <RichText html={text} onChange={change} />
      ) : (
        <Box
          component="textarea"
          autoFocus
          aria-label={props.field.label}
          value={text}
          rows={props.field.most > 130 ? 4 : 2}
          onChange={(e: React.ChangeEvent<HTMLTextAreaElement>) => change(e.target.value)}
          sx={{
            width: '100%',
            font: 'inherit',
            fontFamily: serif,
            fontSize: 18,
            lineHeight: 1.5,
            color: 'inherit',
            bgcolor: 'transparent',
            border: 0,
            outline: 0,
            resize: 'vertical',
          }}
        />
      )}
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', mt: 1 }}>
        <Button
          variant="contained"
          size="small"
          disabled={isBusy || isOutdated}
          onClick={save}
          sx={{ flexShrink: 0 }}
        >
          Keep the change
        </Button>
        <Button size="small" onClick={leave} sx={{ flexShrink: 0 }}>
          Leave it as it was
        </Button>
        <Box
          sx={{
            color: !isRich && text.length > props.field.most ? 'error.main' : 'text.secondary',
          }}
        >
          {isRich
            ? 'Ctrl+Enter keeps; Esc closes, and what you typed stays for later'
            : `${text.length} of ${props.field.most} characters`}
        </Box>
      </Box>
    </Box>
  );
}

function RichText({ html, onChange }: { html: string; onChange: (html: string) => void }) {
  const editor = useEditor({
    extensions: [StarterKit.configure({ heading: { levels: [3] }, codeBlock: false, code: false })],
    content: html,
    injectCSS: false,
    // Most begin by adding to the first paragraph; where nothing is told yet, there is one to begin.
    onCreate: ({ editor: e }) => {
      const first = e.state.doc.firstChild;
      if (first?.type.name === 'paragraph') {
        e.commands.focus(first.nodeSize - 1);
      } else {
        e.chain()
          .insertContentAt(0, { type: 'paragraph' })
          .setMeta('preventUpdate', true)
          .focus(1)
          .run();
      }
    },
    editorProps: { attributes: { 'aria-label': 'Description', role: 'textbox' } },
    onUpdate: ({ editor: e }) => onChange(e.getHTML()),
  });
  const tools = [
    { label: 'Paragraph', run: () => editor?.chain().focus().setParagraph().run() },
    { label: 'Sub-heading', run: () => editor?.chain().focus().toggleHeading({ level: 3 }).run() },
    { label: 'List', run: () => editor?.chain().focus().toggleBulletList().run() },
    { label: 'Undo typing', run: () => editor?.chain().focus().undo().run() },
  ];
  return (
    <Box
      sx={{
        '& .ProseMirror': {
          fontFamily: serif,
          fontSize: 18,
          lineHeight: 1.6,
          outline: 0,
          maxHeight: '50vh',
          overflowY: 'auto',
          whiteSpace: 'pre-wrap',
        },
        '& .ProseMirror p': { my: 1 },
        '& .ProseMirror h3': { fontSize: 18, my: 1 },
        '& .ProseMirror li p': { m: 0 },
      }}
    >
      <Box sx={{ borderBottom: 1, borderColor: 'divider', mb: 1 }}>
        {tools.map((t) => (
          <Button key={t.label} size="small" onClick={t.run}>
            {t.label}
          </Button>
        ))}
      </Box>
      <EditorContent editor={editor} />
    </Box>
  );
}
