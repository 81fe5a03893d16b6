/** Pages that are too much: while they are added, everybody else is answered, and the limit that was met is named. */
import { once } from 'node:events';
import { Worker } from 'node:worker_threads';
import { expect, test } from '@playwright/test';
import { base, newProject, zipOf } from '../support/app.ts';

const wrap = (body: string, css = '') =>
  `<!doctype html><html><head><title>Heavy</title><style>${css}</style></head><body>${body}</body></html>`;
const many = (n: number, make: (i: number) => string) =>
  Array.from({ length: n }, (_, i) => make(i)).join('');
const MOVES =
  '@keyframes rise{from{opacity:0}to{opacity:1}}.card{animation:rise linear both;animation-timeline:view()}';

const PAGES: Record<string, () => string> = {
  'a template of 760 kB': () =>
    wrap(
      many(
        6000,
        (i) => `<div class="card c${i}"><p>Words of number ${i}, some of them, as pages have.</p></div>`,
      ),
      MOVES + many(400, (i) => `.c${i} > p:first-child{color:#${String(100 + i)}}`),
    ),
  '18 MB of text': () =>
    wrap(
      many(190_000, (i) => `<p>Line ${i} of a very long page that nobody would read to its end, really.</p>`),
      MOVES,
    ),
  '100,000 nested elements': () => wrap('<div>'.repeat(100_000) + 'deep' + '</div>'.repeat(100_000), MOVES),
  '60,000 selectors in a rule': () =>
    wrap(
      many(2000, (i) => `<i class="card a${i}">x</i>`),
      `${MOVES}${many(60_000, (i) => `.a${i}${i < 59_999 ? ',' : ''}`)}{color:red}`,
    ),
  ':nth-child(of) on 20,000 siblings': () =>
    wrap(
      many(20_000, (i) => `<b class="card${i % 2 ? ' odd' : ''}">x</b>`),
      `${MOVES}.card:nth-child(3n of .odd){animation-range:entry 0% cover 50%}`,
    ),
  '100,000 keyframes': () =>
    wrap(
      '<p class="card big">x</p>',
      `${MOVES}@keyframes big{${many(100_000, (i) => `${(i / 1000).toFixed(3)}%{opacity:${i % 2}}`)}}.big{animation:big linear both;animation-timeline:view()}`,
    ),
  '400 media queries over 2,000 elements': () =>
    wrap(
      many(2000, (i) => `<p class="card m${i % 400}">x</p>`),
      MOVES +
        many(
          400,
          (i) => `@media (min-width:${300 + i}px){.m${i}{animation-range:entry ${i % 90}% cover 50%}}`,
        ),
    ),
};

/** Asks from a thread of its own, which sending the page does not hold up. Returns what ends it and tells the slowest answer in ms. */
async function askForHealth(): Promise<() => Promise<number>> {
  const thread = new Worker(
    `const { parentPort, workerData } = require('node:worker_threads');
    let [slowest, over] = [0, false];
    parentPort.once('message', () => (over = true));
    (async () => {
      // The first one also loads what asks.
      await fetch(workerData);
      parentPort.postMessage('ready');
      while (!over) {
        const at = performance.now();
        const answered = await fetch(workerData).then((r) => r.arrayBuffer(), () => null);
        slowest = answered ? Math.max(slowest, performance.now() - at) : Infinity;
        await new Promise((r) => setTimeout(r, 20));
      }
      parentPort.postMessage(slowest);
    })();`,
    { eval: true, workerData: `${base}/api/health` },
  );
  await once(thread, 'message');
  return async () => {
    thread.postMessage('over');
    const [slowest] = (await once(thread, 'message')) as [number];
    await thread.terminate();
    return slowest;
  };
}

/** Their proofs take all the time that a proof may take. */
const LONG = [':nth-child(of) on 20,000 siblings', '400 media queries over 2,000 elements'];
const all = Boolean(process.env.LYVEK_FULL) || Number(process.env.LYVEK_FUZZ) > 1000;

test('a heavy page keeps nobody waiting, and is added or refused with the limit that it met', async ({
  request,
}) => {
  test.setTimeout(900_000);
  const project = await newProject(request, 'Heavy');
  const rows: string[] = [];
  let worst = 0;
  for (const [name, page] of Object.entries(PAGES).filter(([n]) => all || !LONG.includes(n))) {
    const body = zipOf({ 'index.html': page() });
    const asking = await askForHealth();
    const from = Date.now();
    const response = await request.post(`${base}/api/projects/${project}/pages`, {
      data: body,
      headers: { 'content-type': 'application/zip' },
      timeout: 240_000,
    });
    const slowest = await asking();
    const text = await response.text();
    rows.push(
      `${name}: ${response.status()} after ${((Date.now() - from) / 1000).toFixed(1)} s, slowest health answer ${Math.round(slowest)} ms${/limit":"([^"]*)/.exec(text) ? `, ${/limit":"([^"]*)/.exec(text)![1]}` : ''}`,
    );
    worst = Math.max(worst, slowest);
    expect([201, 413, 422], text.slice(0, 300)).toContain(response.status());
    if (response.status() === 201) {
      const { id } = JSON.parse(text) as { id: string };
      const read = await request.get(`${base}/api/pages/${id}/reading`, { timeout: 60_000 });
      expect(read.status(), await read.text()).toBe(200);
    }
  }
  console.log(rows.join('\n'));
  // Far above what an idle machine needs, far below any of these pages' own time.
  expect(worst).toBeLessThan(2000);
});
