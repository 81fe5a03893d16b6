/**
 * What a hand does, on the page with the most motions: from the event to the frame that shows it, beside the same for a page of one element;
 * and how long the screens keep the browser busy when one goes from one to the other.
 */
import { bareWaits, launch, openTab, watch } from './support/browser.ts';
import { median, percentile, report } from './support/figures.ts';
import { findPage } from './support/pages.ts';

const ROUNDS = 8;
const TWO_FRAMES = 2000 / 60;
const browser = await launch();
console.log(`an element on a bare page: p50 ${median(await bareWaits(browser)).toFixed(1)} ms here`);
const tab = await openTab(browser);
const page = `${process.env.LYVEK_URL!}/pages/${await findPage('Almanac')}`;

/** Does something so many times, and reports how long it took to be seen. */
async function time(name: string, event: string, read: string, act: (i: number) => Promise<void>) {
  const watched = await watch(tab, event, read);
  for (let i = 0; i < ROUNDS; i++) await act(i);
  const { waits, tasks } = await watched.done();
  if (waits.length < ROUNDS / 2) throw new Error(`${name}: seen ${waits.length} times of ${ROUNDS}`);
  report({
    name: `Almanac: ${name}, until it is painted, p95`,
    value: percentile(waits, 0.95) / TWO_FRAMES,
    unit: '× two display frames',
    accept: 1.5,
    aim: 1.5,
    better: 'lower',
  });
  if (tasks.length) console.log(`  tasks over 50 ms: ${tasks.map(Math.round).join(' ')}`);
}

await tab.goto(page);
await tab.locator('.bar').nth(200).waitFor({ state: 'attached', timeout: 30_000 });
await tab.waitForTimeout(2000);
for (let i = 0; i < 4; i++) await tab.keyboard.press('+');
await tab.waitForTimeout(800);
const bars = await tab.evaluate(() =>
  [...document.querySelectorAll<SVGGElement>('.bar .bar-grip')].flatMap((grip) => {
    const { x, y, width, height } = grip.getBoundingClientRect();
    const at = { x: x + width / 2, y: Math.min(700, Math.max(150, y + height / 2)) };
    return document.elementFromPoint(at.x, at.y) === grip ? [at] : [];
  }),
);
const selected = "document.querySelector('.bar.selected')?.dataset.motion";
await time('a bar is selected', 'pointerdown', selected, async (i) => {
  const { x, y } = bars[(i * 3) % bars.length]!;
  await tab.mouse.move(x, y);
  await tab.waitForTimeout(150);
  await tab.mouse.down();
  await tab.mouse.up();
  await tab.waitForTimeout(500);
});
const where = "document.querySelector('.bar.selected .bar-grip')?.getAttribute('y')";
await time('a motion is nudged', 'keydown', where, async () => {
  await tab.keyboard.press('Shift+ArrowDown');
  // Each an act of its own.
  await tab.waitForTimeout(800);
});
await time('undo', 'keydown', where, async () => {
  await tab.keyboard.press('Control+z');
  await tab.waitForTimeout(500);
});
await tab.keyboard.press('Escape');
await time('+ Motion is opened', 'keydown', "document.querySelector('.add-panel') !== null", async (i) => {
  if (i % 2) await tab.keyboard.press('Escape');
  else await tab.keyboard.press('a');
  await tab.waitForTimeout(400);
});
await tab.keyboard.press('a');
await time(
  'a starting point is pointed at',
  'pointermove',
  "document.querySelector('.plate.chosen')?.textContent",
  async (i) => {
    await tab
      .locator('.plate')
      .nth(i + 1)
      .hover();
    await tab.waitForTimeout(500);
  },
);
await tab.keyboard.press('Escape');

const SCREENS = [
  ['Trials', "document.querySelector('.trial-findings[data-state=fresh]') !== null"],
  ['Takes', "document.querySelector('.takes') !== null"],
  ['Hand-off', "document.querySelector('.hand-off pre, .hand-off .code') !== null"],
  ['Rundown', "document.querySelector('.rundown[data-settled=true]') !== null"],
] as const;
for (const [name, read] of SCREENS) {
  const watched = await watch(tab, 'click', read);
  await tab.getByRole('link', { name, exact: true }).click();
  await tab.waitForTimeout(3500);
  const { waits, tasks } = await watched.done();
  report({
    name: `Almanac: to ${name}, longest task`,
    value: Math.max(0, ...tasks) / 50,
    unit: '× 50 ms',
    accept: 1,
    aim: 1,
    better: 'lower',
  });
  console.log(`  shown after ${waits.map(Math.round).join() || '?'} ms here`);
}
await browser.close();
