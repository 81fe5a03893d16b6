/** Jobs with scenes: pins, decks, strips and depth, done as a user does them, with their acts counted. */
import { expect, test } from '@playwright/test';
import { saved } from '../support/app.ts';
import { begin, finished, stored } from './begin.ts';

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
  await page.screenshot({ path: '/tmp/hand/t5c.png' });
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
  const { site, at } = await finished(context, request, take);
  for (const [id, speed] of Object.entries(speeds)) {
    const middle = await site.evaluate((id) => {
      scrollTo(0, 0);
      const e = document.getElementById(id)!;
      return e.offsetTop + e.offsetHeight / 2;
    }, id);
    const rest = middle - 0.6 * 800;
    const y = async (by: number) =>
      parseFloat(((await at(rest + by, `#${id}`, 'translate'))[0] ?? '').replace(/^0px /, '')) || 0;
    expect(await y(0), id).toBeCloseTo(0, 0);
    // What it moves beyond the page, per px of scroll.
    expect((await y(100)) - (await y(0)), id).toBeCloseTo(100 - speed, 0);
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
    '#cols{display:grid;grid-template-columns:repeat(3,1fr);gap:20px;overflow:clip}.col p{height:300px;margin:0 0 20px;background:#dde}#house{height:100vh;overflow:clip}.strip{display:flex;width:400vw;height:100%}.room{width:100vw}';
  const { hand, take } = await begin(page, request, 'T7', body, css);
  await hand.pick('#cols');
  await hand.add('counter');
  await hand.pick('.strip');
  await hand.add('horizontal');
  await page.screenshot({ path: '/tmp/hand/t7.png' });
  hand.report('T7', [18, 58]);
  const { site, at } = await finished(context, request, take);
  void site;
  void at;
});

test('T8: cards that come one after the other while the deck is pinned, with links to each', async ({
  page,
  request,
  context,
}) => {
  const body = `${GAP}<section id="offers"><div class="deck">${['Hull', 'Keel', 'Sail'].map((c) => `<article class="card card-${c.toLowerCase()}"><h3>${c}</h3><p>All about it.</p></article>`).join('')}</div></section>${GAP}`;
  const css =
    '#offers{height:560px}.deck{position:relative;height:420px}.card{position:absolute;inset:0;background:#fff;border:1px solid}';
  const { hand, take } = await begin(page, request, 'T8', body, css);
  await hand.pick('.deck');
  await hand.add('stack');
  await page.screenshot({ path: '/tmp/hand/t8.png' });
  hand.report('T8', [101, 338]);
  const { site, at } = await finished(context, request, take);
  void site;
  void at;
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
  await page.screenshot({ path: '/tmp/hand/t17a.png' });
  await hand.pick('.shot');
  await hand.add('grow');
  await page.screenshot({ path: '/tmp/hand/t17b.png' });
  hand.report('T17', [80, 160]);
  const { site, at } = await finished(context, request, take);
  void site;
  void at;
});
