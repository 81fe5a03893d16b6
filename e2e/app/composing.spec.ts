/** Composing in the Rundown: pins with cues, scrubbed and timed, following, copies, solo and finding, and what they leave in the hand-off. */
import { itemAt, lastItem, present } from '@lyvek/core';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import {
  addMotion,
  base,
  addPage,
  newProject,
  openNew,
  openRundown,
  pick,
  preview,
  saved,
  zipOf,
} from '../support/app.ts';
import { WORKSHOP } from '../effects/workshop.ts';
import { FULL } from '../support/full.ts';
import { dwell, elapse, settled } from '../support/time.ts';

let pageId = '';
test.beforeAll(async ({ request }) => {
  const project = await newProject(request, `Composing ${Date.now()}`);
  pageId = await addPage(request, project, zipOf({ 'index.html': WORKSHOP }));
});

async function open(page: Page): Promise<string> {
  const response = await page.request.post(`/api/pages/${pageId}/takes`, {
    data: { document: { format: 'lyvek-document', version: 2, motions: [] } },
  });
  const { id } = (await response.json()) as { id: string };
  await openRundown(page, `${pageId}?take=${id}`);
  return id;
}
async function add(page: Page, effect: string, selector: string): Promise<void> {
  await pick(page, selector);
  await page.keyboard.press('a');
  await page.getByRole('textbox', { name: 'Search starting points' }).fill(effect);
  await page.getByRole('option', { name: new RegExp(`^${effect} [A-Z]`) }).click();
  await saved(page);
}
const take = async (page: Page, id: string) =>
  (await (await page.request.get(`/api/takes/${id}`)).json()).document;
const rangeStart = (page: Page, selector: string) =>
  preview(page)
    .locator(selector)
    .first()
    .evaluate((e) => {
      const a = e.getAnimations()[0];
      // Not played yet: asked again.
      if (!a) return NaN;
      type Offset = { value: number } | null;
      const t = a.timeline as unknown as { startOffset: Offset; endOffset: Offset };
      const start = a.startTime as unknown as Offset;
      // Just put on, it has no place yet.
      if (!t?.startOffset || !t.endOffset || !start) return NaN;
      const from = t.startOffset.value;
      return from + (start.value / 100) * (t.endOffset.value - from);
    });

test('a cue on a pin: what hangs on it moves with it, and undo brings both back', async ({ page }) => {
  const id = await open(page);
  await add(page, 'Pin section', '#dome');
  await add(page, 'Fade', '#caption');
  await page.locator('.sentence .word').first().click();
  await page.getByRole('button', { name: /the pin Dome opens/ }).click();
  await page.locator('[data-pin] .pin-area').click();
  await page.getByRole('button', { name: 'Cue at the playhead' }).click();
  await page.getByLabel('Place of Cue 1').fill('25%');
  await page.keyboard.press('Enter');
  await page.locator('.bar-pin .bar-grip').click();
  await page.locator('.point-pin').first().click();
  await page.getByLabel('What the start is attached to').selectOption({ label: 'the cue Cue 1' });
  await page.keyboard.press('Escape');
  await expect(page.locator('.sentence')).toContainText('the cue Cue 1');
  await saved(page);
  const hold = await preview(page)
    .locator('#dome')
    .evaluate((e) => (e.parentElement as HTMLElement).offsetTop);
  await expect.poll(() => rangeStart(page, '#caption')).toBeCloseTo(hold + 200, 0);
  const tab = present(await page.locator('[data-cue] .cue-tab').boundingBox());
  await page.mouse.move(tab.x + 20, tab.y + 7);
  await page.mouse.down();
  await page.mouse.move(tab.x + 20, tab.y + 27, { steps: 5 });
  await page.mouse.up();
  await saved(page);
  const document = await take(page, id);
  const share = Number.parseFloat(document.cues[0].at);
  expect(share).toBeGreaterThan(35);
  expect(document.motions[0].range.start).toBe(document.cues[0].at);
  await expect.poll(() => rangeStart(page, '#caption')).toBeCloseTo(hold + share * 8, 0);
  await page.keyboard.press('Control+z');
  await expect.poll(() => rangeStart(page, '#caption')).toBeCloseTo(hold + 200, 0);
});

test('a pin comes with the rules that its wrapper would make miss: nothing in it moves for a moment', async ({
  page,
}) => {
  await open(page);
  await pick(page, '#dome');
  const seen = await preview(page)
    .locator('#caption')
    .evaluateHandle((e) => {
      const lefts = new Set<number>();
      const look = () => {
        lefts.add(e.getBoundingClientRect().left);
        requestAnimationFrame(look);
      };
      look();
      return lefts;
    });
  await addMotion(page, 'Pin section');
  await expect(page.locator('[data-pin]')).toBeVisible();
  await saved(page);
  await expect
    .poll(() =>
      preview(page)
        .locator('#dome')
        .evaluate((e) => e.parentElement!.className),
    )
    .toContain('lv-');
  expect(await seen.evaluate((s) => [...s])).toEqual([80]);
});

test('a pin’s end is dragged, goes back with Esc, and the page grows with it', async ({ page }) => {
  const id = await open(page);
  await add(page, 'Pin section', '#dome');
  const distance = async () => (await take(page, id)).pins[0].distance.value;
  const pull = async (rows: number) => {
    const end = present(await page.locator('[data-pin] .handle-area').boundingBox());
    await page.mouse.move(end.x + 20, end.y + 8);
    await page.mouse.down();
    await page.mouse.move(end.x + 20, end.y + 8 + rows, { steps: 5 });
  };
  await pull(20);
  await expect(page.locator('.pin-name')).not.toContainText('pinned 800 px');
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect(page.locator('.pin-name')).toContainText('pinned 800 px');
  expect(await distance()).toBe('100vh');
  const height = () =>
    preview(page)
      .locator('body')
      .evaluate((e) => e.scrollHeight);
  const before = await height();
  await pull(20);
  await page.mouse.up();
  await saved(page);
  const screens = Number.parseFloat(await distance()) / 100;
  expect(screens).toBeGreaterThan(1.2);
  expect(await distance()).toMatch(/vh$/);
  await expect.poll(height).toBeCloseTo(before + (screens - 1) * 800, -1);
});

test('scrubbed to timed and back is one click each, and says what it does', async ({ page }) => {
  const id = await open(page);
  await add(page, 'Rise', '#one');
  const before = (await take(page, id)).motions[0];
  await page.locator('.sentence .word').first().click();
  await page.getByRole('button', { name: /a new trigger where it begins now/ }).click();
  await expect(page.locator('.notice')).toContainText('time-based now');
  await expect(page.locator('[data-trigger]')).toHaveCount(1);
  await saved(page);
  expect((await take(page, id)).motions[0].keyframes).toEqual(before.keyframes);
  await page.locator('.word-trigger').last().click();
  await page.getByRole('button', { name: /its own view progress/ }).click();
  await saved(page);
  const after = await take(page, id);
  expect(after.triggers).toEqual([]);
  expect(after.motions[0].range).toEqual(before.range);
});

test('parts on the time ruler: delay by dragging, playing and scrubbing without scrolling away', async ({
  page,
}) => {
  const id = await open(page);
  await add(page, 'Title pair', '#two');
  const bar = present(await page.locator('.time-part .time-bar').first().boundingBox());
  await page.mouse.move(bar.x + 6, bar.y + 60);
  await page.mouse.down();
  await page.mouse.move(bar.x + 6, bar.y + 120, { steps: 5 });
  await page.mouse.up();
  await saved(page);
  const [part] = (await take(page, id)).motions;
  expect(Number.parseFloat(part.time.delay)).toBeGreaterThan(80);
  const at = await page.locator('.page-at b').innerText();
  const opacity = () =>
    preview(page)
      .locator('#two h3')
      .evaluate((e) => Number(getComputedStyle(e).opacity));
  const ground = present(await page.locator('.time-ground').boundingBox());
  await page.mouse.click(ground.x + ground.width - 8, ground.y + 15);
  await expect.poll(opacity).toBeLessThan(0.05);
  await page.mouse.click(ground.x + ground.width - 8, ground.y + ground.height - 14);
  await expect.poll(opacity).toBeGreaterThan(0.99);
  await page.locator('.rundown').focus();
  // Watched from inside: on a busy machine it may be over before it can be asked for.
  const lowest = preview(page)
    .locator('#two h3')
    .evaluate(async (e) => {
      let low = 1;
      for (const until = performance.now() + 4000; performance.now() < until && low >= 0.9;) {
        await new Promise(requestAnimationFrame);
        low = Math.min(low, Number(getComputedStyle(e).opacity));
      }
      return low;
    });
  await elapse(page, 100);
  await page.keyboard.press('r');
  expect(await lowest).toBeLessThan(0.9);
  await expect.poll(opacity).toBe(1);
  expect(await page.locator('.page-at b').innerText()).toBe(at);
});

test('copies, solo and finding', async ({ page }) => {
  const id = await open(page);
  await add(page, 'Leave', '#one');
  await page.locator('.rundown').focus();
  await page.keyboard.press('Control+c');
  await pick(page, '#two');
  await page.keyboard.press('Control+v');
  await saved(page);
  const document = await take(page, id);
  expect(document.motions.map((m: { targets: { selector: string } }) => m.targets.selector)).toEqual([
    '#one',
    '#two',
  ]);
  expect(document.adjustments).toHaveLength(2);
  const animated = (s: string) =>
    preview(page)
      .locator(s)
      .evaluate((e) => e.getAnimations().length);
  await page.getByRole('button', { name: 'Solo' }).click();
  await expect.poll(() => animated('#one')).toBe(0);
  await expect.poll(() => animated('#two')).toBe(1);
  await page.getByRole('button', { name: 'Solo' }).click();
  await expect.poll(() => animated('#one')).toBe(1);
  await page.keyboard.press('Escape');
  await page.keyboard.press('/');
  await page.keyboard.type('second');
  await expect(page.locator('.bar.faded')).toHaveCount(1);
  await page.keyboard.press('Enter');
  await expect(page.locator('.bar.selected')).toHaveCount(1);
});

test('following, a pin and a drawing leave as files that do the same', async ({ page, context }) => {
  const id = await open(page);
  await add(page, 'Rise', '#one');
  await page.locator('.sentence .word', { hasText: 'none' }).click();
  await page.getByRole('group', { name: 'Damping' }).getByRole('button', { name: 'half-life' }).click();
  await page.keyboard.press('Escape');
  await expect(page.locator('.sentence')).toContainText('90 ms half-life');
  await add(page, 'Horizontal travel', '.strip');
  await add(page, 'Draw', '#draw svg');
  await page.getByRole('link', { name: 'Hand-off' }).click();
  await expect(page.locator('.hand-left')).toContainText('2 CSS, 1 script');
  await expect(page.locator('.hand-html')).toContainText('lv-hold-plates');
  const zip = await (await page.request.get(`/api/takes/${id}/hand-off.zip?width=1280&height=800`)).body();
  const files = unzipSync(new Uint8Array(zip));
  expect(Object.keys(files).sort()).toEqual([
    'index.html',
    'motion-runtime.js',
    'workshop.motion.css',
    'workshop.motion.js',
  ]);
  const out = await context.newPage();
  await out.setViewportSize({ width: 1280, height: 800 });
  await out.route('http://handed.off/**', (route) => {
    const path = new URL(route.request().url()).pathname.slice(1) || 'index.html';
    const types: Record<string, string> = { html: 'text/html', css: 'text/css', js: 'text/javascript' };
    return route.fulfill({
      body: Buffer.from(present(files[path])),
      contentType: types[lastItem(path.split('.'))] ?? 'text/plain',
    });
  });
  await out.goto('http://handed.off/');
  await elapse(out, 400);
  const plain = await out.evaluate(async () => {
    const frames = (n: number) =>
      new Promise<void>((done) => {
        const step = (left: number) => (left ? requestAnimationFrame(() => step(left - 1)) : done());
        step(n);
      });
    const track = document.querySelector('.lv-hold-plates') as HTMLElement;
    const start = track.offsetTop;
    const one = document.querySelector<HTMLElement>('#one')!;
    scrollTo({ top: one.offsetTop - 520, behavior: 'instant' });
    await frames(3);
    const early = Number(getComputedStyle(one).opacity);
    for (const from = performance.now(); performance.now() - from < 1200;) await frames(1);
    const late = Number(getComputedStyle(one).opacity);
    const distance = Number.parseFloat(getComputedStyle(track, '::after').height);
    scrollTo({ top: start + distance, behavior: 'instant' });
    await frames(3);
    return {
      early,
      late,
      right: document.querySelector('.strip')!.getBoundingClientRect().right,
      sideways: document.documentElement.scrollWidth,
      pathLength: document.querySelector('#draw path')!.getAttribute('pathLength'),
    };
  });
  // It lags behind the jump and then arrives.
  expect(plain.early).toBeLessThan(plain.late - 0.1);
  expect(plain.right).toBeCloseTo(1200, 0);
  expect(plain.sideways).toBe(1280);
  expect(plain.pathLength).toBe('1');
  await out.close();
  expect(base).toContain('127.0.0.1');
});

test('what has no place on the page says so, can be reached and mended, and breaks nothing', async ({
  page,
}) => {
  const response = await page.request.post(`/api/pages/${pageId}/takes`, {
    data: {
      document: {
        format: 'lyvek-document',
        version: 2,
        motions: [],
        pins: [
          pinOn('p_gone', 'Gone', '#nowhere'),
          pinOn('p_outer', 'Outer', '#dome'),
          pinOn('p_inner', 'Inner', '#caption'),
        ],
        triggers: [
          {
            id: 'g_gone',
            name: 'Lost trigger',
            on: true,
            subject: '#nowhere',
            down: 'entry 50%',
            up: null,
            plays: 'once',
            back: 'returns',
          },
        ],
      },
    },
  });
  expect(response.status()).toBe(201);
  await openRundown(page, `${pageId}?take=${((await response.json()) as { id: string }).id}`);
  const list = page.getByRole('list', { name: 'Not on this page' });
  await expect(list).toContainText('Gone');
  await expect(list).toContainText('no element matches #nowhere');
  await expect(list).toContainText('inside another pinned one');
  await expect(list).toContainText('Lost trigger');
  await expect(page.locator('[data-pin]')).toHaveCount(1);
  await list.getByRole('button', { name: 'Gone' }).click();
  await expect(page.locator('.inspector')).toContainText('It does not pin');
  await page.locator('.word-pin').first().click();
  await page.locator('input[name=stage]').fill('#plates');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-pin]')).toHaveCount(2);
  await saved(page);
});

const pinOn = (id: string, name: string, stage: string) => ({
  id,
  name,
  on: true,
  stage,
  sticky: { by: 'top', inset: '0px' },
  distance: { kind: 'length', value: '100vh' },
  overlap: ['0px', '0px'],
  layer: null,
});

test('a media condition: edits for it are seen there only, leave as @media, and can be given up', async ({
  page,
}) => {
  const id = await open(page);
  await add(page, 'Rise', '#one');
  const wide = await rangeStart(page, '#one');
  await page.getByRole('button', { name: 'Editing: all screens' }).click();
  await page.getByLabel('Matches when').fill('(width < 600');
  await expect(page.locator('.conditions .field-error')).toBeVisible();
  await page.getByLabel('Matches when').fill('(width < 600px)');
  await page.getByRole('button', { name: 'Add and edit for it' }).click();
  await expect(page.locator('.head-row.right')).toContainText('Editing Narrow only');
  await expect(page.getByRole('button', { name: 'Viewport 390 × 844' })).toBeVisible();
  await expect(page.locator('.preview')).toHaveAttribute('data-link', 'ready');
  await settled(page);
  const before = await rangeStart(page, '#one');
  await page.getByRole('button', { name: 'The start', exact: true }).focus();
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowDown');
  await settled(page);
  await saved(page);
  expect(await rangeStart(page, '#one')).toBeGreaterThan(before + 4);
  const { motions } = await take(page, id);
  expect(motions[0].range.start).toBe('entry 10%');
  expect(motions[0].conditions).toEqual([{ media: expect.any(String), range: { start: 'entry 15%' } }]);

  // Back on a wide screen nothing has changed, and edits count for all again.
  await page.getByRole('button', { name: 'Viewport 390 × 844' }).click();
  await page.getByRole('button', { name: /1280 × 800/ }).click();
  await expect(page.getByRole('button', { name: 'Editing: all screens' })).toBeVisible();
  await settled(page);
  expect(await rangeStart(page, '#one')).toBeCloseTo(wide, 0);

  await page.getByRole('link', { name: 'Hand-off' }).click();
  await expect(page.locator('.hand-off')).toContainText('and (width < 600px)');
  await page.getByRole('link', { name: 'Rundown' }).click();
  await expect(page.locator('.preview')).toHaveAttribute('data-link', 'ready');
  await page.locator('.bar-grip').first().click();
  await page.getByRole('button', { name: 'Overrides for Narrow' }).click();
  await page.getByRole('button', { name: /start remove the override/ }).click();
  await saved(page);
  expect((await take(page, id)).motions[0].conditions).toBeUndefined();
});

test('keyframes are chosen across motions, moved together and deleted; the ruler lights them; B puts one in', async ({
  page,
}) => {
  const id = await open(page);
  await add(page, 'Fade', '#one');
  await add(page, 'Rise', '#one h3');
  const { motions } = await take(page, id);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+a');
  // A place inside of both ranges.
  const place = Math.ceil(Math.max(await rangeStart(page, '#one'), await rangeStart(page, '#one h3'))) + 30;
  await preview(page)
    .locator('body')
    .evaluate((_b, top) => scrollTo({ top, behavior: 'instant' }), place);
  await expect(page.locator('.page-at')).toContainText(String(place));
  await page.keyboard.press('b');
  await saved(page);
  const stops = async (k: number) =>
    Object.values((await take(page, id)).motions[k].keyframes as Record<string, { at: string }[]>).map((l) =>
      l.map((s) => s.at),
    );
  const before = await stops(0);
  expect(before.every((l) => l.length === 3)).toBe(true);
  for (let i = 0; i < 4; i++) await page.keyboard.press('+');
  const keyframes = page.locator('.keyframe-area');
  expect(await keyframes.count()).toBeGreaterThanOrEqual(1);
  // The ends are keyframes too; this is the one between them.
  const box = present(await keyframes.nth(1).boundingBox());
  await page.mouse.move(116, box.y + box.height / 2);
  await expect(page.locator('.keyframes.lit').first()).toBeAttached();
  await page.mouse.move(box.x + 6, box.y + 6);
  await page.mouse.down();
  await page.mouse.move(box.x + 6, box.y + 20, { steps: 4 });
  await page.mouse.up();
  await saved(page);
  const after = await stops(0);
  expect(Number.parseFloat(itemAt(itemAt(after, 0), 1))).toBeGreaterThan(
    Number.parseFloat(itemAt(itemAt(before, 0), 1)),
  );
  await expect(page.locator('.keyframes.chosen')).toHaveCount(1);
  await page.keyboard.press('Delete');
  await saved(page);
  const left = await take(page, id);
  expect(left.motions).toHaveLength(motions.length);
  expect((await stops(0)).every((l) => l.length === 2)).toBe(true);
});

test('a hold is typed, seen in the page, dragged on the bar and removed', async ({ page }) => {
  const id = await open(page);
  await add(page, 'Fade', '#one');
  await page.getByRole('button', { name: 'Hold', exact: true }).click();
  await page.getByLabel('Hold in px').fill('160');
  await page.keyboard.press('Enter');
  await page.locator('.diagram h3').click();
  await page.locator('.rundown').focus();
  await saved(page);
  const list = async () => (await take(page, id)).motions[0].keyframes.opacity;
  expect((await list()).map((s: { value: string }) => s.value)).toEqual(['0', '1', '1', '0']);
  for (let i = 0; i < 2; i++) await page.keyboard.press('+');
  const edge = present(await page.locator('[data-hold=to]').boundingBox());
  const was = Number.parseFloat((await list())[2].at);
  await page.mouse.move(edge.x + 12, edge.y + 5);
  await page.mouse.down();
  await page.mouse.move(edge.x + 12, edge.y + 25, { steps: 4 });
  await page.mouse.up();
  await saved(page);
  await expect.poll(async () => Number.parseFloat((await list())[2].at)).toBeGreaterThan(was);
  await page.getByRole('button', { name: 'Hold', exact: true }).click();
  await page.getByLabel('Hold in px').fill('0');
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await list()).length).toBe(2);
});

test('a signal is dragged by hand: listeners hear it without scrolling, and it goes back to the scroll', async ({
  page,
}) => {
  await open(page);
  await add(page, 'Signal', '#one');
  const frame = preview(page).locator('#one');
  const heard = await frame.evaluateHandle((e) => {
    const out: number[] = [];
    e.addEventListener('signal', (event) => out.push((event as CustomEvent<{ value: number }>).detail.value));
    return out;
  });
  const scroll = () => frame.evaluate(() => scrollY);
  const y = await scroll();
  const slider = page.getByRole('slider', { name: /by hand/ });
  const box = present(await slider.boundingBox());
  await page.mouse.move(box.x + 4, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.75, box.y + box.height / 2, { steps: 5 });
  await expect.poll(() => heard.evaluate((o) => o.at(-1))).toBeGreaterThan(60);
  expect(await scroll()).toBe(y);
  await page.mouse.up();
  await expect.poll(() => frame.evaluate((e) => e.style.getPropertyValue('--signal'))).toBe('');
});

test('pulling the element in the page sets its value at the nearest stop; Esc puts it back', async ({
  page,
}) => {
  const id = await open(page);
  await add(page, 'Rise', '#one');
  const first = async () => (await take(page, id)).motions[0].keyframes.translate[0].value;
  expect(await first()).toBe('0 72px');
  // Near its beginning, so that the first stop is the nearest one.
  const early = Math.ceil(await rangeStart(page, '#one')) + 60;
  await preview(page)
    .locator('body')
    .evaluate((_b, top) => scrollTo({ top, behavior: 'instant' }), early);
  await expect(page.locator('.page-at')).toContainText(String(early));
  await settled(page);
  const grip = present(await page.locator('[data-grip=translate]').boundingBox());
  const [x, y] = [grip.x + grip.width / 2, grip.y + grip.height / 2];
  const scale = present(await page.locator('.preview-page').boundingBox()).width / 1280;
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 40, y - 20, { steps: 4 });
  await expect(page.locator('.grip-plate')).toContainText('translate');
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect(page.locator('.grip-plate')).toHaveCount(0);
  await settled(page);
  const again = present(await page.locator('[data-grip=translate]').boundingBox());
  const [x2, y2] = [again.x + again.width / 2, again.y + again.height / 2];
  await page.mouse.move(x2, y2);
  await page.mouse.down();
  await page.mouse.move(x2 + 45 * scale, y2 - 18 * scale, { steps: 4 });
  await page.mouse.up();
  await expect.poll(first).not.toBe('0 72px');
  const moved = (await take(page, id)).motions[0].keyframes.translate;
  const pulled = moved.find((k: { value: string }) => /^45px/.test(k.value));
  expect(pulled).toBeDefined();
});

test('a cue is a place that links lead to: in the preview’s track, and in the page that is handed off', async ({
  page,
  context,
}) => {
  const id = await open(page);
  await add(page, 'Pin section', '#dome');
  await page.getByRole('button', { name: 'Cue at the playhead' }).click();
  await page.getByLabel('Place of Cue 1').fill('25%');
  await page.keyboard.press('Enter');
  await page.getByLabel('Link to Cue 1').fill('2 wrong');
  await page.keyboard.press('Enter');
  await expect(page.getByText('A link begins with a letter')).toBeVisible();
  await page.getByLabel('Link to Cue 1').fill('#slit-open');
  await page.keyboard.press('Enter');
  await saved(page);
  expect((await take(page, id)).cues[0].link).toBe('slit-open');
  await expect(preview(page).locator('.lv-hold-dome-opens > #slit-open')).toBeAttached();
  await settled(page);
  const zip = await (await page.request.get(`/api/takes/${id}/hand-off.zip?width=1280&height=800`)).body();
  const files = unzipSync(new Uint8Array(zip));
  const out = await context.newPage();
  await out.setViewportSize({ width: 1280, height: 800 });
  await out.route('http://handed.off/**', (route) => {
    const path = new URL(route.request().url()).pathname.slice(1) || 'index.html';
    return route.fulfill({
      body: Buffer.from(present(files[path])),
      contentType: path.endsWith('css') ? 'text/css' : 'text/html',
    });
  });
  await out.goto('http://handed.off/#slit-open');
  await elapse(out, 300);
  const at = await out.evaluate(() => {
    const track = document.querySelector('.lv-hold-dome-opens') as HTMLElement;
    return {
      y: scrollY,
      start: track.offsetTop,
      distance: Number.parseFloat(getComputedStyle(track, '::after').height),
      stage: document.querySelector('#dome')!.getBoundingClientRect().top,
    };
  });
  expect(Math.abs(at.y - (at.start + at.distance / 4))).toBeLessThanOrEqual(1);
  expect(Math.abs(at.stage)).toBeLessThan(1);
  await out.close();
});

test(
  'one motion for 5,000 elements: counted while typed, drawn as far as the lanes go, and nothing breaks',
  FULL,
  async ({ page, request }) => {
    test.slow();
    const rows = Array.from({ length: 5000 }, (_, i) => `<p class="row">Row ${i + 1}</p>`).join('');
    await openNew(
      page,
      request,
      `Many ${Date.now()}`,
      `<!doctype html><html lang="en"><head><title>Many</title><style>body{margin:0}.row{height:30px;margin:0}#top{height:900px}</style></head><body><h1 id="top">Many</h1>${rows}</body></html>`,
    );
    await page.mouse.move(800, 300);
    await page.mouse.wheel(0, 700);
    await dwell(page, 400);
    await page.mouse.click(700, 350);
    await page.keyboard.press('a');
    await page.getByRole('textbox', { name: 'Search starting points' }).fill('Fade');
    await page.getByRole('option', { name: /^Fade [A-Z]/ }).click();
    await saved(page);
    await page.getByRole('button', { name: 'Element', exact: true }).click();
    const field = page.getByLabel('Moves everything that matches');
    await field.fill('.row:nth-child(');
    await expect(page.getByText('not a selector that the browser understands')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Move these' })).toBeDisabled();
    await field.fill('.nowhere');
    await expect(page.getByText('Nothing on this page matches')).toBeVisible();
    await field.fill('.row');
    await expect(
      page.getByText('5,000 elements, all outlined in the page; the lanes show the first 2,000'),
    ).toBeVisible();
    await page.getByRole('button', { name: 'Move these' }).click();
    await saved(page);
    // Measuring a page with so many timelines takes the browser a while; the workbench waits and says so.
    await expect(page.locator('.sentence')).toContainText('more', { timeout: 60_000 });
    await expect(page.locator('.preview')).toHaveAttribute('data-link', 'ready', { timeout: 60_000 });
    // The browser moves all of them, also those that the lanes do not show.
    const faded = () =>
      preview(page)
        .locator('.row')
        .nth(4900)
        .evaluate(async (e) => {
          scrollTo({ top: 900 + 4900 * 30 - 790, behavior: 'instant' });
          for (let i = 0; i < 4; i++) await new Promise(requestAnimationFrame);
          return Number(getComputedStyle(e).opacity);
        });
    await expect.poll(faded, { timeout: 60_000 }).toBeLessThan(0.9);
    await page.locator('.rundown').focus();
    await page.keyboard.press('Control+z');
    await expect.poll(faded, { timeout: 60_000 }).toBe(1);
  },
);
