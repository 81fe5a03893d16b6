/** Marquees in a real browser: no hole on any screen, whichever way they run; still when they shall be; gone without a trace. */
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import type * as Runtime from '@lyvek/runtime';
import type { MarqueePlan } from '@lyvek/runtime';
import { runtimeScript } from '../support/runtime.ts';
import { elapse } from '../support/time.ts';

declare const lyvek: typeof Runtime;
let script = '';
test.beforeAll(async () => {
  script = await runtimeScript();
});

/** The strip is black on white paper, so that any light pixel in its row is a hole. Its parts have odd widths. */
const ROW = `<ul id="s"><li style="width:71.3px">a</li><li style="width:133.7px">b</li><li style="width:90px">c</li></ul>`;
const PAGE = (body: string, css = '') => `<!doctype html><style>
body { margin: 0; height: 4000px; background: #fff } section { overflow: clip; padding: 0 37px; margin-top: 60px }
#s { display: flex; gap: 20px; width: max-content; margin: 0; padding: 0; list-style: none; background: #000; box-shadow: 20px 0 #000, -20px 0 #000 }
li { height: 50px; background: #000; flex: none } ${css}</style><section>${body}</section>`;

const MARQUEE: MarqueePlan = {
  selector: '#s',
  axis: 'inline',
  speed: 180,
  reverses: true,
  push: 0.5,
  pauses: false,
  damping: { kind: 'none' },
};

async function open(page: Page, marquee: Partial<MarqueePlan> = {}, html = PAGE(ROW)): Promise<void> {
  await page.setContent(html);
  await page.addScriptTag({ content: script });
  await page.evaluate(
    (plan) => {
      Object.assign(window, { stop: lyvek.start(document, { damping: [], marquees: [plan] }) });
    },
    { ...MARQUEE, ...marquee },
  );
  await elapse(page, 60);
}

/** Light pixels of one row of the screen. */
async function holes(page: Page, y: number, width: number): Promise<number> {
  const png = (await page.screenshot({ clip: { x: 0, y, width, height: 1 } })).toString('base64');
  return page.evaluate(async (png) => {
    const image = new Image();
    image.src = `data:image/png;base64,${png}`;
    await image.decode();
    const canvas = new OffscreenCanvas(image.width, 1);
    const draw = canvas.getContext('2d')!;
    draw.drawImage(image, 0, 0);
    const { data } = draw.getImageData(0, 0, image.width, 1);
    let light = 0;
    for (let i = 0; i < data.length; i += 4) if (data[i]! > 120) light++;
    return light;
  }, png);
}

const shown = (page: Page) =>
  page.evaluate(() => {
    const a = document.querySelector('#s')!.getAnimations()[0]!;
    return { at: Number(a.currentTime), rate: a.playbackRate, state: a.playState };
  });
/** Sets the marquee to a share of its period. */
const put = (page: Page, share: number) =>
  page.evaluate((share) => {
    const a = document.querySelector('#s')!.getAnimations()[0]!;
    const { duration } = a.effect!.getComputedTiming() as { duration: number };
    a.currentTime = Math.floor(Number(a.currentTime) / duration) * duration + share * duration;
  }, share);

for (const width of [320, 768, 1280, 1920, 2560, 3840])
  test(`no hole at ${width} px, scrolled both ways`, async ({ page }) => {
    await page.setViewportSize({ width, height: 500 });
    await open(page);
    for (const share of [0, 0.37, 0.9995]) {
      await put(page, share);
      expect(await holes(page, 80, width), `at ${share} of the period`).toBe(0);
    }
    for (const [y, rate] of [
      [40, 1],
      [3, -1],
      [48, 1],
      [0, -1],
    ] as const) {
      await page.evaluate((y) => scrollTo({ top: y, behavior: 'instant' }), y);
      await elapse(page, 60);
      expect((await shown(page)).rate).toBe(rate);
      expect(await holes(page, 85 - y, width), `scrolled to ${y}`).toBe(0);
    }
  });

test('a screen that becomes wider gets further copies, and loses no place', async ({ page }) => {
  await page.setViewportSize({ width: 500, height: 400 });
  await open(page, { speed: 0 });
  await put(page, 0.4);
  const few = await page.locator('#s > *').count();
  await page.setViewportSize({ width: 2400, height: 400 });
  await elapse(page, 150);
  expect(await page.locator('#s > *').count()).toBeGreaterThan(few);
  expect(await holes(page, 80, 2400)).toBe(0);
  const { at } = await shown(page);
  expect((at / 1000) % 1).toBeCloseTo(0.4, 3);
});

test('turned by its section it still fills the screen, and text alone can be a marquee', async ({ page }) => {
  await page.setViewportSize({ width: 1200, height: 600 });
  await open(
    page,
    {},
    PAGE(
      '<p id="s">Catalogue numbers</p>',
      '#s { font: 700 40px sans-serif; color: #000; display: block; box-shadow: none } section { rotate: -6deg; padding: 0; margin-top: 240px }',
    ),
  );
  for (const share of [0, 0.5, 0.999]) {
    await put(page, share);
    const reach = await page.evaluate(() => {
      const e = document.querySelector('#s')!.getBoundingClientRect();
      return [e.left, e.right];
    });
    expect(reach[0]).toBeLessThanOrEqual(0);
    expect(reach[1]).toBeGreaterThanOrEqual(1200);
  }
});

test('copies are neither read out nor reached, look like their originals, and leave with the script', async ({
  page,
}) => {
  const html = PAGE(
    '<ul id="s"><li id="first"><a href="#x">a</a></li><li>b</li></ul>',
    'li { width: 300px } li:nth-child(2) { color: rgb(200, 0, 0) } #first { border-left: 3px solid }',
  );
  await page.setViewportSize({ width: 900, height: 400 });
  await page.setContent(html);
  const before = await page.evaluate(() => document.body.innerHTML);
  await page.addScriptTag({ content: script });
  const facts = await page.evaluate((plan) => {
    const stop = lyvek.start(document, { damping: [], marquees: [plan] });
    const copies = [...document.querySelectorAll<HTMLElement>('#s > [data-lv-copy]')];
    const out = {
      count: copies.length,
      silent: copies.every((c) => c.inert && c.getAttribute('aria-hidden') === 'true'),
      ids: document.querySelectorAll('#first').length,
      second: getComputedStyle(copies[1]!).color,
      border: getComputedStyle(copies[0]!).borderLeftWidth,
    };
    stop();
    return out;
  }, MARQUEE);
  expect(facts).toMatchObject({ silent: true, ids: 1, second: 'rgb(200, 0, 0)', border: '3px' });
  expect(facts.count).toBeGreaterThanOrEqual(4);
  expect(await page.evaluate(() => document.body.innerHTML.replace(/<script>[\s\S]*<\/script>/, ''))).toBe(
    before,
  );
});

test('it rests under the pointer and at the page’s word; a share of the scroll pushes it', async ({
  page,
}) => {
  await page.setViewportSize({ width: 900, height: 400 });
  await open(page, { pauses: true, reverses: false });
  await page.mouse.move(300, 80);
  await expect.poll(async () => (await shown(page)).state).toBe('paused');
  await page.mouse.move(300, 300);
  await expect.poll(async () => (await shown(page)).state).toBe('running');
  await page.evaluate(() => document.querySelector('#s')!.dispatchEvent(new Event('marquee-rest')));
  expect((await shown(page)).state).toBe('paused');
  await page.evaluate(() => document.querySelector('#s')!.dispatchEvent(new Event('marquee-run')));
  await open(page, { speed: 0 });
  const from = await shown(page);
  await page.evaluate(() => scrollTo({ top: 40, behavior: 'instant' }));
  await elapse(page, 60);
  // Half of 40 px, of a period of 71.3 + 133.7 + 90 px and three gaps; without speed a period counts as 1,000 ms.
  expect((await shown(page)).at - from.at).toBeCloseTo((20 / 355) * 1000, 0);
});

test('a column runs upwards in its window', async ({ page }) => {
  await page.setViewportSize({ width: 600, height: 500 });
  await open(
    page,
    { axis: 'block', speed: 60 },
    PAGE(
      ROW,
      '#s { display: block; box-shadow: none } section { height: 300px } li { height: 63px; margin: 0 0 0.5px }',
    ),
  );
  const [a, b] = [await top(page), (await elapse(page, 300), await top(page))];
  expect(b).toBeLessThan(a);
  for (const share of [0, 0.6, 0.999]) {
    await put(page, share);
    const box = await page.evaluate(() => {
      const e = document.querySelector('#s')!.getBoundingClientRect();
      return [e.top, e.bottom];
    });
    expect(box[0]).toBeLessThanOrEqual(60);
    expect(box[1]).toBeGreaterThanOrEqual(360);
  }
});
const top = (page: Page) => page.evaluate(() => document.querySelector('#s')!.getBoundingClientRect().top);
