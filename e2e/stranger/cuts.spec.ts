/**
 * Nothing is lost: what was shown is there after any sequence of edits, cut lines, a server that answers 503, closing, reloading, and a second tab.
 * A tab that another one was faster than keeps its acts as a take of its own.
 */
import { present } from '@lyvek/core';
import { expect, test } from '@playwright/test';
import type { APIRequestContext, BrowserContext, Page } from '@playwright/test';
import { base, newProject } from '../support/app.ts';
import { FULL } from '../support/full.ts';
import { dwell, latency, settled } from '../support/time.ts';
import { goThere, PLACES } from './pages.ts';
import { Random } from './random.ts';

test.describe.configure({ mode: 'parallel' });

const first = Number(process.env.LYVEK_STRANGER_SEED ?? 20_261);
const RUNS = 12;
const ACTS = 14;

type Fault = 'none' | 'cut' | '503' | 'slow';

/** A window, and what it showed last. */
interface Tab {
  page: Page;
  shown: string[];
}

/** Every motion with whether it plays: `id on`. */
const read = (page: Page): Promise<string[]> =>
  page
    .locator('.bar')
    .evaluateAll((bars) =>
      bars.map((b) => `${b.getAttribute('data-motion')} ${!b.classList.contains('muted')}`).sort(),
    );

const atRest = async (page: Page): Promise<void> => {
  await page.locator('.bar').first().waitFor();
  await settled(page);
};

/** Edits as hands make them: a few keys, one after the other, at once or with a pause. */
const EDITS: readonly (readonly string[])[] = [
  ['Control+d'],
  ['m'],
  ['ArrowDown', 'ArrowDown', 'ArrowDown'],
  ['Control+d', 'm', 'Control+d'],
  ['Control+d', 'Control+z'],
];

class Desk {
  fault: Fault = 'none';
  tabs: Tab[] = [];
  /** what windows showed after each edit */
  readonly promised: string[][] = [];
  readonly told: string[] = [];
  /** there has been a second tab, whose edits may have come first */
  rivals = false;
  readonly context: BrowserContext;
  readonly url: string;
  readonly random: Random;

  constructor(context: BrowserContext, url: string, random: Random) {
    this.context = context;
    this.url = url;
    this.random = random;
  }

  async begin(): Promise<void> {
    await this.context.route('**/document?*', async (route) => {
      if (route.request().method() === 'GET' || this.fault === 'none') return route.continue();
      if (this.fault === 'cut') return route.abort();
      if (this.fault === '503')
        return route.fulfill({
          status: 503,
          contentType: 'application/problem+json',
          body: '{"title":"Away","status":503,"detail":"Away for a moment."}',
        });
      await latency(250);
      return route.continue().catch(() => undefined);
    });
    await this.open();
  }

  async open(): Promise<Tab> {
    const page = await this.context.newPage();
    await page.goto(this.url);
    await atRest(page);
    const tab = { page, shown: await read(page) };
    this.tabs.push(tab);
    return tab;
  }

  /** Somebody else was faster: this tab keeps its version, as the banner offers. */
  async keepMine(tab: Tab): Promise<void> {
    const keep = tab.page.getByRole('button', { name: 'Keep mine as a new take' });
    if (!(await keep.count())) return;
    tab.shown = await read(tab.page);
    const fault = this.fault;
    this.fault = 'none';
    await keep.click();
    await expect(keep).toHaveCount(0);
    await atRest(tab.page);
    this.fault = fault;
    expect(await read(tab.page), 'the kept version is shown').toEqual(tab.shown);
  }

  async edit(tab: Tab): Promise<void> {
    const { page } = tab;
    await page.bringToFront();
    await page.locator('.rundown').focus();
    await page.keyboard.press('n');
    for (const key of present(this.random.pick(EDITS))) {
      await page.keyboard.press(key);
      await dwell(page, this.random.between(20, 160));
    }
    tab.shown = await read(page);
    this.promised.push(tab.shown);
  }

  /** Opened again, in the same window or a new one, it shows what it showed. */
  async again(tab: Tab, how: 'reload' | 'close'): Promise<void> {
    const { shown } = tab;
    if (how === 'reload') await tab.page.reload();
    else {
      await tab.page.close();
      this.tabs = this.tabs.filter((t) => t !== tab);
      tab = await this.open();
    }
    await atRest(tab.page);
    // Another tab may have been faster: then the edits are a take of their own, and are looked for at the end.
    if (this.rivals) {
      tab.shown = await read(tab.page);
      return;
    }
    await expect.poll(() => read(tab.page), { message: `after ${how}` }).toEqual(shown);
    tab.shown = shown;
  }

  async act(): Promise<void> {
    const tab = present(this.random.pick(this.tabs));
    const what = present(
      this.random.pick(['edit', 'edit', 'edit', 'edit', 'fault', 'fault', 'reload', 'close', 'second tab']),
    );
    this.told.push(what);
    if (what === 'edit') await this.edit(tab);
    else if (what === 'fault') {
      this.fault = present(this.random.pick<Fault>(['none', 'cut', '503', 'slow']));
      this.told.push(this.fault);
    } else if (what === 'second tab') {
      this.rivals = true;
      if (this.tabs.length < 2) await this.open();
    } else await this.again(tab, what as 'reload' | 'close');
    for (const t of this.tabs) await this.keepMine(t);
  }

  /** The server is back; everything is sent. */
  async end(): Promise<void> {
    this.fault = 'none';
    for (const tab of this.tabs) {
      await tab.page.bringToFront();
      await expect
        .poll(
          async () => {
            await this.keepMine(tab);
            return tab.page.locator('.save-state').textContent();
          },
          { timeout: 20_000 },
        )
        .toMatch(/^Saved/);
      tab.shown = await read(tab.page);
    }
    // A last visit brings in what closed windows left.
    const last = await this.open();
    await expect(last.page.locator('.save-state')).toHaveText(/^Saved/);
  }
}

interface Stored {
  motions: { id: string; on: boolean }[];
}
const toLines = (d: Stored) => d.motions.map((m) => `${m.id} ${m.on}`).sort();

/** What the takes of a page hold now, and what any of their revisions held. */
async function readTakes(request: APIRequestContext, pageId: string) {
  const get = async <T>(path: string) => (await (await request.get(`${base}/api${path}`)).json()) as T;
  const { takes } = await get<{ takes: { id: string; name: string }[] }>(`/pages/${pageId}`);
  const now: string[][] = [];
  const ever: string[][] = [];
  for (const { id } of takes) {
    now.push(toLines((await get<{ document: Stored }>(`/takes/${id}`)).document));
    const { revisions } = await get<{ revisions: { number: number }[] }>(`/takes/${id}/revisions`);
    for (const { number } of revisions)
      ever.push(toLines((await get<{ document: Stored }>(`/takes/${id}/revisions/${number}`)).document));
  }
  return { now, ever };
}

for (let i = 0; i < RUNS; i++)
  test(`nothing is lost, sequence ${i + 1}`, i < 2 ? {} : FULL, async ({ browser, request }) => {
    const place = present(PLACES.find((p) => p.name === 'Wider than it thinks'));
    const { url, page: pageId } = await goThere(request, place, await newProject(request, `Cuts ${i}`));
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const desk = new Desk(context, url, new Random(first + i));
    await desk.begin();
    expect(present(desk.tabs[0]).shown).toHaveLength(2);
    for (let k = 0; k < ACTS; k++) await test.step(`act ${k + 1}`, () => desk.act());
    await desk.end();
    const { now, ever } = await readTakes(request, pageId);
    expect(desk.promised.length).toBeGreaterThan(0);
    const told = desk.told.join(', ');
    for (const promised of desk.promised)
      expect(ever, `${told}: what a window showed is a revision`).toContainEqual(promised);
    // A window that another one has overtaken shows what it knew: a revision, too.
    for (const tab of desk.tabs)
      expect(
        desk.rivals ? ever : now,
        `${told}: what a window shows at last is what the take holds`,
      ).toContainEqual(tab.shown);
    await context.close();
  });
