/** A pin’s wrapper stands where its section stood, whatever grid, row or rule of the page is around it: in the page as it is handed off. */
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { LayoutSchema, emptyDocument, handOffCss, itemAt, makePatch, patchHtml } from '@lyvek/core';
import type { Layout, Pin } from '@lyvek/core';
import { filesInMemory, measurePages } from '@lyvek/server/lab';
import { oracleScript } from '../support/runtime.ts';

let script = '';
test.beforeAll(async () => {
  script = await oracleScript();
});

/** px that the pin holds */
const HELD = 700;
const PIN: Pin = {
  id: 'p_scene',
  name: 'Scene',
  on: true,
  stage: '#scene',
  sticky: { by: 'top', inset: '0px' },
  distance: { kind: 'length', value: `${HELD}px` },
  overlap: ['0px', '0px'],
  layer: null,
};

const scene = (attributes = '', inside = '') =>
  `<section id="scene" ${attributes}><h2 id="title">Scene</h2>${inside}</section>`;
const around = (tag: string, stage: string) =>
  `<${tag} id="main"><p id="before">Before</p>${stage}<p id="after">After</p><div id="last">Last</div></${tag}>`;
const PAGES: Record<string, [css: string, body: string]> = {
  'a grid that is left by what is wide': [
    '#main { display: grid; grid-template-columns: 1fr 400px 1fr } #main > * { grid-column: 2 } #main > .wide { grid-column: 1 / -1 }',
    around('main', scene('class="wide"')),
  ],
  'a grid from a width on, by an area, and by order': [
    '@media (width > 600px) { #main { display: grid; grid-template: "a b" auto "c c" auto "d d" auto / 1fr 2fr } #before { grid-area: a } #scene { grid-area: c } #after { grid-area: b } #last { grid-area: d; order: 3 } }',
    around('main', scene()),
  ],
  'a place by a style attribute and by a variable': [
    ':root { --side: 1 / 3 } #main { display: grid; grid-template-columns: 100px 200px 1fr } #main > * { grid-column: 3 } #after { grid-column: var(--side) }',
    around('main', scene('style="grid-column: 2 / -1; justify-self: end; width: 300px"')),
  ],
  'a column of a flexible box, with what is centred and what hides': [
    '#main { display: flex; flex-direction: column; align-items: flex-start; width: 800px } #scene { align-self: center; max-width: 500px; overflow: hidden } .strip { width: 2400px; height: 60px } #main > :not(p) { margin: 20px auto }',
    around('main', scene('', '<div class="strip" id="strip"></div>')),
  ],
  'equal columns with a strip that hides': [
    '#main { display: grid; grid-template-columns: 1fr 1fr } #scene { grid-column: 1 / -1; overflow: hidden } .strip { width: 2400px; height: 60px }',
    around('main', scene('', '<div class="strip" id="strip"></div>')),
  ],
  'what every child, every div and the first of its kind gets': [
    '* { margin: 0 } #main > * { padding: 14px 22px; font-size: 1.2em; border-left: 3px solid } div { background: #eee; min-height: 90px } #main > div:nth-of-type(1) { margin: 30px; color: red } #main > section + p { padding-top: 70px }',
    around('main', scene('', '<p id="inner">Inner</p>')),
  ],
  'sections that are counted': [
    'section { padding: 10px; color: navy } #main > section:nth-of-type(even) { padding: 50px 30px; color: teal } section:last-child { margin-bottom: 80px; color: red } section:first-child { border-top: 12px solid } section:nth-of-type(odd)::before { content: "§"; display: block; height: 40px }',
    `<main id="main"><p id="before">Before</p><section id="first">First</section>${scene()}<section id="after">After</section><section id="last">Last</section></main>`,
  ],
  'a first section that others follow': [
    'section:not(:first-of-type) { padding-top: 60px } section + section { margin-top: 90px } .gap > * + * { margin-top: 33px }',
    `<main id="main" class="gap">${scene()}<section id="after">After</section><section id="last">Last</section></main>`,
  ],
  'nested rules and layers': [
    '@layer base, looks; @layer base { #main { & > * { padding: 10px } > section { padding: 44px; @media (width > 300px) { margin-left: 60px } } } } @layer looks { div { outline: 4px solid; padding: 9px } }',
    around('main', scene()),
  ],
};

/** Boxes of all that has an id, as they lie with the page at its top. */
const boxes = (page: Page) =>
  page.evaluate(() => {
    scrollTo(0, 0);
    return Object.fromEntries(
      [...document.querySelectorAll('[id]')].map((e) => {
        const { x, y, width, height } = e.getBoundingClientRect();
        const { color, fontSize } = getComputedStyle(e);
        return [e.id, [x, y, width, height, color, fontSize]];
      }),
    );
  });

for (const [name, [css, body]] of Object.entries(PAGES))
  test(`${name}: pinned, it is placed as before, and for readers without the pin nothing has changed`, async ({
    page,
  }) => {
    await page.setViewportSize({ width: 1000, height: 600 });
    const html = `<!doctype html><html lang="en"><head><style>body{margin:0}#scene{min-height:300px;background:#dde}.tail{height:1600px}${css}</style></head><body>${body}<footer id="foot" class="tail"></footer></body></html>`;
    await page.setContent(html);
    const plain = await boxes(page);
    await page.emulateMedia({ media: 'print' });
    const printed = await boxes(page);
    await page.emulateMedia({ media: 'screen' });
    await page.evaluate(script);
    const document = { ...emptyDocument(), pins: [PIN] };
    await page.evaluate(`oracle.learn().then(() => oracle.patch(${JSON.stringify(makePatch(document))}))`);
    const layout = LayoutSchema.parse(await page.evaluate('oracle.measure(["#scene"])'));
    const out = patchHtml(html, makePatch(document, layout.kept)).html.replace(
      '</head>',
      () => `<style>${handOffCss(document, layout, 'Scene').css}</style></head>`,
    );
    expect(out).toContain('class="lv-hold-scene"');

    await page.setContent(out);
    const held = await boxes(page);
    for (const [id, [x, y, ...rest]] of Object.entries(plain)) {
      // What stands below is where it was, further down by what the pin holds; what holds it is longer.
      const isBelow =
        ['foot', 'after', 'last'].includes(id) && (y as number) > (plain['scene']?.[1] as number);
      const at = isBelow ? (y as number) + HELD : y;
      const size = id === 'main' ? [rest[0], (rest[1] as number) + HELD, ...rest.slice(2)] : rest;
      expect([id, ...(held[id] ?? [])]).toEqual([id, x, at, ...size]);
    }
    await page.emulateMedia({ media: 'print' });
    expect(await boxes(page)).toEqual(printed);
  });

test('the lab, too, measures a pinned section where the page places it', async () => {
  const [css, body] = itemAt(Object.values(PAGES), 0);
  const html = `<!doctype html><html lang="en"><head><style>body{margin:0}#scene{min-height:300px}${css}</style></head><body>${body}<footer style="height:1600px"></footer></body></html>`;
  const inPage = readFileSync(new URL('../../dist/in-page.js', import.meta.url), 'utf8');
  const layouts: Layout[] = [];
  await measurePages(
    {
      files: filesInMemory('index.html', new Map([['index.html', Buffer.from(html)]])),
      inPage,
      document: { ...emptyDocument(), pins: [PIN] },
    },
    () => (layouts.length < 2 ? { width: 1000 - 200 * layouts.length, height: 600 } : null),
    (layout) => layouts.push(layout),
  );
  const widths = layouts.map(({ elements }) => {
    const { x, width } = itemAt(
      elements.filter((e) => e.selector === '#scene'),
      0,
    ).box;
    return [x, width];
  });
  expect(widths).toEqual([
    [0, 1000],
    [0, 800],
  ]);
});
