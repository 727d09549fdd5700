/// <reference types="vite/client" />
import { describe, expect, it } from 'vitest';
import house from '../frame/House.tsx?raw';
import { chapterOf } from './chapters';

const pages = Object.keys(import.meta.glob('../../../docs/guide/*.md')).map((path) =>
  path.replace(/^.*\/|\.md$/g, ''),
);

describe('the page of the guide about a screen', () => {
  it('is there for each screen that the house has', () => {
    const screens = [...house.matchAll(/path="(\/[a-z][^"]*)"/g)].map((m) => m[1]!);
    expect(screens.length).toBeGreaterThan(20);
    for (const screen of screens.filter((s) => !s.startsWith('/guide'))) {
      const page = chapterOf(screen);
      expect(page, screen).toMatch(/^\/guide\/\d/);
      expect(pages, screen).toContain(page.slice('/guide/'.length));
    }
  });

  it('is the whole guide for what has none', () => {
    expect(chapterOf('/guide/3-writing')).toBe('/guide');
    expect(chapterOf('/')).toBe('/guide');
  });
});
