/** The script: its size, and 500 damped motions against a bare loop that makes the same writes. */
import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { build } from 'esbuild';
import { chromium } from '@playwright/test';
import { PARTS } from '../scripts/setup/parts.mjs';
import { median, report } from './support/figures.ts';

const bundle = async () =>
  (
    await build({
      entryPoints: ['packages/runtime/src/index.ts'],
      bundle: true,
      minify: true,
      format: 'iife',
      globalName: 'lyvek',
      write: false,
    })
  ).outputFiles[0]!.text;

// As it is built: what every page with motions for the script loads, and the parts that only pages load which use them.
for (const [file, aim] of [['runtime', 4], ...PARTS.map(({ name }) => [name, 1.5] as const)] as const)
  report({
    name: `script: ${file}, minified and gzipped`,
    value: gzipSync(readFileSync(`dist/${file}.js`), { level: 9 }).length / 1000,
    unit: 'kB',
    accept: aim,
    aim,
    better: 'lower',
  });

const MOTIONS = 500;
const PAGE = `<!doctype html><style>body { margin: 0; height: 20000px } i { position: absolute; width: 20px; height: 20px; background: #9ab }
@keyframes lv-a { from { translate: 0 0; opacity: 0 } to { translate: 0 80px; opacity: 1 } }
i { animation: lv-a auto linear both; animation-timeline: scroll(root block); animation-range: 0px 9000px }</style>
${Array.from({ length: MOTIONS }, (_, k) => `<i style="left:${(k * 13) % 900}px;top:${(k * 37) % 8000}px"></i>`).join('')}`;

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-quic', '--no-first-run', '--disable-background-networking'],
});
const page = await browser.newPage({ viewport: { width: 1000, height: 800 } });
await page.setContent(PAGE);
await page.addScriptTag({ content: await bundle() });
// Both write currentTime of the same animations on the same scroll; only the time inside their frame callback counts.
const ratios = (await page.evaluate(`(async () => {
  const real = () => new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(r)));
  const FRAMES = 60;
  let asked = [];
  let now = 0;
  const clock = { now: () => now, request: (f) => asked.push(f), cancel: () => undefined };
  const flush = () => { const due = asked; asked = []; let spent = performance.now(); due.forEach((f) => f()); return performance.now() - spent; };
  const plan = { damping: [{ names: ['lv-a'], selector: 'i', damping: { kind: 'half-life', halfLife: 90 } }] };
  const ours = async () => {
    scrollTo({ top: 100, behavior: 'instant' });
    await real();
    const stop = lyvek.play(document, plan, clock);
    for (let i = 0; i < 4; i++) { await real(); now += 16; flush(); }
    let spent = 0;
    for (let i = 1; i <= FRAMES; i++) {
      scrollTo({ top: 100 + i * 60, behavior: 'instant' });
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
    scrollTo({ top: 100, behavior: 'instant' });
    await real();
    const all = [...document.querySelectorAll('i')].map((e) => e.getAnimations()[0]);
    for (const a of all) { a.timeline = document.timeline; a.pause(); a.effect.updateTiming({ duration: 1000 }); }
    let y = 100;
    let spent = 0;
    for (let i = 1; i <= FRAMES; i++) {
      scrollTo({ top: 100 + i * 60, behavior: 'instant' });
      const began = performance.now();
      y += (scrollY - y) * 0.12;
      for (let k = 0; k < all.length; k++) all[k].currentTime = (y / 9000) * 1000;
      spent += performance.now() - began;
      await new Promise(requestAnimationFrame);
    }
    for (const e of document.querySelectorAll('i')) e.style.animation = 'none';
    void getComputedStyle(document.querySelector('i')).animationName;
    for (const e of document.querySelectorAll('i')) e.style.animation = '';
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
  name: `${MOTIONS} damped motions against a bare loop with the same writes`,
  value: median(ratios),
  unit: '×',
  accept: 1.1,
  aim: 1.1,
  better: 'lower',
});
