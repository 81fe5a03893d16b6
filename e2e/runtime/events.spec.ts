/** What clicks, the pointer and the focus start, in a real browser, by mouse and by keys. */
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import type * as Runtime from '@lyvek/runtime';
import { runtimeScript } from '../support/runtime.ts';
import { dwell } from '../support/time.ts';

const PAGE = `<!doctype html><style>body { margin: 0; font: 16px serif } .card { width: 300px; height: 160px; margin: 20px; background: #cde }
.box { width: 50px; height: 50px; background: #357 }</style>
<button id="b">Open</button><a id="other" href="#x">Elsewhere</a>
<div class="card" id="one"><a href="#1">First</a><div class="box"></div></div>
<div class="card" id="two"><a href="#2">Second</a><div class="box"></div></div>
<p id="out" style="translate: 0px">Outside</p>`;

declare const lyvek: typeof Runtime;
let script = '';
test.beforeAll(async () => {
  script = await runtimeScript();
});

type Plan = Runtime.EventPlan;
const plan = (given: Partial<Plan> = {}): Plan => ({
  ...{ name: 'lv-slide', subject: '#b', event: 'click', plays: 'each-time', back: 'plays-back' },
  ...{ selector: '#out', delay: 0, duration: 120, count: 1, alternate: false, fill: 'both' },
  ...{ composite: 'replace', keeps: false },
  keyframes: [[{ translate: '0px' }, { translate: '100px' }]],
  ...given,
});
async function open(page: Page, ...events: Plan[]): Promise<void> {
  await page.setViewportSize({ width: 800, height: 600 });
  await page.setContent(PAGE);
  await page.addScriptTag({ content: script });
  await page.evaluate((list) => {
    (window as unknown as { stop: () => void }).stop = lyvek.start(document, { damping: [], events: list });
  }, events);
}
const shown = (page: Page, selector = '#out') =>
  page.evaluate((s) => getComputedStyle(document.querySelector(s)!).translate, selector);
const comes = (page: Page, expected: string, selector = '#out') =>
  expect.poll(() => shown(page, selector)).toBe(expected);

test('a click plays it, the next one plays it back; a key clicks too', async ({ page }) => {
  await open(page, plan());
  expect(await shown(page)).toBe('0px');
  await page.locator('#b').click();
  await comes(page, '100px');
  await page.locator('#b').click();
  await comes(page, '0px');
  await page.keyboard.press('Enter');
  await comes(page, '100px');
  await page.keyboard.press('Space');
  await comes(page, '0px');
});

test('once is once; what keeps its end begins anew with every click; what returns is back at once', async ({
  page,
}) => {
  await open(
    page,
    plan({ plays: 'once' }),
    plan({ back: 'keeps-end', selector: '#one', duration: 400 }),
    plan({ back: 'returns', selector: '#two' }),
  );
  await page.locator('#b').click();
  for (const s of ['#out', '#one', '#two']) await comes(page, '100px', s);
  await page.locator('#b').click();
  expect(await shown(page, '#two')).toBe('0px');
  expect(Number.parseFloat(await shown(page, '#one'))).toBeLessThan(60);
  await comes(page, '100px', '#one');
  expect(await shown(page)).toBe('100px');
});

test('each card moves what is inside of it, under the pointer and with the focus', async ({ page }) => {
  await open(page, plan({ event: 'hover', subject: '.card', selector: '.box' }));
  await page.mouse.move(150, 130, { steps: 3 });
  await comes(page, '100px', '#one .box');
  expect(await shown(page, '#two .box')).toBe('0px');
  await page.mouse.move(600, 20, { steps: 3 });
  await comes(page, '0px', '#one .box');
  await page.locator('#other').focus();
  await page.keyboard.press('Tab');
  await comes(page, '100px', '#one .box');
  await page.keyboard.press('Tab');
  await comes(page, '0px', '#one .box');
  await comes(page, '100px', '#two .box');
  // The pointer goes; the focus is still there.
  await page.mouse.move(150, 320, { steps: 3 });
  await page.mouse.move(600, 20, { steps: 3 });
  await dwell(page, 200);
  expect(await shown(page, '#two .box')).toBe('100px');
});

test('a finger that taps is there until it taps elsewhere', async ({ browser }) => {
  const context = await browser.newContext({ hasTouch: true });
  const page = await context.newPage();
  await open(page, plan({ event: 'hover', subject: '#one', selector: '#one .box' }));
  await page.touchscreen.tap(250, 150);
  await comes(page, '100px', '#one .box');
  await page.touchscreen.tap(600, 500);
  await comes(page, '0px', '#one .box');
  await context.close();
});

test('left halfway it turns round where it is; later ones are later', async ({ page }) => {
  await open(
    page,
    plan({ event: 'focus', subject: '#b', duration: 2000 }),
    plan({ event: 'focus', subject: '#b', selector: '.box', late: [0, 1000], duration: 100 }),
  );
  await page.locator('#b').focus();
  await expect.poll(async () => Number.parseFloat(await shown(page))).toBeGreaterThan(10);
  expect(await shown(page, '#two .box')).toBe('0px');
  await page.locator('#other').focus();
  const from = Number.parseFloat(await shown(page));
  expect(from).toBeLessThan(90);
  await comes(page, '0px');
});

test('readers who ask for reduced motion see its end at once; stopped, no trace is left', async ({
  page,
}) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await open(
    page,
    plan({ duration: 5000, delay: 3000 }),
    plan({ duration: 5000, keeps: true, selector: '#one' }),
  );
  await page.locator('#b').click();
  await comes(page, '100px');
  expect(Number.parseFloat(await shown(page, '#one'))).toBeLessThan(80);
  await page.evaluate(() => (window as unknown as { stop: () => void }).stop());
  expect(await shown(page)).toBe('0px');
  expect(await page.evaluate(() => document.getAnimations().length)).toBe(0);
  await page.locator('#b').click();
  expect(await shown(page, '#one')).toBe('none');
});
