/** Real jobs, done as a user does them, with their acts counted; results are looked at in a plain browser. */
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { unzipSync } from 'fflate';
import { saved } from '../support/app.ts';
import { startServer, withDatabase } from '../support/servers.ts';
import { settled } from '../support/time.ts';
import { begin, finished, stored } from './begin.ts';
import { Hand } from './hand.ts';

const ARTICLE = `<main><h1>Tides at the harbour</h1>${Array.from({ length: 17 }, (_, i) => `<h2>Chapter ${i + 1}</h2><p>A longer text about tides, boats and the people who wait for both of them.</p>`).join('')}</main>`;

test('T4: one motion on everything of an article', async ({ page, request, context }) => {
  const { hand, take } = await begin(
    page,
    request,
    'T4',
    ARTICLE,
    'main{padding:900px 80px}p,h2{margin:60px 0}',
  );
  await hand.pick('main > p');
  await hand.add('rise');
  await hand.click(page.getByRole('button', { name: 'Element', exact: true }));
  await hand.fill(page.getByRole('textbox', { name: /^Moves everything/ }), 'main > *');
  await saved(page);
  hand.report('T4', [12, 113]);
  const { at } = await finished(context, request, take);
  const shown = await at(1500, 'main > *', 'opacity');
  expect(shown).toHaveLength(35);
  expect(new Set(shown).size).toBeGreaterThan(2);
});

const HERO = `<div style="height:1100px"></div><section id="launch"><div class="row"><h2>Launch day</h2><p class="copy">What happens when.</p><p class="buttons"><a href="#x">Tickets</a></p></div><img class="picture" alt="The boat" width="300" height="200"></section><div style="height:1500px"></div>`;

test('T3: a row in turn and a picture, timed and scrubbed and back', async ({ page, request, context }) => {
  const { hand, take } = await begin(page, request, 'T3', HERO, '.row,.picture{margin:60px}');
  await hand.pick('#launch .row');
  await hand.add('one by one');
  await hand.pick('.picture');
  await hand.add('flip up');
  // Over to time, and back to the scroll: two clicks each.
  await hand.click(page.locator('.sentence .word').first());
  await hand.button(/a new trigger where it begins now/);
  await hand.click(page.locator('.word-trigger').last());
  await hand.button(/its own view progress/);
  await saved(page);
  hand.report('T3', [30, 81]);
  const { site, at } = await finished(context, request, take);
  expect(await at(0, '.row > *', 'opacity')).toEqual(['0', '0', '0']);
  await at(1000, '.row', 'opacity');
  await expect
    .poll(() =>
      site.evaluate(() => [...document.querySelectorAll('.row > *')].map((e) => getComputedStyle(e).opacity)),
    )
    .toEqual(['1', '1', '1']);
});

test('T9: a marquee of big words', async ({ page, request, context }) => {
  const body = `<div style="height:900px"></div><section id="band"><p class="big">Salt, rope, tar, oak</p></section><div style="height:1500px"></div>`;
  const { hand, take } = await begin(
    page,
    request,
    'T9',
    body,
    '.big{font-size:220px;margin:0;font-weight:700}',
  );
  await hand.pick('.big');
  await hand.add('marquee');
  hand.report('T9', [24, 83]);
  const { site, at } = await finished(context, request, take);
  await at(800, '.big', 'translate');
  await expect
    .poll(() => site.evaluate(() => document.querySelector('#band')!.getAnimations({ subtree: true }).length))
    .toBeGreaterThan(0);
  // No sideways scroll of the page, and no hole to the right of the words.
  expect(await site.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
});

test('T11: arrive, hold, leave', async ({ page, request, context }) => {
  const body = `<div style="height:1200px"></div><p id="slow">The slow words.</p><div style="height:1600px"></div>`;
  const { hand, take } = await begin(page, request, 'T11', body, '#slow{height:300px;margin:0}');
  await hand.pick('#slow');
  await hand.add('rise');
  for (const [i, share] of [
    [0, '0%'],
    [1, '100%'],
  ] as const) {
    await hand.click(page.locator('.point-view').nth(i));
    await hand.choose(page.getByLabel('Phase', { exact: true }), 'cover');
    await hand.fill(page.getByLabel('Share of the phase'), share);
    await hand.press('Escape');
  }
  await hand.button('Hold');
  await hand.fill(page.getByLabel(/^Hold in percent/), '20');
  await saved(page);
  hand.report('T11', [45, 110]);
  const { at } = await finished(context, request, take);
  const middle = 1200 + 150 - 400;
  expect(Number((await at(middle, '#slow', 'opacity'))[0])).toBeCloseTo(1, 2);
});

test('T14: five boxes, each with a trigger of its own', async ({ page, request, context }) => {
  const boxes = [1, 2, 3, 4, 5].map((i) => `<div class="box" id="box${i}">Box ${i}</div>`).join('');
  const { hand, take } = await begin(
    page,
    request,
    'T14',
    `<div style="height:1000px"></div>${boxes}<div style="height:1500px"></div>`,
    '.box{height:240px;margin:60px;background:#cde}',
  );
  for (const i of [1, 2, 3, 4, 5]) {
    await hand.pick(`#box${i}`);
    await hand.add('pop, timed');
  }
  // The third plays whenever it comes into sight.
  await hand.click(page.locator('.flag-area').nth(2));
  await hand.button('How often');
  await hand.button(/^each time/);
  await saved(page);
  hand.report('T14', [80, 200]);
  const { site, at } = await finished(context, request, take);
  expect(await at(0, '.box', 'opacity')).toEqual(['0', '0', '0', '0', '0']);
  await at(2200, '.box', 'opacity');
  await expect
    .poll(() =>
      site.evaluate(() => [...document.querySelectorAll('.box')].map((e) => getComputedStyle(e).opacity)),
    )
    .toEqual(['1', '1', '1', '1', '1']);
});

test('T10: a change of mind about a pin', async ({ page, request }) => {
  const body = `<div style="height:900px"></div><section id="scene" style="height:100vh"><h2>The scene</h2><p id="words">Words on it</p></section><div style="height:1500px"></div>`;
  const { hand, take } = await begin(page, request, 'T10', body);
  await hand.pick('#scene');
  await hand.add('pin section');
  await hand.button('Distance');
  await hand.fill(page.getByRole('textbox', { name: /Distance|Length/ }), '3000px');
  await hand.press('Escape');
  await saved(page);
  hand.report('T10', [31, 140]);
  const made = await stored(request, take);
  expect(made.pins[0]?.distance).toEqual({ kind: 'length', value: '3000px' });
});

test('T18: by keyboard alone, and many at once', async ({ page, request }) => {
  const cards = ['January', 'February', 'March', 'April', 'May'];
  const body = `<div style="height:1000px"></div>${cards.map((c) => `<section id="${c.toLowerCase()}"><h2>${c}</h2></section>`).join('')}<div style="height:1500px"></div>`;
  const { hand, take } = await begin(page, request, 'T18', body, 'section{height:300px}');
  for (const c of cards) {
    await hand.press('/');
    await hand.type(`#${c.slice(0, 3).toLowerCase()}`);
    await hand.press('Enter');
    await expect(page.getByRole('region', { name: new RegExp(`^Element ${c}`) })).toBeVisible();
    await hand.add('rise');
    await hand.press('Escape');
  }
  // All of them 100 px later, in one act.
  await hand.press('Control+a');
  await expect(page.locator('.inspector-name-plain')).toHaveText('5 motions');
  await hand.press('Control+k');
  await hand.type('move by');
  await hand.press('Enter');
  await hand.type('100');
  await hand.press('Enter');
  await saved(page);
  expect(hand.clicks).toBe(0);
  hand.report('T18', [0, 330]);
  const made = await stored(request, take);
  const starts = made.motions.map((m) => m.range.start);
  // Ten per cent of 300 px, and a hundred.
  expect(starts).toEqual(Array.from({ length: 5 }, () => 'entry calc(0% + 130px)'));
});

test('T1: a progress bar, and a line that slides in inside a clipped band', async ({
  page,
  request,
  context,
}) => {
  const body = `<nav id="nav"><div class="bar"></div></nav><div style="height:1200px"></div><section id="band"><h2>Slides in here</h2></section><div style="height:1800px"></div>`;
  const css =
    '#nav{position:fixed;inset:0 0 auto;height:40px}.bar{position:absolute;inset:auto 0 0;height:4px;background:#285}#band{overflow:hidden;padding:120px 40px}';
  const { hand, take } = await begin(page, request, 'T1', body, css);
  // Thinner than a hand is steady: found by its class.
  await hand.press('/');
  await hand.type('.bar');
  await hand.press('Enter');
  await hand.add('bar');
  await hand.pick('#band h2');
  await hand.add('from the left');
  hand.report('T1', [18 + 9, 53 + 16]);
  const { site, at } = await finished(context, request, take);
  const max = await site.evaluate(() => document.documentElement.scrollHeight - innerHeight);
  const scale = async (y: number) => parseFloat((await at(y, '.bar', 'scale'))[0] ?? '');
  expect(await scale(0)).toBeCloseTo(0, 3);
  expect(await scale(max / 2)).toBeCloseTo(0.5, 2);
  expect(await scale(max)).toBeCloseTo(1, 3);
  const slid = async (y: number) => parseFloat((await at(y, '#band h2', 'translate'))[0] ?? '');
  expect(await slid(300)).toBeLessThan(-20);
  expect(await slid(1200)).toBeCloseTo(0, 1);
});

test('T2: a title in two parts that starts over, twice as fast', async ({ page, request, context }) => {
  const body = `<div style="height:1300px"></div><section id="claim"><h2>Mind the</h2><h2>gap in time</h2></section><div style="height:1800px"></div>`;
  const { hand, take } = await begin(page, request, 'T2', body, '#claim{padding:100px 0}h2{margin:0}');
  await hand.pick('#claim h2');
  await hand.add('title pair');
  await hand.press('Control+a', 'Control+k');
  await hand.type('twice as fast');
  await hand.press('Enter');
  await saved(page);
  hand.report('T2', [40, 160]);
  const made = await stored(request, take);
  expect(made.motions.map((m) => m.time?.duration)).toEqual(['310ms', '310ms']);
  const { site, at } = await finished(context, request, take);
  expect(await at(0, '#claim h2', 'opacity')).toEqual(['0', '0']);
  await at(1100, '#claim h2', 'opacity');
  await expect
    .poll(() =>
      site.evaluate(() =>
        [...document.querySelectorAll('#claim h2')].map((e) => getComputedStyle(e).opacity),
      ),
    )
    .toEqual(['1', '1']);
});

test('T13: two words meet in the middle of the screen', async ({ page, request, context }) => {
  const body = `<div style="height:1200px"></div><p class="words"><b id="left">Night</b> <b id="right">Day</b></p><div style="height:1600px"></div>`;
  const { hand, take } = await begin(
    page,
    request,
    'T13',
    body,
    '.words{font-size:90px;text-align:center}b{display:inline-block}',
  );
  await hand.pick('#left');
  await hand.add('slide from the left');
  await hand.pick('#right');
  await hand.add('slide from the right');
  // Both end at one place, in one act.
  await hand.press('Control+a', 'Control+k');
  await hand.type('align ends');
  await hand.press('Enter');
  await saved(page);
  hand.report('T13', [60, 140]);
  const { at } = await finished(context, request, take);
  const far = async (y: number) =>
    Promise.all(
      ['#left', '#right'].map(async (s) => parseFloat((await at(y, s, 'translate'))[0] ?? '') || 0),
    );
  const [x = 0, y = 0] = await far(500);
  expect(x).toBeLessThan(0);
  expect(y).toBeGreaterThan(0);
  // Both have arrived at the same place of the page.
  expect(await far(900)).toEqual([0, 0]);
});

test('T16: a drawing that draws itself, and a spoon that swings five times', async ({
  page,
  request,
  context,
}) => {
  const body = `<div style="height:1100px"></div><svg id="art" width="400" height="300" viewBox="0 0 400 300"><path id="stem" d="M40 280C120 200 200 260 260 40" fill="none" stroke="#375" stroke-width="4"/><rect id="spoon" x="300" y="60" width="16" height="160" fill="#864"/></svg><div style="height:1600px"></div>`;
  const { hand, take } = await begin(page, request, 'T16', body);
  await hand.press('/');
  await hand.type('#spoon');
  await hand.press('Enter');
  await hand.add('slow tilt');
  await hand.button('Repeat');
  await hand.fill(page.getByLabel('How many times'), '5');
  await hand.press('Escape');
  await saved(page);
  hand.report('T16', [60, 180]);
  const { site, at } = await finished(context, request, take);
  // About its own middle, there and back five times between coming into sight and leaving.
  expect(await at(0, '#spoon', 'transform-box')).toEqual(['fill-box']);
  const top = await site.evaluate(
    () => document.querySelector('#art')!.getBoundingClientRect().top + scrollY,
  );
  const turns: number[] = [];
  for (let k = 0; k <= 60; k++)
    turns.push(parseFloat((await at(top - 800 + (k / 60) * 1100, '#spoon', 'rotate'))[0] ?? '0') || 0);
  const crossings = turns
    .slice(1)
    .filter((t, k) => Math.sign(t) !== Math.sign(turns[k] ?? 0) && t !== 0).length;
  expect(crossings).toBeGreaterThanOrEqual(5);
});

test('the first hour: from nothing to an own page with a reveal, a pin and a trigger, taken home', async ({
  page,
}) => {
  await withDatabase(async (database) => {
    const server = await startServer(database);
    const began = Date.now();
    const hand = new Hand(page);
    await page.goto(server.url);
    await hand.button('Start from sections');
    await hand.button('Make the page');
    await page.locator('.rundown').waitFor({ timeout: 20_000 });
    await settled(page);
    await hand.pick('h2');
    await hand.add('rise');
    await hand.press('/');
    await hand.type('stage');
    await hand.press('Enter');
    await hand.add('pin section');
    await hand.press('/');
    await hand.type('gallery');
    await hand.press('Enter');
    await hand.add('one by one');
    await hand.click(page.getByRole('link', { name: 'Hand-off' }));
    await page.locator('.code').first().waitFor();
    const [file] = await Promise.all([page.waitForEvent('download'), hand.button('Download')]);
    const files = unzipSync(new Uint8Array(readFileSync(await file.path())));
    const css = Object.entries(files).find(([path]) => path.endsWith('.motion.css'));
    const text = Buffer.from(css![1]).toString('utf8');
    for (const part of ['view(', 'position: sticky', 'timeline-trigger']) expect(text).toContain(part);
    console.log(
      `first hour: ${hand.clicks} clicks, ${hand.keys} keys, ${((Date.now() - began) / 1000).toFixed(0)} s with all waiting`,
    );
    expect(hand.clicks + hand.keys).toBeLessThan(100);
    await server.stop();
  });
});
