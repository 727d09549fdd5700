import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { EditorContent, useEditor } from '@tiptap/react';
import StarterKit from '@tiptap/starter-kit';
import { useEffect, useRef, useState } from 'react';
import { api, take, type Schema } from '../api/client';
import { useDraft } from '../frame/drafts';
import { serif } from '../theme';
import { MarkWords } from './MarkWords';
import { FRESH_MARKS, TypedMarks, type TypedMark } from './typedMarks';

interface Props {
  product: number;
  field: Schema['FieldView'];
  /** The revision that counts now. */
  revision: number;
  /** Keeps the words; whether they were kept. */
  onSave: (text: string) => Promise<boolean>;
  onClose: () => void;
}

/** So long after the last key it is looked at, in milliseconds. */
const PAUSE = 500;

/**
 * What the checks say of a field as it is typed: asked for whenever the typing pauses; what was
 * asked before is forgotten. Nothing where the connection is lost: what is typed matters more.
 */
function useMarks(product: number, code: string, text: string, typed: boolean) {
  const [looked, setLooked] = useState<{ text: string; marks: TypedMark[] } | null>(null);
  useEffect(() => {
    if (!typed) return;
    const abort = new AbortController();
    const timer = setTimeout(() => {
      take(
        api.POST('/api/proofs/{id}/fields/{field}/marks', {
          params: { path: { id: product, field: code } },
          body: { text },
          signal: abort.signal,
        }),
      )
        .then((marks) => setLooked({ text, marks }))
        .catch(() => {});
    }, PAUSE);
    return () => {
      clearTimeout(timer);
      abort.abort();
    };
  }, [product, code, text, typed]);
  return looked;
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
  const looked = useMarks(props.product, props.field.code, text, text !== props.field.html);
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
        <RichText html={text} marks={looked?.marks} onChange={change} />
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
      {looked && <WhileTyping marks={looked.marks} isOld={looked.text !== text} />}
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

/** What the checks say of what is typed, in a few lines below it. */
function WhileTyping({ marks, isOld }: { marks: TypedMark[]; isOld: boolean }) {
  return (
    <Box
      role="status"
      data-testid="while-typing"
      sx={{ mt: 1, fontSize: 13, maxHeight: 150, overflowY: 'auto', opacity: isOld ? 0.6 : 1 }}
    >
      {marks.length === 0
        ? 'Nothing to fix or to weigh in it.'
        : marks.map(({ mark }, i) => (
            <MarkWords key={`${mark.check} ${mark.words} ${i}`} mark={mark} />
          ))}
    </Box>
  );
}

interface RichTextProps {
  html: string;
  marks: TypedMark[] | undefined;
  onChange: (html: string) => void;
}

function RichText({ html, marks, onChange }: RichTextProps) {
  const editor = useEditor({
    extensions: [
      StarterKit.configure({ heading: { levels: [3] }, codeBlock: false, code: false }),
      TypedMarks,
    ],
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
  useEffect(() => {
    if (!editor || !marks) return;
    editor.view.dispatch(editor.state.tr.setMeta(FRESH_MARKS, marks));
  }, [editor, marks]);
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
        '& .to-fix': { borderBottom: '2px solid', borderColor: 'error.main' },
        '& .to-weigh': { borderBottom: '2px dotted', borderColor: 'warning.main' },
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
