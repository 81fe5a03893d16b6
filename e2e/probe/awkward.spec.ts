/** Where core places a motion over an element, against the browser’s own view timeline of it, on pages laid out in every way there is. */
import { expect, test } from '@playwright/test';
import { compileTimeline, isEstimated, LayoutSchema, present } from '@lyvek/core';
import type { CompiledTimeline, Layout } from '@lyvek/core';
import { makeDocument, motion } from '@lyvek/core/testing';
import { elapse } from '../support/time.ts';
import { oracleScript } from '../support/runtime.ts';

interface Awkward {
  name: string;
  html: string;
  css?: string;
  /** besides all that have an id beginning with `e` */
  root?: string;
}

const card = (id: string, more = '') => `<div id="${id}" class="card" style="${more}">${id}</div>`;

const PAGES: readonly Awkward[] = [
  {
    name: 'zoom, of the page and of parts',
    html: `<div style="zoom: 1.5">${card('e1')}<div style="zoom: 0.5">${card('e2')}</div><div style="transform: scale(.8)">${card('e3')}</div></div><section style="height: 1500px"><div style="position: sticky; top: 20px; zoom: 2">${card('e4', 'width: 50px')}</div></section>`,
  },
  {
    name: 'a zoomed page',
    root: 'zoom: 1.25',
    html: `${card('e1')}<div style="rotate: 3deg">${card('e2')}</div>`,
  },
  {
    name: 'a scroller that is zoomed',
    html: `<div style="zoom: 1.4; height: 300px; overflow: auto; border: 5px solid"><p style="height: 400px">a</p>${card('e1')}<p style="height: 400px">a</p></div>`,
  },
  {
    name: 'vertical writing, from the right',
    html: `<div style="writing-mode: vertical-rl; height: 500px">${card('e1')}<p id="e2">words</p></div>`,
  },
  {
    name: 'vertical writing, from the left, in a scroller',
    html: `<div style="writing-mode: vertical-lr; height: 400px; width: 500px; overflow: auto"><p style="width: 700px">a</p>${card('e1')}<p style="width: 700px">a</p></div>`,
  },
  {
    name: 'vertical writing in a scroller, from the right',
    html: `<div style="writing-mode: vertical-rl; height: 400px; width: 500px; overflow: auto"><p style="width: 700px">a</p>${card('e1')}<p style="width: 700px">a</p></div>`,
  },
  {
    name: 'right to left',
    root: 'direction: rtl',
    html: `${card('e1')}<div style="overflow-x: auto; width: 400px"><div style="width: 1200px; display: flex">${card('e2', 'flex: none')}${card('e3', 'flex: none; margin: 0 500px')}</div></div>`,
  },
  {
    name: 'display: contents',
    html: `<div style="display: contents"><div style="display: contents">${card('e1')}</div></div><ul style="display: grid; grid: auto / 1fr 1fr"><li style="display: contents">${card('e2')}${card('e3')}</li></ul><section style="position: relative; display: contents">${card('e4', 'position: absolute; top: 900px')}</section>`,
  },
  {
    name: 'tables',
    html: `<table style="border-spacing: 7px; width: 600px"><caption id="e1">Boats</caption><thead id="e2"><tr id="e3" style="position: sticky; top: 0"><th id="e4">a<th>b</tr></thead><tbody>${'<tr><td>1<td>2</tr>'.repeat(40)}<tr id="e5"><td id="e6" rowspan="2" style="height: 90px">x<td>y</tr><tr><td id="e7">z</tr></tbody></table>`,
  },
  {
    name: 'columns',
    html: `<div style="columns: 3; height: 260px; width: 900px"><p>${'words '.repeat(60)}</p>${card('e1')}<p id="e2">${'words '.repeat(90)}</p>${card('e3')}</div>`,
  },
  {
    name: 'anchors',
    html: `<div id="e1" style="anchor-name: --boat; width: 200px; margin: 500px 0 0 300px">boat</div>${card('e2', 'position: absolute; position-anchor: --boat; top: anchor(bottom); left: anchor(right)')}${card('e3', 'position: absolute; position-anchor: --boat; position-area: top left')}`,
  },
  {
    name: 'sticky below a transform',
    html: `<div style="translate: 0 40px; scale: 0.9"><div style="height: 1800px"><div id="e1" class="card" style="position: sticky; top: 30px">stays</div></div></div><div style="height: 1600px; rotate: 2deg"><div style="position: sticky; bottom: 10px">${card('e2')}</div></div>`,
  },
  {
    name: 'transforms below a sticky one',
    html: `<div style="height: 2000px"><div style="position: sticky; top: 0; height: 400px"><div style="translate: 30px 60px; scale: 1.2">${card('e1')}<div style="rotate: 10deg">${card('e2')}</div></div></div></div>`,
  },
  {
    name: 'sticky in sticky',
    html: `<div style="height: 2400px"><div style="position: sticky; top: 50px; height: 1200px"><div id="e1" class="card" style="position: sticky; top: 100px">inner</div></div></div>`,
  },
  {
    name: 'scroll padding, for automatic insets',
    root: 'scroll-padding: 80px 10% 40px 5%',
    html: `${card('e1')}<div style="overflow-x: auto; width: 600px; scroll-padding: 0 90px"><div style="display: flex; width: 2000px">${card('e2', 'flex: none; margin-left: 700px')}</div></div>`,
  },
  {
    name: 'absolute and fixed, in odd holders',
    html: `<div style="position: relative; height: 900px">${card('e1', 'position: absolute; bottom: 40px; right: 30px')}<div style="overflow: auto; height: 200px"><div style="height: 900px">${card('e2', 'position: absolute; top: 1200px')}</div></div></div><div style="filter: blur(0)">${card('e3', 'position: fixed; top: 300px')}</div>`,
  },
  {
    name: 'what is drawn when it is near',
    html: `<div style="content-visibility: auto; contain-intrinsic-size: auto 300px">${card('e1')}</div><p style="height: 2500px">a</p><div style="content-visibility: auto; contain-intrinsic-size: auto 500px">${card('e2')}${card('e3')}</div>`,
  },
  {
    name: 'lists, floats, grids and words in lines',
    html: `<ol style="columns: auto"><li id="e1">one</li></ol><div id="e2" style="float: right; width: 200px; height: 300px">f</div><p>${'words '.repeat(40)}<b id="e3">bold and long enough to break over the end of its line, because of all these words</b></p><div style="display: grid; grid: 100px 200px / 1fr 2fr; gap: 20px; align-items: end">${card('e4')}${card('e5', 'height: auto; align-self: stretch')}</div><fieldset id="e6"><legend id="e7">Legend</legend>x</fieldset>`,
  },
  {
    name: 'drawings',
    html: `<svg width="500" height="300" viewBox="0 0 250 150" style="zoom: 1.2"><g id="e1"><rect id="e2" x="10" y="20" width="90" height="50"/></g><foreignObject x="100" y="20" width="100" height="90"><p id="e3">words</p></foreignObject></svg>`,
  },
];

const AXES = ['block', 'inline'] as const;

/** What the browser says of the view progress of an element along both axes; null where it has none. */
const readTimelines = (ids: readonly string[]) =>
  ids.map((id) =>
    (['block', 'inline'] as const).map((axis) => {
      type Timeline = { startOffset: { value: number } | null; endOffset: { value: number } | null };
      const Make = (globalThis as unknown as { ViewTimeline: new (o: object) => Timeline }).ViewTimeline;
      const t = new Make({ subject: document.getElementById(id)!, axis });
      return t.startOffset && t.endOffset ? [t.startOffset.value, t.endOffset.value] : null;
    }),
  );

function placedOf(timeline: CompiledTimeline, name: string): [number, number] | null {
  const found = timeline.instances.find((i) => i.motion.id === name);
  return found ? [found.placed.start, found.placed.end] : null;
}

for (const { name, html, css = '', root = '' } of PAGES)
  test(name, async ({ page }) => {
    await page.setViewportSize({ width: 1000, height: 800 });
    await page.setContent(
      `<!doctype html><html lang="en"><head><style>html { ${root} } body { margin: 0 } .card { width: 150px; height: 120px; padding: 4px; background: #cde } ${css}</style></head><body><div style="height: 1000px"></div>${html}<div style="height: 1500px"></div></body></html>`,
    );
    await page.evaluate(await oracleScript());
    const ids = [...html.matchAll(/id="(e\d)"/g)].map((m) => present(m[1]));
    const shown = await page.evaluate(readTimelines, ids);
    const motions = ids.flatMap((id) =>
      AXES.map((axis) =>
        motion({
          id: `m_${id}_${axis}`,
          targets: { selector: `#${id}` },
          driver: { kind: 'view', subject: 'self', axis, insets: ['auto', 'auto'] },
          range: { start: 'cover 0%', end: 'cover 100%' },
        }),
      ),
    );
    const layout: Layout = LayoutSchema.parse(
      await page.evaluate(`oracle.measure(${JSON.stringify(ids.map((id) => `#${id}`))})`),
    );
    const timeline = compileTimeline(makeDocument(...motions), layout);
    const wrong: string[] = [];
    ids.forEach((id, i) =>
      AXES.forEach((axis, k) => {
        const browser = shown[i]?.[k];
        const core = placedOf(timeline, `m_${id}_${axis}`);
        const { estimated } = present(layout.elements[layout.matches[`#${id}`]?.[0] ?? -1]);
        const far = browser && core ? Math.max(...browser.map((v, n) => Math.abs(v - present(core[n])))) : 0;
        if ((!browser !== !core || far > 0.05) && !estimated)
          wrong.push(`${id} ${axis}: ${browser?.join(' to ')}, core ${core?.join(' to ')}`);
      }),
    );
    expect(shown.flat().filter((s) => s !== null).length).toBeGreaterThan(0);
    expect(wrong).toEqual([]);
  });

test('what was not laid out is estimated, and what stands below it', async ({ page }) => {
  await page.setViewportSize({ width: 1000, height: 800 });
  await page.setContent(
    `<!doctype html><html lang="en"><head><style>body { margin: 0 } .late { content-visibility: auto; contain-intrinsic-size: auto 400px } .card { height: 200px }</style></head><body>
    <div id="above" class="card">a</div><div style="height: 3000px">b</div><div class="late" id="late"><div id="inside" class="card">c</div></div>
    <details><summary id="title">More</summary><div id="closed" class="card">d</div></details><div id="below" class="card">e</div>
    <div hidden><div id="gone" class="card">f</div></div><div style="visibility: hidden"><div id="unseen" class="card">g</div></div></body></html>`,
  );
  await page.evaluate(await oracleScript());
  const ids = ['above', 'late', 'inside', 'title', 'closed', 'below', 'unseen', 'gone'];
  const measureAgain = async () =>
    LayoutSchema.parse(await page.evaluate(`oracle.measure(${JSON.stringify(ids.map((id) => `#${id}`))})`));
  const estimated = (layout: Layout) =>
    ids.filter((id) => isEstimated(layout, layout.matches[`#${id}`]?.[0] ?? -1));
  const first = await measureAgain();
  expect(estimated(first)).toEqual(['inside', 'title', 'closed', 'below', 'unseen']);
  expect(first.notes.join()).toContain('places are estimated');
  // Seen once, and opened, they have their places.
  await page.evaluate(() => {
    document.querySelector('details')!.open = true;
    document.querySelector('#closed')!.scrollIntoView();
  });
  await elapse(page, 300);
  const opened = await measureAgain();
  expect(estimated(opened)).toEqual([]);
  expect(opened.notes.join()).not.toContain('estimated');
});
