/** What plays the motions where scroll timelines are missing: 500 of them against a bare loop that makes the same writes. */
import { chromium } from '@playwright/test';
import { build } from 'esbuild';
import { fallbackPlan, withPins } from '@lyvek/core';
import { element, makeDocument, makeLayout, motion } from '@lyvek/core/testing';
import { median, report } from './support/figures.ts';

const { outputFiles } = await build({
  entryPoints: ['packages/runtime/src/fallback/index.ts'],
  bundle: true,
  minify: true,
  format: 'iife',
  globalName: 'fallback',
  write: false,
});

const MOTIONS = 500;
const PAGE = `<!doctype html><style>body { margin: 0; height: 20000px } i { position: absolute; width: 20px; height: 20px; background: #9ab }</style>
${Array.from({ length: MOTIONS }, (_, k) => `<i style="left:${(k * 13) % 900}px;top:${(k * 37) % 8000}px"></i>`).join('')}`;
const between = (from: string, to: string) => [
  { at: '0%', value: from },
  { at: '100%', value: to },
];
const document = makeDocument(
  motion({
    targets: { selector: 'i' },
    range: { start: 'cover 0%', end: 'cover 100%' },
    keyframes: { translate: between('0 0', '0 80px') },
  }),
);
const { plan } = fallbackPlan(document, withPins(makeLayout([element({ selector: 'i' })]), []));

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-quic', '--no-first-run', '--disable-background-networking'],
});
const page = await browser.newPage({ viewport: { width: 1000, height: 800 } });
await page.setContent(PAGE);
await page.addScriptTag({ content: outputFiles[0]!.text });
const ratios = (await page.evaluate(`(async () => {
  const real = () => new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(r)));
  const FRAMES = 120;
  const plan = ${JSON.stringify(plan)};
  let asked = [];
  let now = 0;
  const clock = { now: () => now, request: (f) => asked.push(f), cancel: () => undefined };
  const flush = () => { const due = asked; asked = []; const began = performance.now(); due.forEach((f) => f()); return performance.now() - began; };
  const ours = async () => {
    scrollTo({ top: 0, behavior: 'instant' });
    await real();
    const stop = fallback.play(plan, clock);
    for (let i = 0; i < 4; i++) { await real(); now += 16; flush(); }
    let spent = 0;
    for (let i = 1; i <= FRAMES; i++) {
      scrollTo({ top: i * 60, behavior: 'instant' });
      document.dispatchEvent(new Event('scroll'));
      now += 1000 / 60;
      spent += flush();
      await new Promise(requestAnimationFrame);
    }
    stop();
    asked = [];
    await real();
    return spent;
  };
  const bare = async () => {
    scrollTo({ top: 0, behavior: 'instant' });
    await real();
    const all = [...document.querySelectorAll('i')].map((e) => {
      const animation = e.animate({ translate: ['0 0', '0 80px'] }, { duration: 1000, fill: 'both' });
      animation.pause();
      const top = e.offsetTop;
      return { animation, start: top - 800, end: top + 20, last: NaN };
    });
    let spent = 0;
    for (let i = 1; i <= FRAMES; i++) {
      scrollTo({ top: i * 60, behavior: 'instant' });
      const began = performance.now();
      const y = scrollY;
      for (const one of all) {
        const { animation, start, end } = one;
        const time = y < start ? -1 : y >= end ? 1000 : ((y - start) / (end - start)) * 1000;
        if (one.last !== time) animation.currentTime = one.last = time;
      }
      spent += performance.now() - began;
      await new Promise(requestAnimationFrame);
    }
    for (const { animation } of all) animation.cancel();
    await real();
    return spent;
  };
  await ours();
  await bare();
  const out = [];
  for (let i = 0; i < 5; i++) out.push((await ours()) / (await bare()));
  return out;
})()`)) as number[];
await browser.close();
report({
  name: `${MOTIONS} motions of the fallback against a bare loop with the same writes`,
  value: median(ratios),
  unit: '×',
  accept: 1.5,
  aim: 1.2,
  better: 'lower',
});
