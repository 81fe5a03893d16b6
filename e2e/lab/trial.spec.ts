/** The lab: it measures where a page is dear, and hostile pages end with a clear failure and nothing else. */
import { readdirSync, readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import type { APIRequestContext, Page } from '@playwright/test';
import { emptyDocument, summarize, itemAt, present } from '@lyvek/core';
import type { MotionDocument, TrialResult } from '@lyvek/core';
import { base, html, openNew, stack } from '../support/app.ts';
import { askTrial, endedTrial, trialOf, trialSetup, VIEWPORT } from '../support/lab.ts';
import { FULL, sampled } from '../support/full.ts';
import { elapse } from '../support/time.ts';

// One trial after another: they share one browser machine.
test.describe.configure({ mode: 'serial' });

const filler = (n: number) => Array.from({ length: n }, (_, i) => `<p class="row">Row ${i + 1}</p>`).join('');
const ROWS = '.row{height:80px;margin:0}';

async function takeOf(request: APIRequestContext, page: string): Promise<string> {
  const whole = await (await request.get(`${base}/api/pages/${page}`)).json();
  return whole.takes[0].id as string;
}
async function added(request: APIRequestContext, page: Page, name: string, text: string) {
  const id = await openNew(page, request, `Lab ${name} ${Date.now()}`, text);
  return { id, take: await takeOf(request, id) };
}

/** A large blur and a layout property, both at a known place of a page that else costs little. */
const HOT = 4000;
function expensive(): { text: string; document: MotionDocument } {
  const before = HOT / 80;
  const text = html(
    `${filler(before)}<div id="fog"></div>${filler(60)}`,
    `${ROWS}#fog{width:900px;height:700px;background:conic-gradient(#a34,#38a,#ca3,#a34)}`,
  );
  const motion = (id: string, keyframes: object) => ({
    id,
    name: id,
    on: true,
    targets: { selector: '#fog' },
    driver: { kind: 'view', subject: 'self', axis: 'block', insets: ['0px', '0px'] },
    range: { start: 'cover 0%', end: 'cover 100%' },
    keyframes,
    easing: 'linear',
    fill: 'both',
    composite: 'replace',
    damping: { kind: 'none' },
    reducedMotion: 'drop',
  });
  const between = (from: string, to: string) => [
    { at: '0%', value: from },
    { at: '100%', value: to },
  ];
  const motions = [
    motion('m_blur', { filter: between('blur(40px)', 'blur(30px)') }),
    motion('m_margin', { 'margin-left': between('60px', '0px') }),
  ];
  return { text, document: { ...emptyDocument(), motions } as unknown as MotionDocument };
}
/** Mean cost of frames by windows of half a screen. */
function byWindow({ frames }: TrialResult): Map<number, number> {
  const sums = new Map<number, { sum: number; n: number }>();
  frames.y.forEach((y, i) => {
    const k = Math.round(y / 400) * 400;
    const cost =
      itemAt(frames.script, i) +
      itemAt(frames.style, i) +
      itemAt(frames.paint, i) +
      itemAt(frames.composite, i);
    const s = sums.get(k) ?? { sum: 0, n: 0 };
    sums.set(k, { sum: s.sum + cost, n: s.n + 1 });
  });
  return new Map([...sums].filter(([, s]) => s.n >= 5).map(([at, s]) => [at, s.sum / s.n]));
}
/** Scroll offset at which frames cost most. What else runs on the machine only makes frames dearer, so the cheapest run of each window counts. */
function hottest(runs: readonly TrialResult[]): number {
  const costs = runs.map(byWindow);
  const least = [...itemAt(costs, 0).keys()].map(
    (at) => [at, Math.min(...costs.map((c) => c.get(at) ?? Infinity))] as const,
  );
  return least.filter(([, cost]) => cost < Infinity).reduce((a, b) => (b[1] > a[1] ? b : a))[0];
}

test(
  'a page that misses its budget at a known place: prediction and lab point there, the fix removes it, and the lab finds it cheaper',
  FULL,
  async ({ page, request }) => {
    test.setTimeout(500_000);
    const { text, document } = expensive();
    const { id } = await added(request, page, 'dear', text);
    const made = await request.post(`${base}/api/pages/${id}/takes`, { data: { document } });
    const take = ((await made.json()) as { id: string }).id;
    await page.goto(`${base}/pages/${id}/trials?take=${take}`);
    const spot = page.locator('.trial-findings li[data-key^="hot-spot"]').first();
    await expect(spot).toBeVisible({ timeout: 20_000 });
    const predicted = Number((await spot.locator('footer > span').first().innerText()).replace(/\D/g, ''));
    // While it can be seen the box lies between a screen before its top and its own end.
    const [from, to] = [HOT - VIEWPORT.height, HOT + 700];
    expect(predicted).toBeGreaterThan(from - VIEWPORT.height);
    expect(predicted).toBeLessThan(to + VIEWPORT.height);

    await page.getByRole('button', { name: 'Steady' }).click();
    await page.getByRole('button', { name: 'Measure', exact: true }).click();
    await page.getByRole('button', { name: /^In the lab/ }).click();
    await expect(page.getByText('measured in the lab')).toBeVisible({ timeout: 150_000 });
    const listed = await (await request.get(`${base}/api/pages/${id}/trials`)).json();
    const first = present((await trialOf(request, listed.trials[0].id as string)).result);
    for (const check of ['large-blur', 'layout-property']) {
      const row = page.locator(`.trial-findings li[data-key^="${check}"]`);
      await row.getByRole('button', { name: 'Fix' }).click();
      await expect(row).toHaveCount(0, { timeout: 20_000 });
    }
    await expect(page.locator('.trial-findings li[data-key^="hot-spot"]')).toHaveCount(0, {
      timeout: 20_000,
    });
    await expect(page.locator('.save-state')).toHaveText(/^Saved/);
    // Each is tried in turn, and the cheapest run of each counts.
    const asItWas = await request.post(`${base}/api/pages/${id}/takes`, { data: { document } });
    const dearTake = ((await asItWas.json()) as { id: string }).id;
    const mean = (r: TrialResult) => {
      const near = r.frames.y.flatMap((y, i) =>
        y > from && y < to
          ? [itemAt(r.frames.paint, i) + itemAt(r.frames.composite, i) + itemAt(r.frames.style, i)]
          : [],
      );
      return near.reduce((s, c) => s + c, 0) / near.length;
    };
    const costs = { before: Infinity, corrected: Infinity };
    const before = [first];
    for (let round = 0; round < 2; round++)
      for (const [which, takeId] of [
        ['before', dearTake],
        ['corrected', take],
      ] as const) {
        const done = await endedTrial(request, await askTrial(request, takeId, { lasts: 5000 }), 90_000);
        expect(done.why).toBeNull();
        costs[which] = Math.min(costs[which], mean(present(done.result)));
        if (which === 'before') before.push(present(done.result));
      }
    const hot = hottest(before);
    expect(hot).toBeGreaterThan(from - VIEWPORT.height);
    expect(hot).toBeLessThan(to + VIEWPORT.height);
    console.log(`around the place: ${costs.before.toFixed(1)} ms, mended ${costs.corrected.toFixed(1)} ms`);
    expect(costs.corrected).toBeLessThan(costs.before);
    expect(summarize(first.frames, 60).frames).toBeGreaterThan(100);
  },
);

const HOSTILE: Record<string, { script: string; why: RegExp }> = {
  'hangs for ever': {
    script: `addEventListener('scroll', () => { if (scrollY > 300) for (;;); })`,
    why: /not done within \d+ s/,
  },
  'goes elsewhere': {
    script: `addEventListener('scroll', () => { if (scrollY > 300) location.href = '/other.html'; })`,
    why: /went to another address/,
  },
  'takes memory without end': {
    script: `const kept = []; addEventListener('scroll', () => { setInterval(() => { for (let i = 0; i < 6; i++) kept.push(new Float64Array(4e6).fill(1)); }, 20); }, { once: true })`,
    why: /MB of memory|crashed|Chromium ended/,
  },
};
for (const [i, [name, { script, why }]] of Object.entries(HOSTILE).entries())
  test(
    `a page that ${name} ends with a clear failure, and the queue goes on`,
    sampled(i, 3),
    async ({ page, request }) => {
      const { take } = await added(
        request,
        page,
        name,
        html(`${filler(60)}<script>${script}</script>`, ROWS),
      );
      const calm = await added(request, page, 'calm', html(filler(40), ROWS));
      const first = await askTrial(request, take);
      const second = await askTrial(request, calm.take, { lasts: 1500 });
      const failed = await endedTrial(request, first, 120_000);
      expect([failed.state, failed.why]).toEqual(['failed', expect.stringMatching(why)]);
      const done = await endedTrial(request, second);
      expect([done.state, done.why]).toEqual(['done', null]);
    },
  );

test('a page that opens dialogs is measured all the same', FULL, async ({ page, request }) => {
  const text = html(
    `${filler(60)}<script>addEventListener('scroll', () => { if (scrollY > 300) alert('Stop'); }, { once: true })</script>`,
    ROWS,
  );
  const { take } = await added(request, page, 'dialogs', text);
  const id = await askTrial(request, take);
  const done = await endedTrial(request, id);
  expect([done.state, done.why]).toEqual(['done', null]);
  // Everything that is needed to run it again was kept with it.
  const asked = await request.post(`${base}/api/trials/${id}/again`);
  expect(asked.status(), await asked.text()).toBe(201);
  const again = await endedTrial(request, ((await asked.json()) as { id: string }).id);
  expect(again.state).toBe('done');
  expect(present(again.result).setup).toEqual(present(done.result).setup);
  expect((await request.post(`${base}/api/trials/${crypto.randomUUID()}/again`)).status()).toBe(404);
});

test(
  'a browser that is killed fails its trial, and one that is stopped ends',
  FULL,
  async ({ page, request }) => {
    const { take } = await added(request, page, 'killed', html(filler(200), ROWS));
    const first = await askTrial(request, take, { lasts: 16_000 });
    await expect.poll(async () => (await trialOf(request, first)).state, { timeout: 60_000 }).toBe('running');
    const parentOf = (pid: string) =>
      itemAt(present(/^PPid:\s+(\d+)$/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))), 1);
    const pids = () =>
      readdirSync('/proc').filter((p) => {
        if (!/^\d+$/.test(p)) return false;
        try {
          const line = readFileSync(`/proc/${p}/cmdline`, 'utf8');
          if (!/chrom/.test(line) || /--type=/.test(line)) return false;
          // The lab’s own browser is the one whose parent is the server that these tests have started.
          return Number(parentOf(parentOf(p))) === stack().supervisor;
        } catch {
          return false;
        }
      });
    await expect.poll(() => pids().length, { timeout: 20_000 }).toBeGreaterThan(0);
    await elapse(page, 2500);
    for (const pid of pids()) process.kill(Number(pid), 'SIGKILL');
    const failed = await endedTrial(request, first);
    expect(failed.state).toBe('failed');
    expect(failed.why).toMatch(/Chromium ended|crashed|closed/);

    const second = await askTrial(request, take, { lasts: 16_000 });
    await expect
      .poll(async () => (await trialOf(request, second)).state, { timeout: 60_000 })
      .toBe('running');
    expect((await request.post(`${base}/api/trials/${second}/cancel`)).status()).toBe(204);
    expect((await endedTrial(request, second)).state).toBe('cancelled');
    await expect.poll(() => pids().length, { timeout: 30_000 }).toBe(0);
  },
);

test('what would take too long is refused with what to do, and a size that was not measured too', async ({
  page,
  request,
}) => {
  const { take } = await added(request, page, 'long', html(filler(40), ROWS));
  const long = await request.post(`${base}/api/takes/${take}/trials`, {
    data: { setup: trialSetup({ lasts: 600_000, repeats: 5 }) },
  });
  expect([long.status(), (await long.json()).detail]).toEqual([422, expect.stringContaining('quicker')]);
  const other = await request.post(`${base}/api/takes/${take}/trials`, {
    data: { setup: trialSetup({ viewport: { width: 900, height: 700 } }) },
  });
  expect(other.status()).toBe(409);
});
