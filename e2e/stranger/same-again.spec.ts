/** What is seen is what is true: layout, bars and findings are the same after a reload, after another screen, after undo, and after another viewport. */
import { itemAt, present, withPins } from '@lyvek/core';
import type { Layout, MotionDocument } from '@lyvek/core';
import { expect, test } from '@playwright/test';
import { newProject, saved } from '../support/app.ts';
import { FULL } from '../support/full.ts';
import { dwell, settled } from '../support/time.ts';
import { goThere, PLACES } from './pages.ts';
import { Random } from './random.ts';
import { World } from './world.ts';

test.describe.configure({ mode: 'parallel' });

const seed = Number(process.env.LYVEK_STRANGER_SEED ?? 20_261);

/** Nothing is selected or zoomed, and the page has been measured. */
async function rest(w: World): Promise<void> {
  await w.settle();
  await w.page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  for (let i = 0; i < 3; i++) await w.page.keyboard.press('Escape');
  await w.page.keyboard.press('0');
  await settled(w.page);
}

interface Seen {
  shown: Record<string, unknown>;
  layout: unknown;
}

/** What is shown, and the layout that it comes from: the one that was stored last at this size. */
async function see(w: World, pageId: string): Promise<Seen> {
  await rest(w);
  const shown = await w.ask<Record<string, unknown>>('shown');
  const answer = await w.page.request.get(new URL(`/api/pages/${pageId}`, w.url).href);
  const { layouts } = (await answer.json()) as { layouts: Layout[] };
  const { pins } = (await w.stored()) as unknown as MotionDocument;
  // Layouts say which pins they were measured with; seen with the document’s they are the same.
  const layout = withPins(present(layouts.find((l) => l.viewport.width === 1280)), pins);
  return {
    shown,
    layout: { page: layout.page, elements: layout.elements.map((e) => [e.selector, e.box]) },
  };
}

/** Boxes come from numbers that a float holds: half a tenth of a pixel is the same. Anything else is left as it is. */
function snapped(now: unknown, to: unknown): unknown {
  if (typeof now === 'number' && typeof to === 'number') return Math.abs(now - to) < 0.05 ? to : now;
  if (Array.isArray(now) && Array.isArray(to)) return now.map((v, i) => snapped(v, to[i]));
  if (now && to && typeof now === 'object' && typeof to === 'object')
    return Object.fromEntries(
      Object.entries(now).map(([key, v]) => [key, snapped(v, (to as Record<string, unknown>)[key])]),
    );
  return now;
}

async function otherViewport(w: World, size: string): Promise<void> {
  await w.page.getByRole('button', { name: /^Viewport / }).click();
  await w.page.getByRole('dialog').getByText(size).click();
  await w.page.keyboard.press('Escape');
  await w.settle();
}

const WAYS: Record<string, (w: World) => Promise<unknown>> = {
  'a reload': (w) => w.page.reload(),
  'another screen': async (w) => {
    await w.page.getByRole('link', { name: 'Trials', exact: true }).click();
    await w.page.locator('.trials').waitFor();
    await dwell(w.page, 400);
    await w.page.getByRole('link', { name: 'Rundown', exact: true }).click();
    await w.page.locator('.rundown[data-settled]').waitFor();
  },
  'delete, undo, redo and undo': async (w) => {
    await w.page.locator('.rundown').focus();
    for (const key of ['n', 'Delete', 'Control+z', 'Control+Shift+z', 'Control+z']) {
      await w.page.keyboard.press(key);
      await dwell(w.page, 250);
    }
    await saved(w.page);
  },
  'another viewport and back': async (w) => {
    await otherViewport(w, '390 × 844');
    await dwell(w.page, 300);
    await otherViewport(w, '1280 × 800');
  },
};

for (const [i, place] of PLACES.entries())
  test(
    `the same again: ${place.name}`,
    /Nested|Sideways/.test(place.name) ? {} : FULL,
    async ({ browser, request }) => {
      const entrance = await goThere(request, place, await newProject(request, `Same again ${i}`));
      const w = await World.enter(browser, entrance.url, entrance.take);
      const first = await see(w, entrance.page);
      expect((first.shown.bars as string[]).length, 'something is shown').toBeGreaterThan(0);
      // Each way once, in an order of chance, and two of them again.
      const random = new Random(seed + i);
      const names = Object.keys(WAYS);
      const order = names
        .map((name) => ({ name, at: random.next() }))
        .sort((a, b) => a.at - b.at)
        .map((o) => o.name);
      order.push(itemAt(names, Math.floor(random.next() * 4)), itemAt(names, Math.floor(random.next() * 4)));
      for (const [k, name] of order.entries()) {
        await present(WAYS[name])(w);
        const now = await see(w, entrance.page);
        expect(snapped(now, first), `after ${order.slice(0, k + 1).join(', ')}`).toEqual(first);
      }
      expect(w.noise).toEqual([]);
      await w.leave();
    },
  );
