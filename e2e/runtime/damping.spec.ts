/** The script in a real browser, with a clock of our own: the same at every refresh rate, and gone without a trace. */
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { damp, itemAt } from '@lyvek/core';
import type * as Runtime from '@lyvek/runtime';
import type { Damping } from '@lyvek/core';
import { runtimeScript } from '../support/runtime.ts';
import { elapse } from '../support/time.ts';

type How = Exclude<Damping, { kind: 'none' }>;

const PAGE = `<!doctype html><style>
body { margin: 0; height: 6000px } #a { position: absolute; top: 2000px; width: 200px; height: 200px; background: #9ab }
@keyframes lv-a { from { translate: 0 0 } to { translate: 1000px 0 } }
#a { animation: lv-a auto linear both; animation-timeline: scroll(root block); animation-range: 0px 2000px }
</style><div id="a"></div>`;

declare const lyvek: typeof Runtime;
let script = '';
test.beforeAll(async () => {
  script = await runtimeScript();
});

async function open(page: Page): Promise<void> {
  await page.setViewportSize({ width: 1000, height: 800 });
  await page.setContent(PAGE);
  await page.addScriptTag({ content: script });
}

const READY = 100;

/** Scrolls along straight pieces at a refresh rate; returns the shown x after every piece and a rest. */
async function run(
  page: Page,
  how: How,
  refresh: number,
  pieces: readonly (readonly [ms: number, px: number])[],
) {
  return page.evaluate(
    async ({ how, refresh, pieces }) => {
      const real = () => new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(r)));
      scrollTo({ top: 100, behavior: 'instant' });
      await real();
      let now = 0;
      let asked: (() => void)[] = [];
      const clock = {
        now: () => now,
        request: (f: () => void) => asked.push(f),
        cancel: () => undefined,
      };
      const flush = () => {
        const due = asked;
        asked = [];
        due.forEach((f) => f());
      };
      const stop = lyvek.play(
        document,
        { damping: [{ names: ['lv-a'], selector: '#a', damping: how }] },
        clock,
      );
      // Where its range lies is known two frames later.
      for (let i = 0; i < 4; i++) {
        await real();
        now += 1000 / refresh;
        flush();
      }
      const shown: number[] = [];
      const frame = 1000 / refresh;
      let x = 100;
      // A frame before anything moves tells the script how long frames are here.
      for (const [ms, px] of [[100, 0] as const, ...pieces]) {
        const steps = Math.round(ms / frame);
        for (let i = 1; i <= steps; i++) {
          scrollTo({ top: x + (px * i) / steps, behavior: 'instant' });
          await real();
          dispatchEvent(new Event('scroll'));
          document.dispatchEvent(new Event('scroll'));
          now += frame;
          flush();
        }
        x += px;
        shown.push(
          new DOMMatrix().translate(
            Number.parseFloat(getComputedStyle(document.querySelector('#a')!).translate),
          ).e,
        );
      }
      stop();
      await real();
      return { shown: shown.slice(1), after: getComputedStyle(document.querySelector('#a')!).translate };
    },
    { how, refresh, pieces },
  );
}

const PIECES = [
  [200, 480],
  [100, -240],
  [300, 0],
] as const;

/** What the core says, with the knees of the input and nothing between them. */
function predicted(how: How): number[] {
  const f = { y: READY, v: 0 };
  let x = READY;
  return PIECES.map(([ms, px]) => {
    damp(f, how, x, x + px, ms);
    x += px;
    return f.y / 2;
  });
}

for (const how of [
  { kind: 'half-life', halfLife: 120 },
  { kind: 'half-life', halfLife: 200, cap: 90 },
  { kind: 'spring', frequency: 2, ratio: 0.5 },
  { kind: 'spring', frequency: 1.5, ratio: 1 },
] as const)
  test(`${JSON.stringify(how)}: the same at 60 and 120 Hz, and as the core says`, async ({ page }) => {
    await open(page);
    const slow = await run(page, how, 60, PIECES);
    const fast = await run(page, how, 120, PIECES);
    predicted(how).forEach((x, i) => {
      expect(Math.abs(itemAt(slow.shown, i) - itemAt(fast.shown, i))).toBeLessThan(0.5);
      expect(Math.abs(itemAt(fast.shown, i) - x)).toBeLessThan(0.5);
    });
    // Stopped, the style sheet plays it again: at 340 px of 2000.
    expect(Number.parseFloat(fast.after)).toBeCloseTo(170, 1);
  });

test('starting twice is starting once, until both have stopped it; stopping leaves no trace', async ({
  page,
}) => {
  await open(page);
  const out = await page.evaluate(async () => {
    const real = () => new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(r)));
    const before = document.documentElement.outerHTML;
    const plan = {
      damping: [{ names: ['lv-a'], selector: '#a', damping: { kind: 'half-life' as const, halfLife: 90 } }],
    };
    const first = lyvek.start(document, plan);
    const second = lyvek.start(document, plan);
    await real();
    const timeline = () => document.querySelector('#a')!.getAnimations()[0]!.timeline?.constructor.name;
    first();
    // Said twice, it is still one who has stopped.
    first();
    await real();
    const heldBySecond = timeline();
    second();
    await real();
    return {
      heldBySecond,
      unchanged: before === document.documentElement.outerHTML,
      timeline: timeline(),
    };
  });
  expect(out).toEqual({ heldBySecond: 'DocumentTimeline', unchanged: true, timeline: 'ScrollTimeline' });
});

test('nothing runs while nothing scrolls', async ({ page }) => {
  await open(page);
  const asked = await page.evaluate(async () => {
    const real = async () => {
      for (let i = 0; i < 4; i++) await new Promise(requestAnimationFrame);
    };
    let count = 0;
    const clock = {
      now: () => performance.now(),
      request: (f: () => void) => {
        count++;
        return requestAnimationFrame(f);
      },
      cancel: (id: number) => cancelAnimationFrame(id),
    };
    lyvek.play(
      document,
      { damping: [{ names: ['lv-a'], selector: '#a', damping: { kind: 'half-life', halfLife: 20 } }] },
      clock,
    );
    await real();
    scrollTo({ top: 700, behavior: 'instant' });
    for (let i = 0; i < 10; i++) await real();
    const moving = count;
    for (let i = 0; i < 5; i++) await real();
    return { moving, reducedMotion: count - moving };
  });
  expect(asked.moving).toBeGreaterThan(5);
  expect(asked.reducedMotion).toBe(0);
});

test('a signal is told as an event when its number changes, and only then', async ({ page }) => {
  await open(page);
  await page.addStyleTag({
    content: `@property --signal { syntax: "<number>"; inherits: true; initial-value: 0 }
@keyframes lv-s { from { --signal: 0 } to { --signal: 100 } }
body { animation: lv-s auto linear both; animation-timeline: scroll(root block); animation-range: 0px 1000px }`,
  });
  const heard = await page.evaluate(async () => {
    const frames = async (n: number) => {
      for (let i = 0; i < n; i++) await new Promise(requestAnimationFrame);
    };
    const values: string[] = [];
    const hear = (e: Event) => {
      const { name, value } = (e as CustomEvent<{ name: string; value: number }>).detail;
      values.push(`${name} ${Math.round(value)}`);
    };
    document.addEventListener('signal', hear);
    const stop = lyvek.start(document, {
      damping: [],
      signals: [{ property: '--signal', selector: 'body' }],
    });
    await frames(6);
    for (const y of [250, 250, 500, 2500, 3000, 0]) {
      scrollTo({ top: y, behavior: 'instant' });
      await frames(8);
    }
    stop();
    scrollTo({ top: 400, behavior: 'instant' });
    await frames(6);
    return values;
  });
  expect(heard).toEqual(['signal 0', 'signal 25', 'signal 50', 'signal 100', 'signal 0']);
});

test('a range with lengths is followed: a strip that travels as far as its pin holds', async ({ page }) => {
  await page.setViewportSize({ width: 1000, height: 800 });
  await page.setContent(`<!doctype html><style>
body { margin: 0; height: 6000px } :root { timeline-scope: --held }
#stage { position: sticky; top: 0; height: 400px; overflow: clip; container-type: inline-size; view-timeline: --held block; view-timeline-inset: 0px 100% }
#track { margin-top: 1000px } #track::after { content: ''; display: block; height: 2000px }
@keyframes lv-t { 0% { translate: 0 0 } 100% { translate: calc(-100% + 100cqw) 0 } }
#strip { width: 3000px; height: 200px; animation: lv-t auto linear both; animation-timeline: --held;
  animation-range: entry-crossing 0% entry-crossing calc(0% + 2000px) }
</style><div id="track"><div id="stage"><div id="strip"></div></div></div>`);
  await page.addScriptTag({ content: script });
  await page.evaluate(() => {
    const how = { kind: 'half-life', halfLife: 60 } as const;
    lyvek.play(document, { damping: [{ names: ['lv-t'], selector: '#strip', damping: how }] });
  });
  const shown = () => page.evaluate(() => document.querySelector('#strip')!.getBoundingClientRect().x);
  await elapse(page, 200);
  await page.evaluate(() => scrollTo({ top: 2000, behavior: 'instant' }));
  // The stage is held from 1,000 to 3,000 px; half-way the strip has gone half of its 2,000 px.
  await expect.poll(shown).toBeCloseTo(-1000, 0);
});

test('a threshold is told once, whatever the hand trembles, and again when it is left', async ({ page }) => {
  await open(page);
  await page.addStyleTag({
    content: `@property --signal-tide { syntax: "<number>"; inherits: true; initial-value: 0 }
@keyframes lv-s { from { --signal-tide: 0 } to { --signal-tide: 100 } }
body { animation: lv-s auto linear both; animation-timeline: scroll(root block); animation-range: 0px 1000px }`,
  });
  const heard = await page.evaluate(async () => {
    const frames = async (n: number) => {
      for (let i = 0; i < n; i++) await new Promise(requestAnimationFrame);
    };
    const news: string[] = [];
    document.addEventListener('threshold', (e) => {
      const { name, threshold, above } = (
        e as CustomEvent<{ name: string; threshold: string; above: boolean }>
      ).detail;
      news.push(`${scrollY} ${name} ${threshold} ${above}`);
    });
    scrollTo({ top: 800, behavior: 'instant' });
    // A timeline is up to date one frame after the scroll.
    await frames(4);
    const stop = lyvek.start(document, {
      damping: [],
      signals: [
        {
          property: '--signal-tide',
          selector: 'body',
          thresholds: [
            { name: 'high', at: 50, back: 40 },
            { name: 'any', at: 0, back: 0 },
          ],
        },
      ],
    });
    await frames(8);
    for (const y of [300, 490, 500, 480, 510, 410, 520, 400, 0]) {
      scrollTo({ top: y, behavior: 'instant' });
      await frames(8);
    }
    stop();
    return news;
  });
  expect(heard).toEqual([
    '800 signal-tide high true',
    '800 signal-tide any true',
    '300 signal-tide high false',
    '500 signal-tide high true',
    '400 signal-tide high false',
  ]);
});
