/** Dragging the end of one bar among many: from the pointer's move to the frame that shows it, in frames, in lanes and preview apart. */
import { bareWaits, launch, openTab, watch } from './support/browser.ts';
import { median, percentile, report } from './support/figures.ts';
import { addLongPage, findPage } from './support/pages.ts';

const base = process.env.LYVEK_URL!;
const FRAME = 1000 / 60;
const MOVES = 90;

const browser = await launch();
/** The limit: one element of an empty page, moved in the same way. */
const bare = await bareWaits(browser, MOVES);
console.log(
  `an element on a bare page: p50 ${median(bare).toFixed(1)} ms, p95 ${percentile(bare, 0.95).toFixed(1)} ms here`,
);
const tab = await openTab(browser);
/** The browser’s own part of it: the same bar on the same screen, moved by one attribute and nothing else. ms, one for each move. */
async function moveAlone(motion: string): Promise<number[]> {
  await tab.evaluate((id) => {
    const bar = document.querySelector(`[data-motion=${id}]`)!;
    const move = (e: PointerEvent) => bar.setAttribute('transform', `translate(0 ${e.clientX % 40})`);
    const over = new AbortController();
    addEventListener('pointermove', move, { signal: over.signal });
    addEventListener('bench-over', () => (over.abort(), bar.removeAttribute('transform')), { once: true });
  }, motion);
  const watched = await watch(tab, 'pointermove', 'performance.now()');
  for (let i = 0; i < MOVES; i++) {
    await tab.mouse.move(760 + (i % 40), 12);
    await tab.waitForTimeout(24);
  }
  const { waits } = await watched.done();
  await tab.evaluate(() => dispatchEvent(new Event('bench-over')));
  return waits;
}

/** Drags one end in the lanes, from the pointer’s move to the frame that shows it. Returns the motion that was dragged. */
async function drag(pageId: string, count: string, zooms: number): Promise<string> {
  await tab.goto(`${base}/pages/${pageId}`);
  await tab.locator('.bar').nth(200).waitFor({ state: 'attached', timeout: 30_000 });
  await tab.waitForTimeout(1500);
  for (let i = 0; i < zooms; i++) await tab.keyboard.press('+');
  await tab.locator('.scrub-area').click({ position: { x: 20, y: 300 } });
  const visible = await tab.evaluate(() => {
    const bars = [...document.querySelectorAll<SVGGElement>('.bar')].map((b) => ({
      id: b.dataset.motion!,
      y: b.getBoundingClientRect().top,
    }));
    return bars.sort((a, b) => Math.abs(a.y - 400) - Math.abs(b.y - 400))[0]!.id;
  });
  await tab.locator(`[data-motion=${visible}] .bar-grip`).click();
  const alone = await moveAlone(visible);
  const handle = (await tab.locator(`[data-motion=${visible}] .handle-area`).nth(1).boundingBox())!;
  const x = handle.x + handle.width / 2;
  const y = handle.y + handle.height / 2;

  // A move that is caught at an end or a line changes nothing, and is drawn all the same.
  const watched = await watch(tab, 'pointermove', 'performance.now()');
  const bar = tab.locator(`[data-motion=${visible}] .bar-grip`);
  const heights = new Set<string | null>();
  await tab.mouse.move(x, y);
  await tab.mouse.down();
  for (let i = 0; i < MOVES; i++) {
    await tab.mouse.move(x, y + 4 + 30 * Math.sin(i / 8));
    await tab.waitForTimeout(24);
    if (i % 8 === 0) heights.add(await bar.getAttribute('height'));
  }
  const { waits } = await watched.done();
  await tab.keyboard.press('Escape');
  await tab.mouse.up();
  if (heights.size < 3) throw new Error(`The bar of ${count} motions did not follow.`);
  for (const [name, p] of [
    ['p50', 0.5],
    ['p95', 0.95],
  ] as const) {
    console.log(
      `  the browser alone, one attribute of that bar: ${name} ${(percentile(alone, p) / FRAME).toFixed(2)} frames`,
    );
    report({
      name: `drag of an end among ${count} motions, from the move to what is painted, ${name}`,
      value: percentile(waits, p) / FRAME,
      unit: 'display frames',
      accept: 1.2,
      aim: 1.2,
      better: 'lower',
    });
  }
  return visible;
}

await drag(await findPage('Almanac'), '518 (Almanac)', 4);
await drag(await addLongPage(2000), '2,000', 6);
const visible = await drag(await addLongPage(400), '400', 4);

// In the preview: the browser's own restyle after one changed sheet, apart from us.
const frame = tab.frames().find((f) => f.parentFrame())!;
const restyle = await frame.evaluate(
  (id) =>
    new Promise<number[]>((done) => {
      const sheet = document.adoptedStyleSheets.find((s) =>
        [...s.cssRules].some((r) => r.cssText.startsWith(id)),
      )!;
      const text = [...sheet.cssRules].map((r) => r.cssText).join('\n');
      const out: number[] = [];
      let n = 0;
      const step = () => {
        const began = performance.now();
        sheet.replaceSync(text.replace(/entry 10%/, `entry ${10 + (n % 5)}%`));
        void getComputedStyle(document.querySelector(id)!).opacity;
        out.push(performance.now() - began);
        if (++n < 60) requestAnimationFrame(step);
        else done(out);
      };
      requestAnimationFrame(step);
    }),
  `#d${visible.slice(2)}`,
);
report({
  name: 'preview restyle of one sheet among 400, p95',
  value: percentile(restyle, 0.95) / FRAME,
  unit: 'frames',
  accept: 1,
  aim: 1,
  better: 'lower',
});
await browser.close();
