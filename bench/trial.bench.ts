/** A simulated trial: how its time grows with motions and with frames, and what it costs the interface while it runs in its worker. */
import { chromium } from '@playwright/test';
import type { Browser } from '@playwright/test';
import { makeClock, compileTimeline, findGesture, shippedCoefficients, simulate } from '@lyvek/core';
import { makeDocument, element, fadeAndRise, makeLayout, motion } from '@lyvek/core/testing';
import { median, report } from './support/figures.ts';

/** `count` cards, a motion each, `per` of them to a screen of 800 px. */
function trialOf(count: number, per: number, refresh: number) {
  const step = 800 / per;
  const elements = Array.from({ length: count }, (_, i) =>
    element({ selector: `#e${i}`, box: { x: 0, y: 900 + i * step, width: 300, height: 200 } }),
  );
  const document = makeDocument(
    ...elements.map((e, i) =>
      motion({ id: `m_${i}`, targets: { selector: e.selector }, keyframes: fadeAndRise('0 80px') }),
    ),
  );
  const layout = makeLayout(elements, 900 + count * step);
  const timeline = compileTimeline(document, layout);
  const gesture = findGesture('steady', 800);
  const coefficients = shippedCoefficients('here');
  return () =>
    void simulate({
      document,
      timeline,
      gesture,
      clock: makeClock(refresh),
      direction: 'down',
      coefficients,
    });
}

const timeOf = (work: () => void, rounds = 7): number => {
  for (let i = 0; i < 3; i++) work();
  return median(
    Array.from({ length: rounds }, () => {
      const began = performance.now();
      work();
      return performance.now() - began;
    }),
  );
};
/** Slope of time against size on logarithmic scales, over three doublings. */
const exponentOf = (times: readonly number[]): number =>
  Math.log2(times.at(-1)! / times[0]!) / (times.length - 1);

// The page keeps its length, so the frames stay the same.
const byMotions = [150, 300, 600, 1200].map((n) => timeOf(trialOf(n, n / 40, 60)));
report({
  name: 'simulated trial: exponent of time in motions',
  value: exponentOf(byMotions),
  unit: '',
  accept: 1.1,
  aim: 1,
  better: 'lower',
});
const byFrames = [60, 120, 240, 480].map((hz) => timeOf(trialOf(300, 7.5, hz)));
report({
  name: 'simulated trial: exponent of time in frames',
  value: exponentOf(byFrames),
  unit: '',
  accept: 1.1,
  aim: 1,
  better: 'lower',
});

const base = process.env.LYVEK_URL!;
const ROUNDS = 6;
interface Watched {
  tasks: number[];
}

/** From a click on another gesture to fresh figures and findings, with the long tasks of the interface meanwhile. */
async function inTheInterface(browser: Browser, name: string): Promise<{ took: number; tasks: number[] }> {
  const { projects } = await (await fetch(`${base}/api/projects`)).json();
  const { pages } = await (await fetch(`${base}/api/projects/${projects[0].id}`)).json();
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${base}/pages/${pages.find((p: { name: string }) => p.name.includes(name)).id}/trials`);
  await page.locator('.trial-findings[data-state=fresh]').waitFor({ timeout: 60_000 });
  await page.waitForTimeout(1500);
  await page.evaluate(() => {
    const kept = window as unknown as Watched;
    kept.tasks = [];
    new PerformanceObserver((list) => kept.tasks.push(...list.getEntries().map((e) => e.duration))).observe({
      type: 'longtask',
    });
  });
  const took: number[] = [];
  for (let i = 0; i < ROUNDS; i++) {
    const began = Date.now();
    await page.getByRole('button', { name: i % 2 ? 'Brisk wheel' : 'Steady' }).click();
    await page
      .locator('.trial-findings[data-state=stale]')
      .waitFor({ timeout: 5000 })
      .catch(() => {});
    await page.locator('.trial-findings[data-state=fresh]').waitFor({ timeout: 60_000 });
    took.push(Date.now() - began);
  }
  const tasks = await page.evaluate(() => (window as unknown as Watched).tasks);
  await page.close();
  return { took: median(took), tasks };
}

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
for (const [name, accept, aim] of [
  ['Night', 0.2, 0.05],
  ['Almanac', 1, 0.15],
] as const) {
  const { took, tasks } = await inTheInterface(browser, name);
  // A click is answered after a rest of 90 ms, so that a series of changes is worked out once.
  console.log(
    `${name}: trial from click to figures here ${took} ms; of a second: accept ${accept}, aim ${aim}`,
  );
  console.log(`long tasks (ms): ${tasks.map((t) => Math.round(t)).join(' ') || 'none'}`);
  report({
    name: `long tasks over 50 ms in the interface per trial of the ${name}`,
    value: tasks.length / ROUNDS,
    unit: '',
    accept: null,
    aim: 0,
    better: 'lower',
  });
}
await browser.close();
