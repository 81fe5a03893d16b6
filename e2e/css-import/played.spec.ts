/** A page that moves, read and written again, shows in Chromium what it showed before. */
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { oracleScript } from '../support/runtime.ts';
import { HOST, listFiles, handedOff, measured, movingPages, read, serve, stripped } from './pages.ts';
import { sampled } from '../support/full.ts';

const OFFSETS = 200;
/** Where parts play in time, each look waits until they are done. */
const OFFSETS_IN_TIME = 24;
let script = '';
test.beforeAll(async () => {
  script = await oracleScript();
});

interface Difference {
  offset: number;
  element: string;
  property: string;
  before: string;
  after: string;
}

/** Both pages side by side, scrolled to the same offsets, down and up again. */
async function compared(
  page: Page,
  properties: readonly string[],
  offsets: number,
  settle: number,
): Promise<{ looked: number; differences: Difference[] }> {
  return page.evaluate(
    async ({ properties, offsets, settle }) => {
      const frames = [...document.querySelectorAll('iframe')].map((f) => f.contentWindow!);
      const [a, b] = frames as [Window & typeof globalThis, Window & typeof globalThis];
      const next = () => new Promise((done) => requestAnimationFrame(done));
      const played = async (ms: number) => {
        for (const from = performance.now(); performance.now() - from < ms;) await next();
      };
      const list = (w: Window) =>
        [...w.document.body.querySelectorAll<HTMLElement>('*')].filter(
          (e) => !/^(STYLE|LINK|SCRIPT)$/.test(e.tagName),
        );
      const [before, after] = [list(a), list(b)];
      // What plays in time without end has no common clock.
      const endless = before.map((e) =>
        e
          .getAnimations()
          .some((x) => x.effect?.getTiming().iterations === Infinity && x.timeline === a.document.timeline),
      );
      const numbers = (css: string) => (css.match(/-?\d+(\.\d+)?(e[+-]?\d+)?/g) ?? []).map(Number);
      const words = (css: string) => css.replace(/-?\d+(\.\d+)?(e[+-]?\d+)?/g, '#');
      const alike = (x: string, y: string) => {
        if (x === y) return true;
        if (words(x) !== words(y)) return false;
        const ys = numbers(y);
        return numbers(x).every(
          (n, i) => Math.abs(n - ys[i]!) <= Math.max(0.002, 6e-4 * Math.max(Math.abs(n), Math.abs(ys[i]!))),
        );
      };
      const scrollers = [0, 1].map((k) =>
        [before, after][k]!.filter((e) => /auto|scroll/.test(frames[k]!.getComputedStyle(e).overflow)),
      );
      const differences: Difference[] = [];
      let looked = 0;
      // Animations made while the page loads show from the second frame on.
      for (let i = 0; i < 2; i++) await next();
      // What the page plays in time as it opens has a clock of its own in each frame.
      const opening = [a, b].flatMap((w) =>
        w.document
          .getAnimations()
          .filter((x) => x.timeline === w.document.timeline && x.playState === 'running')
          .filter((x) => x.effect!.getComputedTiming().endTime !== Infinity),
      );
      await Promise.race([Promise.allSettled(opening.map((x) => x.finished)), played(1500)]);
      for (let i = 0; i <= offsets; i++) {
        const share = i <= offsets / 2 ? (2 * i) / offsets : 2 - (2 * i) / offsets;
        const y = Math.round(share * (a.document.documentElement.scrollHeight - a.innerHeight));
        for (const w of [a, b]) w.scrollTo({ top: y, behavior: 'instant' });
        scrollers.forEach((all) =>
          all.forEach((e) => {
            e.scrollTop = share * (e.scrollHeight - e.clientHeight);
            e.scrollLeft = share * (e.scrollWidth - e.clientWidth);
          }),
        );
        // Animations begin with the frame after the one that starts them.
        for (let i = 0; i < 2; i++) await next();
        if (settle) await played(settle);
        await next();
        before.forEach((e, k) => {
          if (endless[k]) return;
          for (const part of ['', '::before', '::after']) {
            const [mine, theirs] = [a.getComputedStyle(e, part), b.getComputedStyle(after[k]!, part)];
            if (part && mine.content === 'none' && theirs.content === 'none') continue;
            for (const p of properties) {
              looked++;
              const [x, z] = [mine.getPropertyValue(p), theirs.getPropertyValue(p)];
              if (!alike(x, z) && differences.length < 40)
                differences.push({
                  offset: y,
                  element: `${e.tagName.toLowerCase()}.${e.className}${part} ${e.textContent!.slice(0, 20).trim()}`,
                  property: p,
                  before: x,
                  after: z,
                });
            }
          }
        });
      }
      return { looked, differences };
    },
    { properties: [...properties], offsets, settle },
  );
}

for (const [i, name] of movingPages().entries())
  test(`${name} shows the same after it was read and written`, sampled(i, 4), async ({ page }) => {
    await page.setViewportSize({ width: 1000, height: 800 });
    const before = listFiles(name);
    const imported = read(before);
    const bare = stripped(before, imported);
    const layout = await measured(page, script, bare, imported);
    const after = handedOff(bare, imported, layout);
    await page.unroute(`${HOST}/**`);
    const frame = (path: string) =>
      `<iframe src="/${path}/" style="width:1000px;height:800px;border:0"></iframe>`;
    await serve(page, {
      before,
      after,
      side: new Map([['index.html', `<body style="margin:0">${frame('before')}${frame('after')}`]]),
    });
    await page.setViewportSize({ width: 2000, height: 820 });
    await page.goto(`${HOST}/side/`, { waitUntil: 'load' });
    const properties = new Set(imported.document.motions.flatMap((m) => Object.keys(m.keyframes)));
    const inTime = imported.document.motions.some((m) => m.time);
    const { looked, differences } = await compared(
      page,
      [...properties, 'opacity', 'translate'],
      inTime ? OFFSETS_IN_TIME : OFFSETS,
      inTime ? 160 : 0,
    );
    expect(looked).toBeGreaterThan(100);
    expect(differences.length, JSON.stringify(differences.slice(0, 6), null, 1)).toBe(0);
  });
