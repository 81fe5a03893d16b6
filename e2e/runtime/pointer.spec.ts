/** What the pointer moves, in a real browser: edges, rest, areas, touch, the law of damping, and what it goes together with. */
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { damp } from '@lyvek/core';
import type { Damping } from '@lyvek/core';
import type * as Runtime from '@lyvek/runtime';
import { runtimeScript } from '../support/runtime.ts';

const PAGE = `<!doctype html><style>
body { margin: 0; height: 6000px } #a { position: absolute; left: 300px; top: 200px; width: 400px; height: 200px; background: #9ab }
#b { position: absolute; left: 0; top: 500px; width: 50px; height: 50px; background: #ba9 }
@keyframes lv-b { to { translate: 0 100px } }
#b { animation: lv-b linear both; animation-timeline: scroll(root); animation-range: 0px 1000px }
</style><div id="a"></div><div id="b"></div>`;

declare const lyvek: typeof Runtime;
let script = '';
test.beforeAll(async () => {
  script = await runtimeScript();
});

type Pointer = Runtime.PointerPlan;
const pointer = (given: Partial<Pointer> = {}): Pointer => ({
  ...{ selector: '#a', axis: 'x', over: null, rest: 0.5, touch: 'none', composite: 'replace' },
  keyframes: [
    [
      { offset: 0, translate: '-100px 0' },
      { offset: 1, translate: '100px 0' },
    ],
  ],
  damping: { kind: 'none' },
  ...given,
});

async function open(page: Page, ...pointers: Pointer[]): Promise<void> {
  await page.setViewportSize({ width: 1000, height: 800 });
  await page.setContent(PAGE);
  await page.addScriptTag({ content: script });
  await page.evaluate((plans) => {
    const w = window as unknown as { frames_: number; stop: () => void };
    w.frames_ = 0;
    const clock = {
      now: () => performance.now(),
      request: (f: () => void) => (w.frames_++, requestAnimationFrame(f)),
      cancel: cancelAnimationFrame.bind(window),
    };
    w.stop = lyvek.start(document, { damping: [], pointers: plans }, { clock });
  }, pointers);
}
const shown = (page: Page, selector = '#a') =>
  page.evaluate((s) => getComputedStyle(document.querySelector(s)!).translate, selector);
const settled = async (page: Page, expected: string, selector = '#a') =>
  expect.poll(() => shown(page, selector)).toBe(expected);
const leave = (page: Page) =>
  page.evaluate(() =>
    document.dispatchEvent(new PointerEvent('pointerout', { pointerType: 'mouse', bubbles: true })),
  );

test('both edges of the viewport are reached, the middle is the middle, and it rests there', async ({
  page,
}) => {
  await open(page, pointer());
  expect(await shown(page)).toBe('0px');
  await page.mouse.move(0, 400);
  await settled(page, '-100px');
  await page.mouse.move(999, 400, { steps: 4 });
  await settled(page, '100px');
  await page.mouse.move(250, 400, { steps: 4 });
  await expect.poll(async () => Number.parseFloat(await shown(page))).toBeCloseTo(-49.95, 1);
  await leave(page);
  await settled(page, '0px');
});

test('over an element it is whole from edge to edge of that, also after the page has moved below the pointer', async ({
  page,
}) => {
  await open(
    page,
    pointer({ over: '#a', axis: 'y', rest: 0, keyframes: [[{ opacity: 0 }, { opacity: 1 }]] }),
  );
  const opacity = () => page.evaluate(() => getComputedStyle(document.querySelector('#a')!).opacity);
  expect(await opacity()).toBe('0');
  await page.mouse.move(500, 399);
  await expect.poll(opacity).toBe('1');
  await page.evaluate(() => scrollTo({ top: 100, behavior: 'instant' }));
  await expect.poll(opacity).toBe('0');
  await page.evaluate(() => scrollTo({ top: 0, behavior: 'instant' }));
  await expect.poll(opacity).toBe('1');
});

test('each target goes as far as its own share says, out of where it rests', async ({ page }) => {
  const wide = pointer({ selector: 'div', share: '--depth' });
  await open(page);
  await page.evaluate((plan) => {
    document.querySelector<HTMLElement>('#a')!.style.setProperty('--depth', '0.25');
    lyvek.play(document, { damping: [], pointers: [plan] });
  }, wide);
  await page.mouse.move(999, 400, { steps: 2 });
  await settled(page, '25px');
  await settled(page, '100px', '#b');
  await page.mouse.move(0, 400, { steps: 2 });
  await settled(page, '-25px');
});

test('where nothing is to rest it stays; each target can be its own area', async ({ page }) => {
  await open(page, pointer({ over: '', rest: null }));
  await page.mouse.move(300, 300);
  await settled(page, '-100px');
  await page.mouse.move(10, 10, { steps: 3 });
  await leave(page);
  await page.mouse.move(20, 20);
  await settled(page, '-100px');
});

test('a finger does nothing, unless it is asked to', async ({ page }) => {
  await open(
    page,
    pointer(),
    pointer({ selector: '#b', touch: 'drag', keyframes: [[{ rotate: '0deg' }, { rotate: '90deg' }]] }),
  );
  const touch = (type: string, x: number) =>
    page.evaluate(
      ([t, clientX]) =>
        document.dispatchEvent(
          new PointerEvent(t, { pointerType: 'touch', bubbles: true, clientX, clientY: 5 }),
        ),
      [type, x] as const,
    );
  const turned = () => page.evaluate(() => getComputedStyle(document.querySelector('#b')!).rotate);
  await touch('pointermove', 999);
  await expect.poll(turned).toBe('90deg');
  expect(await shown(page)).toBe('0px');
  await touch('pointercancel', 999);
  await expect.poll(turned).toBe('45deg');
});

test('it adds to what the scroll does, and its number is told as a signal', async ({ page }) => {
  await open(page, pointer({ selector: '#b', composite: 'add' }));
  await page.evaluate(() => {
    const w = window as unknown as { told: number[] };
    w.told = [];
    CSS.registerProperty({ name: '--signal-sway', syntax: '<number>', inherits: true, initialValue: '0' });
    addEventListener('signal', (e) => w.told.push((e as CustomEvent<{ value: number }>).detail.value));
    lyvek.play(document, {
      damping: [],
      signals: [{ property: '--signal-sway', selector: '#a' }],
      pointers: [
        {
          ...{ selector: '#a', axis: 'x', over: null, rest: 0.5, touch: 'none', composite: 'replace' },
          keyframes: [[{ '--signal-sway': '0' }, { '--signal-sway': '10' }]],
          damping: { kind: 'half-life', halfLife: 40 },
        },
      ],
    });
    scrollTo({ top: 500, behavior: 'instant' });
  });
  await page.mouse.move(999, 700, { steps: 3 });
  await settled(page, '100px 50px', '#b');
  const told = () => page.evaluate(() => (window as unknown as { told: number[] }).told.at(-1));
  await expect.poll(told).toBe(10);
});

test('nothing runs while the pointer stands still, or without it; stopped, no trace is left', async ({
  page,
}) => {
  await open(page, pointer({ damping: { kind: 'half-life', halfLife: 60 } }));
  const frames = () => page.evaluate(() => (window as unknown as { frames_: number }).frames_);
  const rest = () =>
    page.evaluate(() => new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(r))));
  await rest();
  expect(await frames()).toBe(0);
  await page.mouse.move(900, 300, { steps: 5 });
  await expect.poll(async () => Number.parseFloat(await shown(page))).toBeCloseTo(80.18, 1);
  let before = -1;
  await expect
    .poll(async () => {
      const now = await frames();
      const still = now === before;
      before = now;
      await rest();
      return still;
    })
    .toBe(true);
  expect(before).toBeGreaterThan(5);
  await rest();
  expect(await frames()).toBe(before);
  await page.evaluate(() => (window as unknown as { stop: () => void }).stop());
  expect(await shown(page)).toBe('none');
  expect(await page.evaluate(() => document.querySelector('#a')!.getAnimations().length)).toBe(0);
  await page.mouse.move(100, 300, { steps: 3 });
  expect(await frames()).toBe(before);
});

test('readers who ask for reduced motion, and paper, get the page as it is', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await open(page, pointer());
  await page.mouse.move(999, 400);
  expect(await shown(page)).toBe('none');
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await page.mouse.move(0, 400, { steps: 3 });
  await settled(page, '-100px');
  await page.evaluate(() => dispatchEvent(new Event('beforeprint')));
  expect(await shown(page)).toBe('none');
});

const HOW: Damping[] = [
  { kind: 'half-life', halfLife: 90 },
  { kind: 'spring', frequency: 2, ratio: 0.4 },
];
for (const how of HOW)
  for (const refresh of [30, 60, 120])
    test(`${how.kind} at ${refresh} Hz is where the equation says`, async ({ page }) => {
      await open(page);
      const got = await page.evaluate(
        ([plan, hz]) => {
          let now = 0;
          let asked: (() => void)[] = [];
          const clock = {
            now: () => now,
            request: (f: () => void) => asked.push(f),
            cancel: () => undefined,
          };
          lyvek.play(document, { damping: [], pointers: [plan] }, clock);
          const element = document.querySelector('#a')!;
          const out: number[] = [];
          const at = (x: number) =>
            document.dispatchEvent(
              new PointerEvent('pointermove', {
                pointerType: 'mouse',
                bubbles: true,
                clientX: x,
                clientY: 9,
              }),
            );
          const frame = () => {
            now += 1000 / hz;
            const due = asked;
            asked = [];
            due.forEach((f) => f());
          };
          // One frame tells how long frames are here.
          at(499.5);
          frame();
          const steps = hz / 10;
          for (let i = 1; i <= steps; i++) {
            at(499.5 + (i / steps) * 400);
            frame();
          }
          for (let i = 0; i < hz / 5; i++) {
            frame();
            out.push(Number.parseFloat(getComputedStyle(element).translate));
          }
          return out.filter((_, i) => (i + 1) % (hz / 30) === 0);
        },
        [pointer({ damping: how }), refresh] as const,
      );
      const f = { y: 500, v: 0 };
      const end = 500 + (400 / 999) * 1000;
      damp(f, how, 500, end, 100);
      const expected = got.map(() => (damp(f, how, end, end, 1000 / 30).y / 1000) * 200 - 100);
      expect(got.length).toBeGreaterThanOrEqual(5);
      got.forEach((x, i) => expect(x).toBeCloseTo(expected[i]!, 1));
    });
