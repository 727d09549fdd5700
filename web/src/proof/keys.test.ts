import { describe, expect, it } from 'vitest';
import { asked, type May, type Mode } from './keys';

const EDITOR: May = { mode: 'read', mayWrite: true, maySign: true, canUndo: true, fields: 4 };
const MODES: Mode[] = ['read', 'edit', 'takes', 'rewrite', 'beside'];

describe('keys over a text', () => {
  it('sign it off and send it back only while it is what one reads', () => {
    for (const mode of MODES) {
      const signs = asked('s', { ...EDITOR, mode });
      const sends = asked('b', { ...EDITOR, mode });
      expect(signs, mode).toEqual(mode === 'read' ? { what: 'sign off' } : null);
      expect(sends, mode).toEqual(mode === 'read' ? { what: 'send back' } : null);
    }
  });

  it('lead to the comments while one reads, if one may say something', () => {
    expect(asked('c', EDITOR)).toEqual({ what: 'comment' });
    expect(asked('c', { ...EDITOR, mode: 'takes' })).toBeNull();
    expect(asked('c', { ...EDITOR, mayWrite: false })).toBeNull();
  });

  it('do nothing while it is changed by hand', () => {
    for (const key of ['j', 'k', 's', 'b', 'e', 't', 'r', 'o', 'z', '1', '?', 'Escape']) {
      expect(asked(key, { ...EDITOR, mode: 'edit' }), key).toBeNull();
    }
  });

  it('open what they name, and close it again', () => {
    expect(asked('t', EDITOR)).toEqual({ what: 'show', mode: 'takes' });
    expect(asked('t', { ...EDITOR, mode: 'takes' })).toEqual({ what: 'show', mode: 'read' });
    expect(asked('o', { ...EDITOR, mode: 'takes' })).toEqual({ what: 'show', mode: 'beside' });
    expect(asked('Escape', { ...EDITOR, mode: 'beside' })).toEqual({ what: 'show', mode: 'read' });
    expect(asked('Escape', EDITOR)).toBeNull();
  });

  it('offer readers nothing that changes a text', () => {
    const reader = { ...EDITOR, mayWrite: false, maySign: false };
    for (const key of ['s', 'b', 'e', 't', 'r', 'z']) expect(asked(key, reader), key).toBeNull();
    expect(asked('j', reader)).toEqual({ what: 'next' });
    expect(asked('o', reader)).toEqual({ what: 'show', mode: 'beside' });
  });

  it('choose only fields that have a tab', () => {
    expect(asked('1', EDITOR)).toEqual({ what: 'field', at: 0 });
    expect(asked('4', EDITOR)).toEqual({ what: 'field', at: 3 });
    expect(asked('5', EDITOR)).toBeNull();
    expect(asked('0', EDITOR)).toBeNull();
    expect(asked('z', { ...EDITOR, canUndo: false })).toBeNull();
  });
});
