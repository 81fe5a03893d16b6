/** What an element draws before or after its content is chosen by the element’s sheet, moved like an element, proved and handed off. */
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import { addMotion, html, openNew, pick, preview, saved } from '../support/app.ts';
import { served } from '../support/served.ts';

const PAGE = html(
  `<header style="height:760px"><h1>Quiet looms</h1></header>
<section id="intro"><h2 class="lined">What we weave</h2><p>Cloth for sails, tents and awnings.</p></section>
<section id="kept" style="height:600px"><h2 class="lined" id="kept-line">Kept in sight</h2></section>
<ul class="list"><li>Flax</li><li>Hemp</li><li>Nettle</li></ul><section style="height:1200px"><h2>Where we are</h2></section>`,
  `body{margin:0} section{padding:120px 40px} .lined{position:relative;display:inline-block}
#kept > .lined::after,#intro > .lined::after{content:"";position:absolute;left:0;bottom:-6px;width:100%;height:4px;background:#b4523d}
.list{list-style:none;margin:200px 40px} .list li{padding:60px 0 60px 40px;position:relative}
.list li::before{content:"";position:absolute;left:0;top:50%;width:16px;height:16px;background:#246}`,
);

/** Chooses an element in the page, then what it draws. */
async function choosePart(page: Page, selector: string, part: string): Promise<void> {
  await pick(page, selector);
  await page.locator('.around').getByRole('button', { name: part, exact: true }).click();
  await expect(page.locator('.inspector-name-plain')).toContainText(part);
}

const shown = (page: Page, host: string, part: string, property: string) =>
  preview(page)
    .locator(host)
    .evaluate((e, [p, name]) => getComputedStyle(e, p).getPropertyValue(name), [part, property] as const);

test('a line below a heading fills, marks of a list grow one after the other; proved in each form, and the same by script alone', async ({
  page,
  request,
  context,
}) => {
  test.slow();
  const id = await openNew(page, request, 'Lined', PAGE);
  await choosePart(page, '#intro h2', '::after');
  await addMotion(page, 'Bar');
  await expect.poll(() => shown(page, '#intro h2', '::after', 'animation-name')).toContain('lv-');
  expect(await shown(page, '#intro h2', '', 'animation-name')).toBe('none');

  // One of a list, then all of them, each later than the one before.
  await choosePart(page, '.list li', '::before');
  await addMotion(page, 'Grow');
  await page.locator('.sentence').getByRole('button', { name: 'Element', exact: true }).click();
  await page.getByRole('button', { name: /^\.list > li::before/ }).click();
  await page.getByRole('button', { name: 'Move these' }).click();
  await expect.poll(() => shown(page, '.list li:last-child', '::before', 'animation-name')).toContain('lv-');

  // Where a pin wraps their section, the style sheet asks for the marked heading’s line.
  await choosePart(page, '#kept-line', '::after');
  await addMotion(page, 'Slide from the left');
  await saved(page);
  await pick(page, '#kept-line');
  await page.locator('.around').getByRole('button', { name: 'section#kept' }).click();
  await expect(page.locator('.inspector-name-plain')).toHaveText('Kept in sight');
  await addMotion(page, 'Pin section');
  // And one that begins by itself.
  await choosePart(page, '#intro h2', '::after');
  await addMotion(page, 'Intro');
  await saved(page);
  await expect(page.locator('.rundown')).toHaveAttribute('data-settled', 'true');

  await page.getByRole('link', { name: 'Hand-off' }).click();
  await expect(page.locator('.code').first()).toContainText('::after');
  await page.getByRole('button', { name: 'Prove it', exact: true }).click();
  const sentence = page.locator('.proof-sentence');
  await expect(sentence).toContainText(/Looked at 4 of 4 motions.* Everything matches the prediction/, {
    timeout: 90_000,
  });
  await page.getByRole('button', { name: 'What plays the motions' }).click();
  await page.getByText('Web Animations', { exact: true }).click();
  await expect(page.locator('.hand-html')).toContainText('new ViewTimeline');
  await page.getByRole('button', { name: /Prove/ }).first().click();
  await expect(sentence).toContainText(/Everything matches the prediction/, { timeout: 90_000 });

  const { takes } = await (await request.get(`/api/pages/${id}`)).json();
  const zip = await request.get(`/api/takes/${takes[0].id}/hand-off.zip?width=1280&height=800&fallback=true`);
  const files = unzipSync(new Uint8Array(await zip.body()));
  const [native, old] = [await served(context, files, false), await served(context, files, true)];
  const look = (p: Page, y: number) =>
    p.evaluate(async (at) => {
      scrollTo({ top: at, behavior: 'instant' });
      for (let i = 0; i < 4; i++) await new Promise(requestAnimationFrame);
      return (
        [
          ['#intro h2', '::after'],
          ['#kept-line', '::after'],
          ['.list li:nth-child(1)', '::before'],
          ['.list li:nth-child(2)', '::before'],
        ] as const
      ).map(([s, part]) => {
        const style = getComputedStyle(document.querySelector(s)!, part);
        // What is not said is nothing: `0px` is `0px 0px`.
        const pair = (v: string, initial: number) => {
          const [x = initial, y] = (v.match(/-?[\d.]+/g) ?? []).map(Number);
          return [x, y ?? (initial ? x : 0)];
        };
        return [...pair(style.scale, 1), ...pair(style.translate, 0), Number(style.opacity)];
      });
    }, y);
  const seen = new Set<string>();
  for (const y of [0, 150, 220, 300, 420, 700, 980, 1300, 1700, 2000, 2300, 1300, 220]) {
    const [a, b] = [await look(native, y), await look(old, y)];
    seen.add(JSON.stringify(a));
    a.forEach((numbers, i) =>
      expect([y, i, b[i]]).toEqual([y, i, numbers.map((n) => expect.closeTo(n, Math.abs(n) > 2 ? 0 : 1))]),
    );
  }
  expect(seen.size).toBeGreaterThan(5);
});

test('damped, on a trigger and given back: a pseudo-element is its style sheet’s again', async ({
  page,
  request,
}) => {
  await openNew(page, request, 'Lined, damped', PAGE);
  await choosePart(page, '#intro h2', '::after');
  await addMotion(page, 'Bar');
  await page.locator('.sentence').getByRole('button', { name: 'Damping', exact: true }).click();
  await page.getByText('half-life', { exact: false }).first().click();
  await page.keyboard.press('Escape');
  const timelines = () =>
    preview(page)
      .locator('#intro h2')
      .evaluate((e) =>
        e.getAnimations({ subtree: true }).map((a) => `${a.timeline?.constructor.name} ${a.playState}`),
      );
  await expect.poll(timelines).toContain('DocumentTimeline paused');
  await page.keyboard.press('Control+z');
  await expect.poll(timelines).toEqual([expect.stringMatching(/^ViewTimeline/)]);

  await choosePart(page, '#kept-line', '::after');
  await addMotion(page, 'Appear, timed');
  // In sight already: it has played, on the heading’s line and not on the heading.
  await expect
    .poll(() =>
      preview(page)
        .locator('#kept-line')
        .evaluate((e) =>
          e
            .getAnimations({ subtree: true })
            .map((a) => [(a.effect as KeyframeEffect).pseudoElement, a.playState]),
        ),
    )
    .toEqual([['::after', 'finished']]);
  // Under the hand it stands where it is put, and let go of it is its trigger’s again.
  await page.getByRole('button', { name: /^Play/ }).last().click();
  await page.getByRole('button', { name: 'Let go' }).click();
  await expect.poll(() => shown(page, '#kept-line', '::after', 'animation-name')).toContain('lv-kept-line');
  expect(await preview(page).locator('[data-lv-restart]').count()).toBe(0);
});

test('found by its name, refused what only elements can do, and typed by hand', async ({ page, request }) => {
  await openNew(page, request, 'Lined, found', PAGE);
  await page.keyboard.press('/');
  await page.keyboard.type('kept in sight ::after');
  await page.keyboard.press('Enter');
  await expect(page.locator('.inspector-name-plain')).toHaveText('Kept in sight ::after');
  await page.keyboard.press('a');
  await page.keyboard.type('pin');
  await expect(page.getByRole('option', { name: /Pin section/ })).toContainText(
    'It needs an element; this is drawn by one.',
  );
  await page.keyboard.press('Escape');
  await pick(page, '#intro p');
  await addMotion(page, 'Rise');
  await page.locator('.sentence').getByRole('button', { name: 'Element', exact: true }).click();
  await page.keyboard.type('.lined::after');
  await page.getByRole('button', { name: 'Move these' }).click();
  await expect(page.locator('.sentence')).toContainText('on 2 elements');
  await expect.poll(() => shown(page, '#kept-line', '::after', 'animation-name')).toContain('lv-');
  expect(await shown(page, '#intro p', '', 'animation-name')).toBe('none');
});
