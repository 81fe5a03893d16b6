/** Law 5 where people stand still: no text cut off, no two texts over each other, no control outside of its window, on every screen at five sizes and in both themes. */
import { itemAt, present } from '@lyvek/core';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { base, newProject } from '../support/app.ts';
import { goThere, PLACES } from './pages.ts';
import { World } from './world.ts';
import { FULL } from '../support/full.ts';
import { dwell } from '../support/time.ts';

/** CSS px; the last one is the second at 200 % zoom. */
const SIZES = [
  [1024, 768],
  [1280, 800],
  [1920, 1080],
  [2560, 1440],
  [640, 400],
] as const;

/** What people have open in the Rundown; each leaves with Escape. */
const OPEN: Record<string, (page: Page) => Promise<unknown>> = {
  'a motion': (page) => page.locator('.bar-grip').first().click({ force: true }),
  'a trigger': (page) => page.locator('.flag-area').first().click({ force: true }),
  'a pin': (page) => page.locator('.pin-area').first().click({ force: true }),
  'all acts': (page) => page.keyboard.press('Control+k'),
  help: (page) => page.keyboard.press('?'),
};
/** The screens, and what it shows when it has something to say */
const READY: Record<string, string> = {
  '': '.rundown[data-settled=true] .bar-grip, .rundown[data-settled=true] .lane',
  '/trials': '.trials',
  '/takes': '.takes',
  '/hand-off': '.code',
};
const SCREENS = Object.keys(READY);

/** What is badly placed by day, and in the dark, where frames and grounds are others. */
async function inBothThemes(world: World, where: string): Promise<string[]> {
  const seen: string[] = [];
  for (const colorScheme of ['light', 'dark'] as const) {
    await world.page.emulateMedia({ colorScheme });
    await dwell(world.page, 150);
    for (const what of await world.ask<string[]>('placing')) seen.push(`${where}, ${colorScheme}: ${what}`);
  }
  return seen;
}

for (const place of PLACES.filter((p) => /hessle|Pins/.test(p.name)))
  for (const screen of SCREENS)
    test(
      `${place.name}${screen || '/rundown'}: everything is in its place`,
      screen === '' ? {} : FULL,
      async ({ browser, request }) => {
        const entrance = await goThere(request, place, await newProject(request, `Placing ${place.name}`));
        const world = await World.enter(browser, entrance.url, entrance.take);
        // Code is written from what the Rundown has measured, so people come to it from there.
        const url = new URL(entrance.url);
        url.pathname += screen;
        if (screen) await world.page.goto(url.href);
        const seen: string[] = [];
        for (const [width, height] of SIZES) {
          await world.page.setViewportSize({ width, height });
          await world.settle();
          // Of an empty screen nothing would be said.
          await expect(world.page.locator(present(READY[screen]))).not.toHaveCount(0, { timeout: 40_000 });
          await dwell(world.page, 500);
          seen.push(...(await inBothThemes(world, `${width} × ${height}`)));
          if (screen) continue;
          for (const [name, open] of Object.entries(OPEN)) {
            await open(world.page);
            // Pointing at something shows more of it.
            await world.page.mouse.move(width / 2, 2);
            await dwell(world.page, 400);
            for (const what of await world.ask<string[]>('placing'))
              seen.push(`${width} × ${height}, ${name}: ${what}`);
            for (let i = 0; i < 2; i++) await world.page.keyboard.press('Escape');
          }
        }
        await world.leave();
        expect(seen).toEqual([]);
      },
    );

test('two takes beside each other: everything is in its place', FULL, async ({ browser, request }) => {
  const place = present(PLACES.find((p) => /Pins/.test(p.name)));
  const entrance = await goThere(request, place, await newProject(request, 'Placing two takes'));
  const other = place.document() as { motions: unknown[] };
  const made = await request.post(`${base}/api/pages/${entrance.page}/takes`, {
    data: {
      name: 'The second one, with fewer motions than the first',
      document: { ...other, motions: other.motions.slice(1) },
    },
  });
  const second = ((await made.json()) as { id: string }).id;
  const world = await World.enter(browser, entrance.url, entrance.take);
  await world.page.goto(`${base}/pages/${entrance.page}/takes?take=${second}&beside=take.${entrance.take}`);
  const seen: string[] = [];
  for (const [width, height] of SIZES) {
    await world.page.setViewportSize({ width, height });
    await expect(world.page.locator('.side-head')).toHaveCount(2);
    await world.settle();
    await dwell(world.page, 800);
    seen.push(...(await inBothThemes(world, `${width} × ${height}`)));
  }
  await world.leave();
  expect(seen).toEqual([]);
});

test('shelf and presets: everything is in its place', FULL, async ({ browser, request }) => {
  const project = await newProject(
    request,
    'The survey of every mill, lock and weir between the two bridges, 1971',
  );
  const entrances = [];
  for (const place of PLACES.filter((p) => /night|Pins|Thin/.test(p.name)))
    entrances.push(await goThere(request, place, project));
  const pins = present(PLACES.find((p) => p.name.includes('Pins'))).document() as {
    motions: { id: string }[];
  };
  const last = present(pins.motions.find((m) => m.id === 'm_t4'));
  const motion = { ...last, targets: { selector: '&' } };
  for (const name of [
    'Comes up',
    'The tide tables on the wall behind the harbour master’s desk, redrawn by hand',
  ])
    expect(
      (
        await request.post(`${base}/api/presets`, {
          data: {
            name: `${name} ${Date.now()}`,
            body: { motions: [motion], pins: [], triggers: [], adjustments: [] },
          },
        })
      ).status(),
    ).toBe(201);
  // The shelf draws what the Rundown has measured.
  for (const { url, take } of entrances) await (await World.enter(browser, url, take)).leave();
  const seen: string[] = [];
  for (const path of [`/projects/${project}`, '/presets', '/']) {
    const world = await World.enter(browser, base + path, itemAt(entrances, 0).take);
    for (const [width, height] of SIZES) {
      await world.page.setViewportSize({ width, height });
      await world.settle();
      await expect(world.page.locator('.hung, .preset-list li').first()).toBeAttached();
      seen.push(...(await inBothThemes(world, `${path} ${width} × ${height}`)));
    }
    await world.leave();
  }
  expect(seen).toEqual([]);
});
