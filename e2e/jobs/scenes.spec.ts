/** Jobs with scenes: pins, decks, strips and depth, done as a user does them, with their acts counted. */
import { expect, test } from '@playwright/test';
import { saved } from '../support/app.ts';
import { begin, finished, stored } from './begin.ts';
import { elapse } from '../support/time.ts';

const GAP = '<div style="height:1200px"></div>';

test('T5: rings one flies through while the section is pinned', async ({ page, request, context }) => {
  const body = `${GAP}<section id="stage"><div id="rings"><div class="wheel"><i></i><i></i><i></i></div></div></section>${GAP}`;
  const css =
    '#stage{height:100vh;overflow:hidden;display:grid;place-items:center}#rings{width:400px;height:400px;padding:40px;box-sizing:border-box}.wheel{height:100%}i{position:absolute;inset:30%;border:4px solid;border-radius:50%}';
  const { hand, take } = await begin(page, request, 'T5', body, css);
  await hand.pick('#stage');
  await hand.add('pin');
  await hand.button('Distance');
  await hand.fill(page.getByRole('textbox', { name: 'Distance of the pin' }), '1000vh');
  await hand.press('Escape');
  await hand.pick('#rings');
  await hand.add('fade');
  await hand.click(page.locator('.sentence .word').first());
  await hand.button(/^the pin stage/);
  await hand.button('Damping');
  await hand.button('spring');
  await hand.fill(page.getByLabel('Frequency in Hz'), '1.4');
  await hand.fill(page.getByLabel('Damping ratio', { exact: true }), '0.4');
  await hand.press('Escape');
  await hand.button('Animate another property');
  await hand.type('per');
  await hand.press('Enter');
  const value = page.getByLabel('Value of the keyframe');
  await hand.fill(value, '5000px');
  await hand.click(page.getByRole('button', { name: 'Keyframe at 0%: 900px' }));
  await hand.fill(value, '150px');
  await hand.button('The end');
  await hand.fill(page.getByLabel('Share of the pin'), '50%');
  await hand.press('Escape');
  // The same on the wheel inside, which turns instead.
  await hand.press('Escape', 'Control+c');
  await hand.pick('.wheel');
  await hand.press('Control+v');
  await hand.button('Remove perspective');
  await hand.button('Remove opacity');
  await hand.button('Animate another property');
  await hand.type('rot');
  await hand.press('Enter');
  await hand.fill(value, 'x 20deg');
  await hand.click(page.getByRole('button', { name: /^Keyframe at 0%/ }));
  await hand.fill(page.getByLabel('Position of the keyframe'), '30%');
  await hand.fill(value, 'x 80deg');
  await saved(page);
  hand.report('T5', [84, 186], 0.4);
  const { site, at } = await finished(context, request, take);
  const from = await site.evaluate(
    () => document.querySelector('#stage')!.parentElement!.getBoundingClientRect().top + scrollY,
  );
  // Smoothed, so it is asked again until it has settled.
  const rests = async (f: number, selector: string, property: string, value: number) =>
    expect
      .poll(async () => {
        const [text = ''] = await at(from + f * 8000, selector, property);
        return Math.abs(parseFloat(text.replace(/^x /, '')) - value);
      })
      .toBeLessThan(value / 100);
  await rests(0.1, '#rings', 'perspective', 150 + 0.2 * 4850);
  await rests(0.75, '#rings', 'perspective', 5000);
  await rests(0.15, '.wheel', 'rotate', 80);
  await rests(0.5, '.wheel', 'rotate', 20);
});

test('T12: three depths, undisturbed where their middle meets 60 %', async ({ page, request, context }) => {
  const body = `${GAP}${['near', 'mid', 'far'].map((id) => `<p id="${id}" class="layer">${id}</p>`).join('')}${GAP}`;
  const { hand, take } = await begin(page, request, 'T12', body, '.layer{height:200px;margin:0 80px 80px}');
  const speeds = { near: 250, mid: 175, far: 50 } as const;
  for (const [id, speed] of Object.entries(speeds)) {
    await hand.pick(`#${id}`);
    await hand.add('parallax');
    await hand.fill(page.getByLabel('Speed, in percent of the page’s'), String(speed));
    await hand.fill(page.getByLabel('Line of the viewport where it is undisturbed'), '60');
  }
  await saved(page);
  hand.report('T12', [95, 190]);
  const { site, rect } = await finished(context, request, take);
  for (const [id, speed] of Object.entries(speeds)) {
    const middle = await site.evaluate((id) => {
      scrollTo(0, 0);
      const e = document.getElementById(id)!;
      return e.offsetTop + e.offsetHeight / 2;
    }, id);
    const rest = middle - 0.6 * 800;
    // Where the middle is seen, against the line: the page alone would move it by as many px as are scrolled.
    const seen = async (by: number) => {
      const { top, height } = await rect(rest + by, `#${id}`);
      return top + height / 2;
    };
    expect(await seen(0), id).toBeCloseTo(480, 0);
    expect((await seen(0)) - (await seen(100)), id).toBeCloseTo(speed, 0);
  }
});

test('T7: outer columns against the middle one, and a strip that leads sideways', async ({
  page,
  request,
  context,
}) => {
  const col = (name: string) => `<div class="col col-${name}">${'<p>A picture</p>'.repeat(6)}</div>`;
  const room = (n: number) =>
    `<article class="room" id="room${n}"><a href="#room${n}">Room ${n}</a></article>`;
  const body = `${GAP}<section id="cols">${['a', 'b', 'c'].map(col).join('')}</section><section id="house"><div class="strip">${[1, 2, 3, 4].map(room).join('')}</div></section>${GAP}`;
  const css =
    '#cols{display:grid;grid-template-columns:repeat(3,1fr);gap:20px;overflow:clip}.col p{height:300px;margin:0 0 20px;background:#dde}#house{height:100vh;overflow:clip}.strip{display:flex;width:400vw;height:100%}.room{flex:1}';
  const { hand, take } = await begin(page, request, 'T7', body, css);
  await hand.pick('#cols');
  await hand.add('counter');
  await hand.pick('.strip');
  await hand.add('horizontal');
  hand.report('T7', [18, 58]);
  const { site, rect } = await finished(context, request, take);
  const top = (await rect(0, '#cols')).top;
  // In 200 px of scroll the outer columns go up by as much, and the middle one does not.
  const gone = async (column: string) =>
    (await rect(top + 100, column)).top - (await rect(top + 300, column)).top;
  expect(await gone('.col-a')).toBeCloseTo(200, 0);
  expect(await gone('.col-c')).toBeCloseTo(200, 0);
  expect(await gone('.col-b')).toBeLessThan(190);
  // The strip stands at its left edge first and at its right edge last, and widens nothing.
  const house = (await rect(0, '#house')).top;
  expect((await rect(house, '.strip')).left).toBeCloseTo(0, 0);
  const width = await site.evaluate(() => document.documentElement.clientWidth);
  // Its rooms are shares of its own width, which it keeps.
  const second = await rect(house, '#room2');
  expect(second.right - second.left).toBeCloseTo(width, -1);
  expect((await rect(house + 3840, '.strip')).right).toBeCloseTo(width, 0);
  expect(await site.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
});

test('T8: cards that come one after the other while the deck is pinned, with links to each', async ({
  page,
  request,
  context,
}) => {
  const body = `${GAP}<section id="offers"><div class="deck">${['Hull', 'Keel', 'Sail'].map((c) => `<article class="card card-${c.toLowerCase()}"><h3>${c}</h3><p>All about it.</p></article>`).join('')}</div></section>${GAP}`;
  const css =
    '#offers{min-height:560px}.deck{position:relative;height:420px}.card{position:absolute;inset:0;background:#fff;border:1px solid}';
  const { hand, take } = await begin(page, request, 'T8', body, css);
  // The card on top is what one sees and clicks; the stack is made of what holds the cards.
  await hand.pick('.card-sail');
  await hand.add('stack');
  await hand.button('Held at');
  await hand.fill(page.getByLabel('Distance from the viewport’s edge'), '120px');
  await hand.press('Escape');
  await hand.button('Distance');
  await hand.fill(page.getByRole('textbox', { name: 'Distance of the pin' }), '2000px');
  await hand.press('Escape');
  for (const [i, name] of ['hull', 'keel', 'sail'].entries()) {
    await hand.button('Cue at the playhead');
    await hand.fill(page.getByLabel(/^Place of/).nth(i), `${i * 50}%`);
    await hand.fill(page.getByLabel(/^Link to/).nth(i), `#${name}`);
  }
  await saved(page);
  hand.report('T8', [101, 338]);
  const made = await stored(request, take);
  expect(made.pins).toMatchObject([{ stage: '.deck', distance: { kind: 'length', value: '2000px' } }]);
  expect(made.cues.map((c) => [c.at, c.link])).toEqual([
    ['0%', 'hull'],
    ['50%', 'keel'],
    ['100%', 'sail'],
  ]);
  const { site } = await finished(context, request, take);
  const tops = async (hash: string) =>
    site.evaluate(async (hash) => {
      location.hash = hash;
      for (let i = 0; i < 5; i++) await new Promise(requestAnimationFrame);
      return [...document.querySelectorAll('.card')].map((e) => Math.round(e.getBoundingClientRect().top));
    }, hash);
  // A link leads to where its card has arrived, and the next one waits below.
  const [hull, keel = 0, sail = 0] = await tops('#hull');
  expect(hull).toBeCloseTo(120, -1);
  expect([keel > 800, sail > 800]).toEqual([true, true]);
  const [, second = 0, third = 0] = await tops('#keel');
  expect(second).toBeLessThan(200);
  expect(third).toBeGreaterThan(800);
  expect((await tops('#sail'))[2]).toBeLessThan(200);
});

test('T17: a heading wiped in, rows in their own scroller, a gallery that grows in the middle', async ({
  page,
  request,
  context,
}) => {
  const rows = Array.from({ length: 24 }, (_, i) => `<p class="row">Row ${i + 1}</p>`).join('');
  const shots = Array.from({ length: 8 }, (_, i) => `<figure class="shot">Shot ${i + 1}</figure>`).join('');
  const body = `${GAP}<h2 id="head">The whole coast in one line</h2><div id="log">${rows}</div><div class="gallery">${shots}</div>${GAP}`;
  const css =
    '#log{height:360px;overflow-y:auto;margin:60px}.row{height:60px;margin:0}.gallery{display:flex;overflow-x:auto;height:260px}.shot{flex:none;width:300px;margin:0 20px;background:#cdd}';
  const { hand, take } = await begin(page, request, 'T17', body, css);
  await hand.pick('#head');
  await hand.add('unmask');
  await hand.pick('.row');
  await hand.add('rise');
  await hand.pick('.shot');
  await hand.add('grow');
  await saved(page);
  hand.report('T17', [80, 160]);
  // What scrolls inside of the page goes by its own scroller, down or sideways, and says so in the lanes.
  const axes = (await stored(request, take)).motions.map((m) => m.driver.kind === 'view' && m.driver.axis);
  expect(axes).toEqual(['block', 'block', 'inline']);
  await expect(page.locator('.own-axis text')).toHaveText([
    'inside log, 1,080 px',
    'sideways in gallery, 1,440 px',
  ]);
  const { site } = await finished(context, request, take);
  const opacity = (selector: string, left: number, top: number) =>
    site
      .locator(selector)
      .first()
      .evaluate(
        async (first, [left, top]) => {
          first.parentElement?.scrollTo({ left, top, behavior: 'instant' });
          for (let i = 0; i < 3; i++) await new Promise(requestAnimationFrame);
          return Number(getComputedStyle(first).opacity);
        },
        [left, top] as const,
      );
  // Shot 1 begins to leave at 20 px and is gone at 320; row 1 leaves over its own 60.
  expect(await opacity('.shot', 20, 0)).toBeCloseTo(1, 2);
  expect(await opacity('.shot', 320, 0)).toBeCloseTo(0, 2);
  expect(await opacity('.row', 0, 0)).toBeCloseTo(1, 2);
  expect(await opacity('.row', 0, 60)).toBeCloseTo(0, 2);
});

test('T6: a canvas that hears the scroll while it is pinned, begins by itself, and sways with the pointer', async ({
  page,
  request,
  context,
}) => {
  const body = `${GAP.replace('1200', '40')}<section id="scene"><canvas id="dive" width="600" height="300"></canvas></section><p id="words">Words that come over it.</p>${GAP}<script>var heard={};addEventListener('signal',e=>heard[e.detail.name]=e.detail.value)</script>`;
  const { hand, take } = await begin(page, request, 'T6', body, '#scene{height:100vh}');
  await hand.pick('#dive');
  await hand.add('pin');
  await hand.button('Distance');
  await hand.fill(page.getByRole('textbox', { name: 'Distance of the pin' }), 'calc(100vh + 1000px)');
  await hand.press('Escape');
  await hand.pick('#dive');
  await hand.add('signal');
  const driver = page.locator('.sentence .word').first();
  await hand.click(driver);
  await hand.button(/^the pin/);
  // Another one that begins by itself, and runs into what the scroll says.
  await hand.press('Control+d');
  await hand.click(driver);
  await hand.button(/^page load/);
  await hand.fill(page.getByLabel('Duration in ms'), '2000');
  await hand.click(page.getByRole('button', { name: /^Keyframe at 0%/ }));
  await hand.fill(page.getByLabel('Value of the keyframe'), '35');
  await hand.button('Play it first and let go');
  // It sways with the pointer, damped, by a signal of its own; a finger leaves it alone.
  await hand.pick('#dive');
  await hand.add('signal');
  await hand.click(driver);
  await hand.button(/^the pointer, from left to right/);
  await hand.button('Name of the signal');
  await hand.fill(page.getByRole('textbox', { name: 'Name of the signal' }), 'sway');
  await expect(page.locator('.inspector')).toContainText('signal-sway');
  await saved(page);
  hand.report('T6', [58, 321]);
  const { site, at } = await finished(context, request, take);
  // It plays by itself at first, from 35 on …
  const signal = async (y: number) => Number((await at(y, '#dive', '--signal'))[0]);
  const first = await site.evaluate(() => {
    const dive = document.querySelector('#dive')!;
    const [intro] = dive.getAnimations().filter((a) => a.effect?.getTiming().duration === 2000);
    if (!intro) return null;
    intro.currentTime = 0;
    return Number(getComputedStyle(dive).getPropertyValue('--signal'));
  });
  expect(first).toBeCloseTo(35, 1);
  // … and then is what the scroll says, on the way through the pin, which holds for 1,800 px.
  await expect.poll(() => signal(40)).toBeCloseTo(0, 0);
  expect(await signal(40 + 450)).toBeCloseTo(25, 1);
  expect(await signal(40 + 900)).toBeCloseTo(50, 1);
  expect(await site.evaluate(() => document.querySelector('#dive')!.getBoundingClientRect().top)).toBeCloseTo(
    0,
    0,
  );
  const heard = (name: string) =>
    site.evaluate((n) => (window as unknown as { heard: Record<string, number> }).heard[n], name);
  const width = site.viewportSize()?.width ?? 0;
  await site.mouse.move(width - 1, 300, { steps: 5 });
  await expect.poll(() => heard('signal-sway')).toBe(100);
  await site.mouse.move(0, 300, { steps: 5 });
  await expect.poll(() => heard('signal-sway')).toBe(0);
  // The scroll goes on speaking for itself.
  expect(await heard('signal')).toBeCloseTo(50, 1);
  await site.evaluate(() =>
    document.dispatchEvent(
      new PointerEvent('pointermove', { pointerType: 'touch', bubbles: true, clientX: 900 }),
    ),
  );
  await elapse(site, 300);
  expect(await heard('signal-sway')).toBe(0);
});

test('T15: sixteen tiles that come in one after the other, and leave each from a corner of its own', async ({
  page,
  request,
  context,
}) => {
  const tiles = Array.from({ length: 16 }, (_, i) => `<div class="tile">${i + 1}</div>`).join('');
  const body = `<section class="tiles">${tiles}</section>${GAP}`;
  const css =
    '.tiles{display:grid;grid-template-columns:repeat(4,1fr);gap:20px;padding:40px}.tile{height:140px;background:#dce}';
  const { hand, take } = await begin(page, request, 'T15', body, css);
  await hand.pick('.tile');
  await hand.add('intro');
  await hand.button('Element');
  await hand.button(/^\.tile/);
  await hand.button('Move these');
  await hand.press('Escape');
  await hand.pick('.tile');
  await hand.add('leave');
  await hand.button('Element');
  await hand.button(/^\.tile/);
  await hand.button('Move these');
  await hand.press('Escape');
  await hand.button('Adjustments');
  await hand.button('An origin of its own for each element');
  await hand.press('Escape');
  await saved(page);
  hand.report('T15', [210, 420]);
  const { site, at } = await finished(context, request, take);
  const origins = await at(0, '.tile', 'transform-origin');
  expect(new Set(origins).size).toBeGreaterThan(3);
  // The intro runs into what the scroll shows; each leaves as its own edge does.
  await expect.poll(async () => new Set(await at(0, '.tile', 'opacity'))).toEqual(new Set(['1']));
  expect(Number((await at(110, '.tile', 'scale'))[0])).toBeCloseTo(0.65, 2);
  expect(Number((await at(110, '.tile', 'scale'))[15] || 1)).toBeCloseTo(1, 2);
  expect(await site.evaluate(() => document.querySelectorAll('.tile').length)).toBe(16);
});
