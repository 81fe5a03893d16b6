import { expect, test } from '@jest/globals';
import { layoutOfPage } from '../../testing/page-layout.ts';
import { listMarksNeeded } from './marks-needed.ts';

const HTML = `<!doctype html><html><body><main>
<section id="s1"><h2>1</h2><p>a</p></section><section id="s2"><h2>2</h2><p class="x">b</p></section><section id="s3"><h2>3</h2></section>
</main></body></html>`;
const SELECTORS = [
  '#s2',
  'main > section:nth-of-type(2)',
  'main > section:nth-of-type(2) > h2',
  'main > section:nth-of-type(3) > h2',
  'section > p.x',
  '#s1 > h2',
];
const ask = (stage: string) =>
  listMarksNeeded(layoutOfPage(HTML, SELECTORS), {
    wraps: [{ id: 'p', selector: stage, className: 'lv-hold-x', anchors: [] }],
    ...{ attributes: [], splits: [], selectors: SELECTORS, missed: [], gained: [] },
  });

test('what counts children through the stage, or behind it, has to be marked; what stands in it, or names it, has not', () => {
  const needed = SELECTORS.slice(1, 4);
  expect(ask('#s2')).toEqual(needed);
  expect(ask('main > section:nth-of-type(2)')).toEqual(needed);
});

test('a stage that has its track already moves nothing; what is marked stays marked', () => {
  const html = HTML.replace('<section id="s2">', '<div class="lv-hold-x"><section id="s2">').replace(
    '</section><section id="s3">',
    '</section></div><section id="s3">',
  );
  const layout = { ...layoutOfPage(html, ['#s2', '#s1 > h2']), marked: ['#s1 > h2'] };
  const wraps = [{ id: 'p', selector: '#s2', className: 'lv-hold-x', anchors: [] }];
  const patch = { wraps, attributes: [], splits: [], selectors: ['#s2', '#s1 > h2'], missed: [], gained: [] };
  expect(listMarksNeeded(layout, patch)).toEqual(['#s1 > h2']);
});
