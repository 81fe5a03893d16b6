import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { makeSectionsPage, SECTIONS } from './sections.ts';

describe('a page from sections', () => {
  const ids = SECTIONS.map((s) => s.id);
  test('has those that were chosen, in the order of the list, each with its style', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(ids), (chosen) => {
        const html = makeSectionsPage(chosen);
        const places = SECTIONS.filter((s) => chosen.includes(s.id)).map((s) => html.indexOf(s.html));
        expect(places.every((p) => p > 0)).toBe(true);
        expect(places).toEqual([...places].sort((a, b) => a - b));
        for (const s of SECTIONS) expect(html.includes(s.css)).toBe(chosen.includes(s.id));
      }),
    );
  });
  test('needs no file, runs nothing, and moves nothing by itself', () => {
    const html = makeSectionsPage(ids);
    expect(html).not.toMatch(/<script|src=|url\(|@import|animation|transition|http/);
    expect(html.match(/<h1/g)).toHaveLength(1);
    expect(html).toContain('<html lang="en">');
  });
});
