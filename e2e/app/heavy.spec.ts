/** Pages that are too much: while they are added, everybody else is answered, and the limit that was met is named. */
import { present } from '@lyvek/core';
import { spawn } from 'node:child_process';
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

interface Asked {
  answers: number;
  /** ms */
  slowest: number;
}

/**
 * Asks for health, and a bare server beside it, from a thread that sending the page does not hold up. Returns what ends it and tells how
 * often each of them answered: on a busy machine both answer less often, and a server that stands still does alone.
 */
async function askForHealth(bare: string): Promise<() => Promise<{ health: Asked; bare: Asked }>> {
  const thread = new Worker(
    `const { parentPort, workerData } = require('node:worker_threads');
    const { setTimeout: pause } = require('node:timers/promises');
    let over = false;
    parentPort.once('message', () => (over = true));
    const ask = async (url) => {
      const asked = { answers: 0, slowest: 0 };
      while (!over) {
        const at = performance.now();
        const answered = await fetch(url).then((r) => r.arrayBuffer(), () => null);
        asked.slowest = answered ? Math.max(asked.slowest, performance.now() - at) : Infinity;
        if (answered) asked.answers++;
        await pause(20);
      }
      return asked;
    };
    (async () => {
      // The first one also loads what asks.
      for (const url of workerData) await fetch(url).then((r) => r.arrayBuffer());
      parentPort.postMessage('ready');
      const [health, bare] = await Promise.all(workerData.map(ask));
      parentPort.postMessage({ health, bare });
    })();`,
    { eval: true, workerData: [`${base}/api/health`, bare] },
  );
  await once(thread, 'message');
  return async () => {
    thread.postMessage('over');
    const [asked] = (await once(thread, 'message')) as [{ health: Asked; bare: Asked }];
    await thread.terminate();
    return asked;
  };
}

/** A server that does nothing else, in a process of its own. */
async function bareServer(): Promise<{ url: string; end(): void }> {
  const child = spawn(process.execPath, [
    '-e',
    "const s = require('node:http').createServer((q, r) => r.end('ok')).listen(0, '127.0.0.1', () => process.stdout.write(String(s.address().port)))",
  ]);
  const [port] = (await once(child.stdout, 'data')) as [Buffer];
  return { url: `http://127.0.0.1:${Number(port.toString())}/`, end: () => void child.kill() };
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
  let least = Infinity;
  const bare = await bareServer();
  for (const [name, page] of Object.entries(PAGES).filter(([n]) => all || !LONG.includes(n))) {
    const body = zipOf({ 'index.html': page() });
    const asking = await askForHealth(bare.url);
    const from = Date.now();
    const response = await request.post(`${base}/api/projects/${project}/pages`, {
      data: body,
      headers: { 'content-type': 'application/zip' },
      timeout: 240_000,
    });
    const { health, bare: beside } = await asking();
    const text = await response.text();
    rows.push(
      `${name}: ${response.status()} after ${((Date.now() - from) / 1000).toFixed(1)} s, ${health.answers} health answers, the slowest after ${Math.round(health.slowest)} ms (a bare server: ${beside.answers}, ${Math.round(beside.slowest)} ms)${/limit":"([^"]*)/.exec(text) ? `, ${present(/limit":"([^"]*)/.exec(text))[1]}` : ''}`,
    );
    // Far above what an idle machine needs, far below any of these pages' own time; more only where the bare server stood too.
    expect(health.slowest, name).toBeLessThan(Math.max(2000, 3 * beside.slowest));
    // Too few of them say nothing.
    if (beside.answers > 20) least = Math.min(least, health.answers / beside.answers);
    expect([201, 413, 422], text.slice(0, 300)).toContain(response.status());
    if (response.status() === 201) {
      const { id } = JSON.parse(text) as { id: string };
      const read = await request.get(`${base}/api/pages/${id}/import`, { timeout: 60_000 });
      expect(read.status(), await read.text()).toBe(200);
    }
  }
  bare.end();
  console.log(rows.join('\n'));
  // A server that stands still for most of the time answers a few times only.
  expect(least).toBeGreaterThan(0.25);
  expect(least).toBeLessThan(Infinity);
});
