/**
 * Nobody loses a word: whatever a reader could read of a page as it was brought can be read in its hand-off, too, with motion, with reduced
 * motion, on paper, without scripts, and in browsers without scroll timelines or without triggers.
 */
import { itemAt, lastItem } from '@lyvek/core';
import { expect, test } from '@playwright/test';
import type { Browser, Page } from '@playwright/test';
import { zipSync, unzipSync } from 'fflate';
import { addNew, addPage, base, newProject } from '../support/app.ts';
import { PLACES } from '../stranger/pages.ts';
import { listFiles, movingPages } from '../css-import/pages.ts';
import { pass, wordsSeen } from './seen.ts';
import type { Seen } from './seen.ts';
import { settled } from '../support/time.ts';

// Each has a project of its own.
test.describe.configure({ mode: 'parallel' });

type Files = Record<string, Uint8Array>;

const TYPES: Record<string, string> = {
  html: 'text/html',
  css: 'text/css',
  js: 'text/javascript',
  svg: 'image/svg+xml',
};
const text = (b: Uint8Array) => Buffer.from(b).toString('utf8');

interface Mode {
  name: string;
  /** how CSS is read by that browser */
  css?: (css: string) => string;
  /** what CSS.supports denies there */
  denies?: string;
  reducedMotion?: 'reduce';
  print?: boolean;
  scriptOff?: boolean;
  /** which hand-offs are looked at: with the fallback script, without, or both */
  of: readonly ('plain' | 'fallback')[];
}

/** A browser without a feature skips the block that asks for it. */
const without = (feature: string) => (css: string) =>
  css.replaceAll(`@supports (${feature}`, '@supports (no-such');

const MODES: readonly Mode[] = [
  { name: 'with motion', of: ['plain'] },
  { name: 'reduced motion', reducedMotion: 'reduce', of: ['plain', 'fallback'] },
  { name: 'print', print: true, of: ['plain', 'fallback'] },
  { name: 'script off', scriptOff: true, of: ['plain', 'fallback'] },
  { name: 'no timelines', css: without('animation-timeline'), denies: 'timeline', of: ['plain', 'fallback'] },
  {
    name: 'no triggers',
    css: (css) => without('animation-trigger')(css).replace(/(animation|timeline)-trigger:/g, 'no-such:'),
    denies: 'trigger',
    of: ['plain'],
  },
];

async function opened(browser: Browser, files: Files, mode: Mode): Promise<Page> {
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    javaScriptEnabled: !mode.scriptOff,
    reducedMotion: mode.reducedMotion ?? 'no-preference',
  });
  const page = await context.newPage();
  if (mode.denies)
    await page.addInitScript((denied) => {
      const supports = CSS.supports.bind(CSS) as (...a: string[]) => boolean;
      CSS.supports = ((...a: string[]) =>
        !a.join(':').includes(denied) && supports(...a)) as typeof CSS.supports;
    }, mode.denies);
  await page.route('http://read.test/**', (route) => {
    const path = decodeURIComponent(new URL(route.request().url()).pathname.slice(1)) || 'index.html';
    const file = files[path];
    if (!file) return route.fulfill({ status: 404, body: '' });
    const type = TYPES[lastItem(path.split('.'))] ?? 'application/octet-stream';
    const body = mode.css && /css|html/.test(type) ? mode.css(text(file)) : Buffer.from(file);
    return route.fulfill({ body, contentType: type });
  });
  await page.goto('http://read.test/');
  if (mode.print) {
    await page.evaluate(() => dispatchEvent(new Event('beforeprint')));
    await page.emulateMedia({ media: 'print' });
  }
  await pass(page, 300);
  return page;
}

/** With the HTML that was read. */
type Read = Seen & { source: string };

async function readBy(
  browser: Browser,
  files: Files,
  mode: Mode,
  aside: readonly string[] = [],
  least = 60,
): Promise<Read> {
  const page = await opened(browser, files, mode);
  const seen = await wordsSeen(page, aside, least);
  await page.context().close();
  return { ...seen, source: text(files['index.html'] ?? itemAt(Object.values(files), 0)) };
}

/** Without the motions that are wrong on purpose: the places have them so that something is found. */
const soundOf = (document: unknown) => {
  const d = document as { motions: { id: string }[] };
  return { ...d, motions: d.motions.filter((m) => !['m_back', 'm_thin', 'm_never'].includes(m.id)) };
};
/** Every motion of this page is a mistake, some of which hide words while they play; without motion none may be lost. */
const PLANTED = 'hessle';

/** Columns that move against each other clip what stands at their ends: the page is made so. */
const CLIPPED = ['.columns'];

/** The almanac is as long as thirty other pages: it has its turn in the full set. */
const DEMOS = process.env.LYVEK_FULL ? ['night', 'hessle', 'almanac'] : ['night', 'hessle'];

/** Words that are read in one and not in the other. */
const lost = (was: Read, is: Read): string[] => {
  const there = new Set([...is.words, ...is.replaced, ...was.replaced]);
  // What a script has put in the place of a word before anybody could read it is no loss of ours.
  return was.words.filter(
    (w) => !there.has(w) && (is.there.has(w) || !is.source.includes(itemAt(w.split(' '), 0))),
  );
};

for (const place of PLACES.filter((p) => DEMOS.includes(p.name) || p.name.startsWith('Pins')))
  test(`no reader loses a word of “${place.name}”`, async ({ browser, request, page }) => {
    test.setTimeout(300_000);
    const added = place.files();
    const id = await addNew(request, `Words ${place.name}`, Buffer.from(zipSync(added)));
    const take = (
      await (
        await request.post(`${base}/api/pages/${id}/takes`, {
          data: { name: 'T', document: soundOf(place.document()) },
        })
      ).json()
    ).id as string;
    // Measured once, as everybody does who hands it off.
    await page.goto(`${base}/pages/${id}?take=${take}`);
    await page.waitForSelector('.rundown[data-settled=true]', { timeout: 60_000 });
    const zip = async (query: string) => {
      const response = await request.get(
        `${base}/api/takes/${take}/hand-off.zip?width=1280&height=800${query}`,
      );
      expect(response.status(), response.ok() ? '' : await response.text()).toBe(200);
      return unzipSync(new Uint8Array(await response.body()));
    };
    const handed = { plain: await zip(''), fallback: await zip('&fallback=true') };
    const { motions } = place.document() as {
      motions: { driver: { kind: string }; targets: { selector: string } }[];
    };
    const marquees = motions.flatMap((m) => (m.driver.kind === 'marquee' ? [m.targets.selector] : []));
    const aside = [...marquees, ...CLIPPED];
    const table: string[] = [];
    for (const mode of MODES) {
      if (place.name === PLANTED && !mode.reducedMotion && !mode.print) continue;
      const was = await readBy(browser, added, mode, aside);
      for (const kind of mode.of) {
        const is = await readBy(browser, handed[kind], mode, aside);
        const gone = lost(was, is);
        table.push(
          `${mode.name}, ${kind}: ${is.words.length} of ${was.words.length} words${gone.length ? `, lost ${gone.length}: ${gone.slice(0, 6).join(' ')}` : ''}`,
        );
        // A page of which nothing is read proves nothing.
        expect(was.words.length).toBeGreaterThan(20);
      }
    }
    console.log(`${place.name}\n  ${table.join('\n  ')}`);
    expect(table.filter((row) => row.includes('lost'))).toEqual([]);
  });

test('no reader loses a word of the pages that move already', async ({ browser, request, page }) => {
  test.setTimeout(900_000);
  const project = await newProject(request, 'Words of moving pages');
  const rows: string[] = [];
  let words = 0;
  // A fifth of them is enough for every run.
  for (const name of movingPages().filter((_, i) => process.env.LYVEK_FULL || i % 5 === 0)) {
    const added = Object.fromEntries([...listFiles(name)].map(([p, t]) => [p, new TextEncoder().encode(t)]));
    const id = await addPage(request, project, Buffer.from(zipSync(added)));
    const whole = await (await request.get(`${base}/api/pages/${id}`)).json();
    await page.goto(`${base}/pages/${id}`);
    await page.waitForSelector('.preview[data-link=ready]', { timeout: 60_000 });
    await settled(page);
    const response = await request.get(
      `${base}/api/takes/${whole.takes[0].id}/hand-off.zip?width=1280&height=800`,
    );
    expect(response.status(), name).toBe(200);
    const handed = unzipSync(new Uint8Array(await response.body()));
    for (const mode of MODES.filter((m) => m.name === 'with motion' || m.reducedMotion)) {
      const was = await readBy(browser, added, mode, [], 12);
      const is = await readBy(browser, handed, mode, [], 12);
      words += was.words.length;
      const gone = lost(was, is);
      if (gone.length)
        rows.push(
          `${name}, ${mode.name}: lost ${gone.length} of ${was.words.length}: ${gone.slice(0, 5).join(' ')}`,
        );
    }
  }
  expect(words).toBeGreaterThan(60);
  expect(rows).toEqual([]);
});
