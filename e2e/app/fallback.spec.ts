/** A hand-off in a browser without scroll timelines: the same page, played by script. Chromium plays that browser by denying what it can. */
import { itemAt } from '@lyvek/core';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import { addMotion, cardZip, demoProject, openNew, openRundown, pick, saved } from '../support/app.ts';
import { served } from '../support/served.ts';

const WATCHED = ['#road-picture', '#hero-title', '.strip', '#seeing', '#hour-line', '#exposure canvas'];

test('the night is the same by script alone, at many places, down and up', async ({
  page,
  request,
  context,
}) => {
  // Many places of a long page, each looked at twice.
  test.slow();
  const shelf = await (await request.get(`/api/projects/${await demoProject(request)}`)).json();
  const night = shelf.pages.find((p: { name: string }) => p.name.includes('Night'));
  // Measured once, as everybody does who hands it off.
  await openRundown(page, night.id);
  const zip = async (query: string) =>
    unzipSync(
      new Uint8Array(
        await (
          await request.get(`/api/takes/${night.takes[0].id}/hand-off.zip?width=1280&height=800${query}`)
        ).body(),
      ),
    );
  const files = await zip('&fallback=true');
  expect(Object.keys(files)).toContain('motion-fallback.js');
  expect(Object.keys(await zip(''))).not.toContain('motion-fallback.js');
  const [native, old] = [await served(context, files, false), await served(context, files, true)];
  const heights = await Promise.all(
    [native, old].map((p) => p.evaluate(() => document.documentElement.scrollHeight)),
  );
  expect(heights[0]).toBe(heights[1]);
  const look = (p: Page, y: number) =>
    p.evaluate(
      async ([y, watched]) => {
        scrollTo({ top: y, behavior: 'instant' });
        for (let i = 0; i < 4; i++) await new Promise(requestAnimationFrame);
        return watched.flatMap((s) => {
          const e = document.querySelector(s);
          if (!e) return [];
          const { left, top, width } = e.getBoundingClientRect();
          return [{ s, left, top, width, opacity: Number(getComputedStyle(e).opacity) }];
        });
      },
      [y, WATCHED] as const,
    );
  const places = [0, 300, 700, 1400, 3200, 4300, 5200, 6000, 9000, 12000, 9000, 5200, 700, 0];
  let moved = 0;
  let before = '';
  for (const y of places) {
    const [a, b] = [await look(native, y), await look(old, y)];
    a.forEach((one, i) => {
      const other = itemAt(b, i);
      for (const k of ['left', 'top', 'width'] as const)
        expect(Math.abs(one[k] - other[k]), `${one.s} ${k} at ${y}: ${one[k]} and ${other[k]}`).toBeLessThan(
          2.5,
        );
      expect(Math.abs(one.opacity - other.opacity), `${one.s} at ${y}`).toBeLessThan(0.02);
    });
    const now = JSON.stringify(b);
    if (now !== before) moved++;
    before = now;
  }
  expect(moved).toBeGreaterThan(8);
});

test('where timelines are known and triggers are not, what is triggered waits for its line, and plays then', async ({
  page,
  request,
  context,
}) => {
  const id = await openNew(page, request, 'Triggers apart', cardZip());
  await pick(page, '#plum');
  await addMotion(page, 'Appear, timed');
  await pick(page, '#pear');
  await addMotion(page, 'Rise');
  await saved(page);
  const { takes } = await (await request.get(`/api/pages/${id}`)).json();
  const zip = await request.get(`/api/takes/${takes[0].id}/hand-off.zip?width=1280&height=800&fallback=true`);
  const between = await served(context, unzipSync(new Uint8Array(await zip.body())), true, 'trigger');
  const opacity = (selector: string) =>
    between.locator(selector).evaluate((e) => Number(getComputedStyle(e).opacity));
  // It was not played unseen while the page was opened.
  expect(await opacity('#plum')).toBe(0);
  expect(await between.locator('#plum').evaluate((e) => e.getAnimations().map((a) => a.playState))).toEqual([
    'paused',
    'paused',
  ]);
  await between.locator('#plum').evaluate((e) => e.scrollIntoView({ block: 'center', behavior: 'instant' }));
  await expect.poll(() => opacity('#plum')).toBe(1);
  // What the scroll moves is left to CSS.
  const timelines = await between
    .locator('#pear')
    .evaluate((e) => e.getAnimations().map((a) => a.timeline?.constructor.name));
  expect(timelines).toEqual(['ViewTimeline']);
});
