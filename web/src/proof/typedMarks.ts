import { Extension } from '@tiptap/react';
import type { Node } from '@tiptap/pm/model';
import { Plugin, PluginKey } from '@tiptap/pm/state';
import { Decoration, DecorationSet } from '@tiptap/pm/view';
import type { Schema } from '../api/client';

export type TypedMark = Schema['TypedMark'];

/** A stretch of a text with what is said of it. */
export interface Stretch {
  from: number;
  to: number;
  mark: TypedMark;
}

/**
 * Where marks stand in paragraphs of text: the marked words within their sentence, else all of it.
 * What was typed over meanwhile is nowhere.
 *
 * @param paragraphs each with the place of its first character
 */
export function stretches(
  paragraphs: { at: number; text: string }[],
  marks: TypedMark[],
): Stretch[] {
  return marks.flatMap((mark) => {
    if (!mark.sentence) return [];
    for (const { at, text } of paragraphs) {
      const sentence = text.indexOf(mark.sentence);
      if (sentence < 0) continue;
      const words = mark.mark.words;
      const inside = words ? mark.sentence.indexOf(words) : 0;
      const from = at + sentence + Math.max(inside, 0);
      const isWhole = !words || inside < 0;
      return [{ from, to: from + (isWhole ? mark.sentence : words).length, mark }];
    }
    return [];
  });
}

const key = new PluginKey<DecorationSet>('typedMarks');

function paragraphsOf(doc: Node) {
  const paragraphs: { at: number; text: string }[] = [];
  doc.descendants((node, pos) => {
    if (!node.isTextblock) return true;
    const text = node.textBetween(0, node.content.size, '\n', '\n');
    paragraphs.push({ at: pos + 1, text });
    return false;
  });
  return paragraphs;
}

/** Underlines what is marked; the underlines move along with what is typed. */
export const TypedMarks = Extension.create({
  name: 'typedMarks',
  addProseMirrorPlugins() {
    return [
      new Plugin<DecorationSet>({
        key,
        state: {
          init: () => DecorationSet.empty,
          apply: (tr, shown) => {
            const marks = tr.getMeta(key) as TypedMark[] | undefined;
            if (!marks) return shown.map(tr.mapping, tr.doc);
            return DecorationSet.create(
              tr.doc,
              stretches(paragraphsOf(tr.doc), marks).map((s) =>
                Decoration.inline(s.from, s.to, {
                  class: s.mark.mark.weight === 'MUST_FIX' ? 'to-fix' : 'to-weigh',
                  title: s.mark.mark.why,
                }),
              ),
            );
          },
        },
        props: { decorations: (state) => key.getState(state) },
      }),
    ];
  },
});

/** The key under which a transaction brings fresh marks. */
export const FRESH_MARKS = key;
