/** Pages that take more than they may, from their first byte on, in trials and in proofs; and several who ask at once. */
import { itemAt, present } from '@lyvek/core';
import { readdirSync, readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import type { APIRequestContext } from '@playwright/test';
import { base, html, openNew, serverPid } from '../support/app.ts';
import { askTrial, endedTrial, VIEWPORT } from '../support/lab.ts';

const health = async (request: APIRequestContext) => (await request.get(`${base}/api/health`)).status();
const takeOf = async (request: APIRequestContext, page: string): Promise<string> =>
  itemAt(
    ((await (await request.get(`${base}/api/pages/${page}`)).json()) as { takes: { id: string }[] }).takes,
    0,
  ).id;

/** Resident memory of the browsers that the server has started, MB, and how many browsers there are. */
function labBrowsers(): { megabytes: number; browsers: number } {
  let pages = 0;
  let browsers = 0;
  for (const pid of readdirSync('/proc').filter((p) => /^\d+$/.test(p)))
    try {
      const line = readFileSync(`/proc/${pid}/cmdline`, 'utf8');
      if (!line.includes('--lyvek-run') && !isBelow(Number(pid), serverPid())) continue;
      if (line.includes('--lyvek-run')) browsers++;
      const [, resident = 0, shared = 0] = readFileSync(`/proc/${pid}/statm`, 'utf8').split(' ').map(Number);
      if (line.includes('chrom')) pages += resident - shared;
    } catch {
      // It ended while we looked.
    }
  return { megabytes: (pages * 4096) / 1e6, browsers };
}
function isBelow(pid: number, root: number): boolean {
  for (let p = pid; p > 1;) {
    if (p === root) return true;
    p = Number(/^PPid:\s+(\d+)$/m.exec(readFileSync(`/proc/${p}/status`, 'utf8'))?.[1] ?? 0);
  }
  return false;
}

test('marks that a page sets in the lab’s name, at places that cannot be, end nothing', async ({
  page,
  request,
}) => {
  test.slow();
  const forging = html(
    `<h1>Marks</h1><div style="height:4000px"></div><script>
      const forge = () => { for (const y of ['10000000000', '-1e300', 'NaN', '1e308']) performance.mark('lyvek-frame ' + y); requestAnimationFrame(forge); };
      forge();
    </script>`,
  );
  const id = await openNew(page, request, 'Marks', forging);
  const before = serverPid();
  const trial = await endedTrial(request, await askTrial(request, await takeOf(request, id)));
  expect([trial.state, trial.why]).toEqual(['done', null]);
  expect(Math.max(...present(trial.result).frames.y)).toBeLessThan(30_000);
  expect(await health(request)).toBe(200);
  expect(serverPid()).toBe(before);
});

test('a page that takes all memory while it loads is ended in a trial and in a proof, with a sentence', async ({
  page,
  request,
}) => {
  // Greedy only where it is not framed: the preview is not what is tried here.
  const greedy = html(
    `<h1>Greedy</h1><div style="height:4000px"></div><script>
      if (top === self) { window.all = []; for (;;) { const c = new OffscreenCanvas(4096, 4096); c.getContext('2d').fillRect(0, 0, 4096, 4096); all.push(c, new Uint8Array(3e7).fill(1)); } }
    </script>`,
  );
  const id = await openNew(page, request, 'Greedy', greedy);
  let worst = 0;
  const looking = setInterval(() => (worst = Math.max(worst, labBrowsers().megabytes)), 150);
  const take = await takeOf(request, id);
  const trial = await endedTrial(request, await askTrial(request, take), 120_000);
  expect(trial.state).toBe('failed');
  expect(trial.why).toMatch(/MB of memory; it was ended|crashed/);
  const size = `width=${VIEWPORT.width}&height=${VIEWPORT.height}`;
  const proof = await request.post(`${base}/api/takes/${take}/proofs/lab?${size}`, { timeout: 120_000 });
  expect(proof.status()).toBe(504);
  expect(((await proof.json()) as { detail: string }).detail).toMatch(/MB of memory; it was ended|crashed/);
  clearInterval(looking);
  console.log(`a greedy page in the lab: at most ${Math.round(worst)} MB`);
  expect(worst).toBeGreaterThan(200);
  expect(worst).toBeLessThan(3500);
  await expect.poll(() => labBrowsers().browsers, { timeout: 20_000 }).toBe(0);
});

test('six proofs at once use one browser after the other', async ({ page, request }) => {
  const plain = html('<h1>Plain</h1><div style="height:3000px"></div>');
  const id = await openNew(page, request, 'Six', plain);
  const take = await takeOf(request, id);
  const size = `width=${VIEWPORT.width}&height=${VIEWPORT.height}`;
  let most = 0;
  const looking = setInterval(() => (most = Math.max(most, labBrowsers().browsers)), 80);
  const all = await Promise.all(
    Array.from({ length: 6 }, () =>
      request.post(`${base}/api/takes/${take}/proofs/lab?${size}`, { timeout: 200_000 }),
    ),
  );
  clearInterval(looking);
  expect(all.map((r) => r.status())).toEqual([200, 200, 200, 200, 200, 200]);
  // A browser is more than one process with its mark; all of them belong to one run.
  expect(most).toBeGreaterThan(0);
  expect(most).toBeLessThanOrEqual(2);
});
