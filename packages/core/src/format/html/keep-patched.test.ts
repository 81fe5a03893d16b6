import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { keepPatched } from '../index.ts';
import type { HtmlPatch } from '../index.ts';

const PAGE = `<!doctype html>
<html><head><title>x</title></head><body>
<main>
  <section id="a">A</section>
  <section id="b"  class='wide'>B</section>
  <p>end
</main></body></html>`;
const pin = (id: string): HtmlPatch['wraps'][number] => ({
  ...{ id, selector: `#${id}`, className: `lv-hold-${id}` },
  anchors: [{ id: `to-${id}`, className: `lv-cue-to-${id}` }],
});
const makePatch = (...ids: string[]): HtmlPatch => ({
  ...{ wraps: ids.map(pin), attributes: [], splits: [], missed: [], gained: [] },
  selectors: ids.length ? ['main > section'] : [],
});

describe('kept up to date', () => {
  const state = fc.subarray(['a', 'b']);
  test('whatever was pinned before, the source is what it would be from the start', () => {
    fc.assert(
      fc.property(fc.array(state, { minLength: 1, maxLength: 4 }), (states) => {
        let html = PAGE;
        for (const ids of states) html = keepPatched(html, makePatch(...ids)).html;
        const last = states[states.length - 1]!;
        expect(html).toBe(keepPatched(PAGE, makePatch(...last)).html);
        expect(keepPatched(html, makePatch()).html).toBe(PAGE);
        expect(keepPatched(html, makePatch(...last)).bare).toBe(PAGE);
      }),
    );
  });

  test('a track that the developer has put there, and indented, is left as it is', () => {
    const own = PAGE.replace(
      '<section id="a">A</section>',
      '<div class="lv-hold-a">\n    <i class="lv-cue-to-a" id="to-a"></i>\n    <section id="a" data-lv="section-xxxx">A</section>\n  </div>',
    );
    const once = keepPatched(PAGE, makePatch('a')).html;
    const mark = /data-lv="(.*?)"/.exec(once)![1]!;
    const marked = own
      .replace('section-xxxx', mark)
      .replace(`id="b"  class='wide'`, `id="b"  class='wide' data-lv="${mark}"`);
    expect(keepPatched(marked, makePatch('a')).html).toBe(marked);
  });

  test('without a prefix only tracks that are known go', () => {
    const html = '<div class="hold-mine"><p>x</p></div><div class="hold-a"><p id="a">y</p></div>';
    const gone = keepPatched(html, makePatch(), { prefix: '', earlier: ['hold-a'] }).html;
    expect(gone).toBe('<div class="hold-mine"><p>x</p></div><p id="a">y</p>');
  });
});
