/** Dragging the end of one bar among many: from the pointer's move to the frame that shows it, in frames, in lanes and preview apart. */
import { chromium } from '@playwright/test';
import { percentile, report } from './support/figures.ts';
import { longDocument, longPage } from './support/long-page.ts';

const base = process.env.LYVEK_URL!;
const FRAME = 1000 / 60;
const MOVES = 90;

const json = async (path: string, init?: RequestInit) =>
  (await fetch(`${base}/api${path}`, init)).json() as Promise<Record<string, never>>;
/** A page of its own with so many motions; returns its id. */
async function brought(count: number): Promise<string> {
  const project = await json('/projects', {
    method: 'POST',
    body: JSON.stringify({ name: 'Bench' }),
    headers: { 'content-type': 'application/json' },
  });
  const page = await json(`/projects/${project.id}/pages`, {
    method: 'POST',
    body: longPage(count),
    headers: { 'content-type': 'text/html' },
  });
  const { takes } = (await json(`/pages/${page.id}`)) as unknown as { takes: { id: string }[] };
  await json(`/takes/${takes[0]!.id}/document`, {
    method: 'PUT',
    body: JSON.stringify(longDocument(count)),
    headers: { 'content-type': 'application/json', 'if-match': '"1"', 'x-edit-id': crypto.randomUUID() },
  });
  return page.id as unknown as string;
}
/** The long page of the demo. */
async function almanac(): Promise<string> {
  const { projects } = (await json('/projects')) as unknown as { projects: { id: string }[] };
  const shelf = (await json(`/projects/${projects[0]!.id}`)) as unknown as {
    pages: { id: string; name: string }[];
  };
  return shelf.pages.find((p) => p.name.includes('Almanac'))!.id;
}

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-quic', '--no-first-run', '--disable-background-networking'],
});
const tab = await browser.newPage({ viewport: { width: 1280, height: 800 } });
// The TypeScript loader names functions by a helper that pages do not have.
await tab.addInitScript('globalThis.__name = (f) => f');
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
  const handle = (await tab.locator(`[data-motion=${visible}] .handle-area`).nth(1).boundingBox())!;
  const x = handle.x + handle.width / 2;
  const y = handle.y + handle.height / 2;

  // In the lanes: from the event's own time stamp to the frame after the one in which React has drawn.
  await tab.evaluate(() => {
    const store = globalThis as unknown as { waits: number[] };
    store.waits = [];
    addEventListener(
      'pointermove',
      (e) => {
        const at = e.timeStamp;
        requestAnimationFrame(() => {
          const channel = new MessageChannel();
          channel.port1.onmessage = () => store.waits.push(performance.now() - at);
          channel.port2.postMessage(0);
        });
      },
      true,
    );
  });
  await tab.mouse.move(x, y);
  await tab.mouse.down();
  for (let i = 0; i < MOVES; i++) {
    await tab.mouse.move(x, y + 4 + 30 * Math.sin(i / 8));
    await tab.waitForTimeout(24);
  }
  const lanes = await tab.evaluate(() => (globalThis as unknown as { waits: number[] }).waits);
  await tab.mouse.up();
  report({
    name: `drag of an end among ${count} motions, lanes, p50`,
    value: percentile(lanes, 0.5) / FRAME,
    unit: 'frames',
    accept: 2,
    aim: 1,
    better: 'lower',
  });
  report({
    name: `drag of an end among ${count} motions, lanes, p95`,
    value: percentile(lanes, 0.95) / FRAME,
    unit: 'frames',
    accept: 3,
    aim: 2,
    better: 'lower',
  });
  return visible;
}

await drag(await almanac(), '518 (Almanac)', 4);
await drag(await brought(2000), '2,000', 6);
const visible = await drag(await brought(400), '400', 4);

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
  accept: 3,
  aim: 1,
  better: 'lower',
});
await browser.close();
