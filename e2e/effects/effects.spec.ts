/** Every effect, built through the interface on a page that has structure and no motion; the browser says what is seen. */
import { expect, test } from '@playwright/test';
import type { Frame, Page } from '@playwright/test';
import { EFFECTS, itemAt, lastItem, present } from '@lyvek/core';
import { addPage, newProject, openRundown, pick, saved, zipOf } from '../support/app.ts';
import { WORKSHOP } from './workshop.ts';
import { sampled } from '../support/full.ts';
import { elapse, settled } from '../support/time.ts';

let pageId = '';
test.beforeAll(async ({ request }) => {
  const project = await newProject(request, `Effects ${Date.now()}`);
  pageId = await addPage(request, project, zipOf({ 'index.html': WORKSHOP }));
});

/** What the browser shows of one element at one scroll offset, two frames after it got there. */
interface Look {
  y: number;
  top: number;
  left: number;
  right: number;
  height: number;
  style: Record<string, string>;
}
const inPage = (page: Page): Frame =>
  present(page.frames().find((f) => f.parentFrame() === page.mainFrame() && !f.isDetached()));

async function look(frame: Frame, selector: string, y: number): Promise<Look> {
  return frame.evaluate(
    async ([selector, y]) => {
      scrollTo({ top: y, behavior: 'instant' });
      await new Promise((r) =>
        requestAnimationFrame(() => requestAnimationFrame(() => requestAnimationFrame(r))),
      );
      const e = document.querySelector(selector)!;
      const box = e.getBoundingClientRect();
      const css = getComputedStyle(e);
      const names =
        'opacity translate scale rotate filter transform clip-path mask-position perspective stroke-dashoffset --lv-figure --lv-ring --signal';
      return {
        y: scrollY,
        top: box.top,
        left: box.left,
        right: box.right,
        height: box.height,
        style: Object.fromEntries(names.split(' ').map((n) => [n, css.getPropertyValue(n)])),
      };
    },
    [selector, y] as const,
  );
}

/** Where an element lies in the page, whatever moves it. */
const documentTop = (frame: Frame, selector: string) =>
  frame.evaluate((s) => {
    const e = document.querySelector(s)!;
    let top = 0;
    const holder = e instanceof HTMLElement ? e : e.closest('div, section')!;
    for (let n: HTMLElement | null = holder as HTMLElement; n; n = n.offsetParent as HTMLElement | null)
      top += n.offsetTop;
    return holder === e ? top : top + e.getBoundingClientRect().top - holder.getBoundingClientRect().top;
  }, selector);

/** Adds an effect to an element with mouse and keyboard; every test has a take of its own. */
async function build(page: Page, effect: string, selector: string): Promise<Frame> {
  const response = await page.request.post(`/api/pages/${pageId}/takes`, {
    data: { document: { format: 'lyvek-document', version: 2, motions: [] } },
  });
  const take = ((await response.json()) as { id: string }).id;
  await openRundown(page, `${pageId}?take=${take}`);
  await pick(page, selector);
  await page.keyboard.press('a');
  await page.getByRole('textbox', { name: 'Search starting points' }).fill(effect);
  const plate = page.getByRole('option', { name: new RegExp(`^${effect} [A-Z]`) });
  await expect(plate).toHaveAttribute('aria-disabled', 'false');
  await plate.click();
  await saved(page);
  // Pins are measured once more after they have come to rest.
  await settled(page);
  return inPage(page);
}

/** Before, midway and after, down and up again: the same at the same place. */
async function downAndUp(frame: Frame, selector: string, offsets: readonly number[]): Promise<Look[]> {
  const down: Look[] = [];
  for (const y of offsets) down.push(await look(frame, selector, y));
  for (const [i, y] of [...offsets.entries()].reverse()) {
    const again = await look(frame, selector, y);
    expect(again.style).toEqual(itemAt(down, i).style);
    expect(again.top).toBeCloseTo(itemAt(down, i).top, 1);
  }
  return down;
}

const number = (css: string | undefined, k = 0) => Number(css?.match(/-?[\d.]+(?:e-?\d+)?/g)?.[k] ?? NaN);

/** Reveals: the property that tells, and its last value, on the first card. */
const REVEALS: [name: string, property: string, end: RegExp][] = [
  ['Rise', 'translate', /^0px(?: 0px)?$/],
  ['Slide from above', 'translate', /^0px(?: 0px)?$/],
  ['Fade', 'opacity', /^1$/],
  ['Slide from the left', 'translate', /^0px(?: 0px)?$/],
  ['Slide from the right', 'translate', /^0px(?: 0px)?$/],
  ['Grow', 'scale', /^1$/],
  ['Settle', 'scale', /^1$/],
  ['Sharpen', 'filter', /^blur\(0px\)$/],
  ['Turn in', 'rotate', /^0deg$/],
  ['Flip up', 'rotate', /^x 0deg$/],
  ['Slant in', 'transform', /^matrix\(1, 0, 0, 1, 0, 0\)$/],
  ['Wipe', 'clip-path', /^inset\(0px 0% 0px 0px\)$/],
  ['Unmask', 'mask-position', /^0% 0%$/],
  ['Rising level', 'clip-path', /^inset\(0% 0px 0px\)$/],
];

for (const [i, [name, property, end]] of REVEALS.entries())
  test(`${name}: hidden before, on its way midway, complete after`, sampled(i, 6), async ({ page }) => {
    const frame = await build(page, name, '#one');
    const top = await documentTop(frame, '#one');
    const [before, midway, after] = await downAndUp(frame, '#one', [top - 790, top - 550, top - 60]);
    expect(present(before).style[property]).not.toBe(present(midway).style[property]);
    expect(present(midway).style[property]).not.toBe(present(after).style[property]);
    expect(present(after).style[property]).toMatch(end);
    if (!['Wipe', 'Unmask', 'Rising level'].includes(name)) {
      expect(number(present(before).style.opacity)).toBeLessThan(0.05);
      expect(number(present(midway).style.opacity)).toBeGreaterThan(0.2);
    }
    if (name === 'Flip up')
      expect(
        await frame.evaluate(() => getComputedStyle(document.querySelector('#plain')!).perspective),
      ).toBe('900px');
  });

test('Parallax, slower: a layer in a frame never opens a gap at its edges', async ({ page }) => {
  const frame = await build(page, 'Parallax, slower', '#layer');
  const top = await documentTop(frame, '#frame');
  for (const y of [top - 780, top - 500, top - 200, top, top + 250, top + 390]) {
    const outer = await look(frame, '#frame', y);
    const inner = await look(frame, '#layer', y);
    expect(inner.top).toBeLessThanOrEqual(Math.max(0, outer.top) + 0.6);
    expect(inner.top + inner.height).toBeGreaterThanOrEqual(Math.min(800, outer.top + outer.height) - 0.6);
  }
  const [a, b] = await downAndUp(frame, '#layer', [top - 600, top - 200]);
  // Half as fast as the page: 400 px of scroll move it 200 px.
  expect(present(a).top - present(b).top).toBeCloseTo(200, 0);
});

test('Parallax, faster: moves faster than the page', async ({ page }) => {
  const frame = await build(page, 'Parallax, faster', '#two');
  const top = await documentTop(frame, '#two');
  const [a, b] = await downAndUp(frame, '#two', [top - 500, top - 200]);
  expect(present(a).top - present(b).top).toBeCloseTo(420, 0);
});

test('Back and forth: turns one way, then the other', async ({ page }) => {
  const frame = await build(page, 'Back and forth', '#two');
  const looks = await downAndUp(
    frame,
    '#two',
    Array.from({ length: 9 }, (_, i) => 700 + i * 150),
  );
  const turns = looks.map((l) => number(l.style.rotate));
  expect(Math.max(...turns)).toBeGreaterThan(3);
  expect(Math.min(...turns)).toBeLessThan(-3);
});

test('Hold: the section stands still for one screen, and the page grows by it', async ({ page }) => {
  const frame = await build(page, 'Pin section', '#dome');
  const start = await frame.evaluate(
    () => document.querySelector('#dome')!.parentElement!.getBoundingClientRect().top + scrollY,
  );
  const looks = await downAndUp(frame, '#dome', [start - 100, start, start + 400, start + 800, start + 900]);
  expect(looks.map((l) => Math.round(l.top) + 0)).toEqual([100, 0, 0, 0, -100]);
  await expect(page.locator('.pin-name')).toContainText('pinned 800 px');
  await expect(page.locator('.inspector')).toContainText('Adds 800 px to the page');
});

test('Travel: a strip moves sideways; its end edge is right at six widths; nothing scrolls sideways', async ({
  page,
}) => {
  const frame = await build(page, 'Horizontal travel', '.strip');
  const held = () =>
    frame.evaluate(() => {
      const track = document.querySelector('#plates')!.parentElement!;
      const start = track.getBoundingClientRect().top + scrollY;
      return { start, distance: Number.parseFloat(getComputedStyle(track, '::after').height) };
    });
  const { start, distance } = await held();
  const looks = await downAndUp(frame, '.strip', [start - 50, start, start + distance / 2, start + distance]);
  expect(itemAt(looks, 1).left).toBeCloseTo(80, 0);
  expect(itemAt(looks, 3).right).toBeCloseTo(1200, 0);
  expect(await frame.evaluate(() => document.documentElement.scrollWidth)).toBe(1280);
  for (const width of [640, 820, 1024, 1280, 1600, 1920]) {
    await page
      .locator('.preview-page iframe')
      .evaluate((f, w) => ((f as HTMLElement).style.width = `${w}px`), width);
    const off = async () => {
      const at = await held();
      return Math.abs((await look(frame, '.strip', at.start + at.distance)).right - (width - 80));
    };
    await expect.poll(off, { message: `${width} px wide` }).toBeLessThanOrEqual(1);
  }
});

test('Travel: what gets the focus in the strip, or is linked to, is scrolled into sight', async ({
  page,
}) => {
  const frame = await build(page, 'Horizontal travel', '.strip');
  // Of the track: the stage itself may be held just now.
  const top = await frame.evaluate(
    () => document.querySelector('#plates')!.parentElement!.getBoundingClientRect().top + scrollY,
  );
  await look(frame, '.strip', top);
  const seen = (selector: string) =>
    frame.evaluate(async (s) => {
      for (let i = 0; i < 4; i++) await new Promise(requestAnimationFrame);
      const { left, right } = document.querySelector(s)!.getBoundingClientRect();
      return [left, right, scrollY];
    }, selector);
  expect((await seen('#p5'))[0]).toBeGreaterThan(1280);
  await frame.locator('#p5').evaluate((e: HTMLElement) => e.focus({ preventScroll: true }));
  const [left, right, y] = await seen('#p5');
  expect(left).toBeGreaterThanOrEqual(0);
  expect(right).toBeLessThanOrEqual(1280);
  // What is in sight already moves nothing.
  await frame.locator('#p5').evaluate((e: HTMLElement) => {
    e.blur();
    e.focus({ preventScroll: true });
  });
  expect((await seen('#p5'))[2]).toBe(y);
  await frame.evaluate(() => dispatchEvent(new HashChangeEvent('hashchange')));
  await frame.locator('#p1').evaluate((e: HTMLElement) => e.focus({ preventScroll: true }));
  const back = await seen('#p1');
  expect(back[0]).toBeGreaterThanOrEqual(0);
  expect(back[2]).toBeLessThan(present(y));
});

test('Draw: a stroke is drawn without measuring it', async ({ page }) => {
  const frame = await build(page, 'Draw', '#draw svg');
  const top = await documentTop(frame, '#draw svg');
  const [before, midway, after] = await downAndUp(frame, '#draw path', [top - 790, top - 500, top - 100]);
  expect(number(present(before).style['stroke-dashoffset'])).toBe(1);
  expect(number(present(midway).style['stroke-dashoffset'])).toBeGreaterThan(0.1);
  expect(number(present(midway).style['stroke-dashoffset'])).toBeLessThan(0.9);
  expect(number(present(after).style['stroke-dashoffset'])).toBe(0);
  expect(await frame.evaluate(() => document.querySelector('#draw path')!.getAttribute('pathLength'))).toBe(
    '1',
  );
});

test('Progress ring: closes with the scroll, in the colour of its element', async ({ page }) => {
  const frame = await build(page, 'Progress ring', '#layer');
  const top = await documentTop(frame, '#layer');
  const looks = await downAndUp(frame, '#layer', [0, top - 500, top + 300]);
  const rings = await frame.evaluate(
    () => getComputedStyle(document.querySelector('#layer')!).backgroundImage,
  );
  expect(rings).toContain('conic-gradient');
  expect(looks.map((l) => l.style['--lv-ring'])).toEqual(['0', expect.stringMatching(/^0\.\d+$/), '1']);
});

test('Bar: fills along its width', async ({ page }) => {
  const frame = await build(page, 'Bar', '#two');
  const top = await documentTop(frame, '#two');
  const [before, midway, after] = await downAndUp(frame, '#two', [top - 795, top - 660, top - 100]);
  expect(number(present(before).style.scale)).toBeLessThan(0.05);
  expect(present(midway).left).toBeCloseTo(present(before).left, 0);
  expect(present(midway).right).toBeLessThan(present(after).right - 50);
  expect(present(after).style.scale).toBe('1');
});

test('Count: the figure counts, the page keeps its own', async ({ page }) => {
  const frame = await build(page, 'Count', '#hours');
  const top = await documentTop(frame, '#hours');
  const [before, midway, after] = await downAndUp(frame, '#hours', [top - 795, top - 550, top - 100]);
  expect(number(present(before).style['--lv-figure'])).toBe(0);
  expect(number(present(midway).style['--lv-figure'])).toBeGreaterThan(100);
  expect(number(present(after).style['--lv-figure'])).toBe(1640);
  expect(await frame.evaluate(() => document.querySelector('#hours')!.textContent)).toBe('1,640 hours');
});

test('Signal: a number from 0 to 100 that the page can read', async ({ page }) => {
  const frame = await build(page, 'Signal', '#dome');
  const top = await documentTop(frame, '#dome');
  const [before, midway, after] = await downAndUp(frame, '#dome', [top - 800, top, top + 800]);
  expect([before, midway, after].map((l) => Math.round(number(present(l).style['--signal'])))).toEqual([
    0, 50, 100,
  ]);
});

test('Stack: cards slide over each other and earlier ones step back', async ({ page }) => {
  const frame = await build(page, 'Stack', '.deck');
  const start = await frame.evaluate(
    () => document.querySelector('.deck')!.parentElement!.getBoundingClientRect().top + scrollY,
  );
  const end = start + 3 * 0.7 * 800;
  const last = await downAndUp(frame, '#deck4', [start, end]);
  const first = await downAndUp(frame, '#deck1', [start, end]);
  expect(itemAt(last, 0).top).toBeGreaterThan(800);
  expect(itemAt(last, 1).top).toBeLessThan(100);
  expect(itemAt(first, 0).top).toBeCloseTo(itemAt(first, 1).top, 0);
  expect(number(itemAt(first, 1).style.scale)).toBeLessThan(0.9);
  expect(number(itemAt(first, 1).style.opacity)).toBeLessThan(0.6);
});

test('Marquee: runs by itself, turns with the hand, leaves no hole and no second id', async ({ page }) => {
  const frame = await build(page, 'Marquee', '.strip');
  const top = await documentTop(frame, '#plates');
  await look(frame, '.strip', top - 200);
  // Under the pointer it would rest.
  const box = present(await page.locator('.preview-page').boundingBox());
  await page.mouse.move(box.x + 20, box.y + 20);
  await page.mouse.move(box.x + 40, box.y + 20);
  const runs = async () => {
    const a = await look(frame, '#p3', top - 200);
    await elapse(frame, 250);
    return (await look(frame, '#p3', top - 200)).left - a.left;
  };
  expect(await runs()).toBeLessThan(-4);
  await look(frame, '.strip', top - 190);
  await look(frame, '.strip', top - 200);
  await elapse(frame, 600);
  expect(await runs()).toBeGreaterThan(4);
  const ends = await look(frame, '.strip', top - 200);
  expect(ends.left).toBeLessThanOrEqual(0);
  expect(ends.right).toBeGreaterThanOrEqual(1280);
  expect(await frame.locator('#p3').count()).toBe(1);
  expect(await frame.evaluate(() => document.documentElement.scrollWidth)).toBe(1280);
});

test('Counter-columns: the middle one moves against its neighbours', async ({ page }) => {
  const frame = await build(page, 'Counter-columns', '.cols');
  const top = await documentTop(frame, '.cols');
  const [a, b] = await downAndUp(frame, '.cols > div:nth-child(2) > p', [top + 50, top + 350]);
  const [c, d] = await downAndUp(frame, '.cols > div:nth-child(1) > p', [top + 50, top + 350]);
  expect(present(c).top - present(d).top).toBeCloseTo(300, 0);
  expect(present(a).top - present(b).top).toBeCloseTo(-300, 0);
});

test('Rings: the view opens and the parts come forward', async ({ page }) => {
  const frame = await build(page, 'Rings', '.rings');
  const top = await documentTop(frame, '.rings');
  const scene = await downAndUp(frame, '.rings', [top - 780, top - 100]);
  const ring = await downAndUp(frame, '.rings > i', [top - 780, top - 100]);
  expect(number(itemAt(scene, 0).style.perspective)).toBeGreaterThan(
    number(itemAt(scene, 1).style.perspective) + 1000,
  );
  expect(itemAt(ring, 0).style.transform).toContain('matrix3d');
  expect(itemAt(ring, 1).style.transform).not.toBe(itemAt(ring, 0).style.transform);
});

test('Leave: shrinks away about its own origin', async ({ page }) => {
  const frame = await build(page, 'Leave', '#two');
  const top = await documentTop(frame, '#two');
  const [before, after] = await downAndUp(frame, '#two', [top - 300, top + 150]);
  expect(present(before).style.scale).toBe('1');
  expect(number(present(after).style.scale)).toBeLessThan(0.6);
});

test('Fade away: dissolves as it goes', async ({ page }) => {
  const frame = await build(page, 'Fade away', '#two');
  const top = await documentTop(frame, '#two');
  const [before, after] = await downAndUp(frame, '#two', [top - 300, top + 190]);
  expect(present(before).style.opacity).toBe('1');
  expect(number(present(after).style.opacity)).toBeLessThan(0.3);
});

/** Waits until what a trigger has started, or sent back, has come to its end. */
const comeToRest = async (frame: Frame, selector: string, y: number) => {
  await frame.evaluate((y) => scrollTo({ top: y, behavior: 'instant' }), y);
  await elapse(frame, 1100);
  return frame.locator(selector).evaluate((e) => {
    const css = getComputedStyle(e);
    return [css.opacity, css.translate.split(' ')[0]];
  });
};

test('Title pair: both lines come in on the trigger, and are back at their start above it', async ({
  page,
}) => {
  const frame = await build(page, 'Title pair', '#two');
  const top = await documentTop(frame, '#two');
  for (let round = 0; round < 2; round++) {
    expect(await comeToRest(frame, '#two h3', top - 860)).toEqual(['0', '-90px']);
    expect(await comeToRest(frame, '#two p', top - 860)).toEqual(['0', '90px']);
    expect(await comeToRest(frame, '#two h3', top - 300)).toEqual(['1', '0px']);
    expect(await comeToRest(frame, '#two p', top - 300)).toEqual(['1', '0px']);
  }
  // Between the two lines nothing changes, on the way up either.
  expect(await comeToRest(frame, '#two h3', top - 700)).toEqual(['1', '0px']);
  await expect(page.locator('[data-trigger]')).toContainText('2 parts');
});

test('Appear, timed: once, and then it stays', async ({ page }) => {
  const frame = await build(page, 'Appear, timed', '#two');
  const top = await documentTop(frame, '#two');
  expect((await comeToRest(frame, '#two', 0))[0]).toBe('0');
  expect((await comeToRest(frame, '#two', top - 200))[0]).toBe('1');
  expect((await comeToRest(frame, '#two', 0))[0]).toBe('1');
});

test('Intro: plays at page load and hands over to the scroll without a jump, also scrolled down', async ({
  page,
}) => {
  const frame = await build(page, 'Intro', '#one');
  await page.keyboard.press('a');
  await page.getByRole('textbox', { name: 'Search starting points' }).fill('Fade away');
  await page.getByRole('option', { name: /^Fade away [A-Z]/ }).click();
  await saved(page);
  const top = await documentTop(frame, '#one');
  await frame.evaluate((y) => scrollTo({ top: y, behavior: 'instant' }), top + 60);
  await elapse(frame, 300);
  const seen = await frame.evaluate(async () => {
    const e = document.querySelector<HTMLElement>('#one')!;
    // Loaded anew at this place: taken off and put on again, animations begin as at page load.
    e.style.animation = 'none';
    void getComputedStyle(e).opacity;
    e.style.animation = '';
    const out: { at: number; value: number }[] = [];
    const began = performance.now();
    while (performance.now() - began < 1300) {
      const at = await new Promise<number>(requestAnimationFrame);
      out.push({ at, value: Number(getComputedStyle(e).opacity) });
    }
    return out;
  });
  const end = lastItem(seen).value;
  expect(itemAt(seen, 0).value).toBeLessThan(0.05);
  // The scroll has it at less than 1 there.
  expect(end).toBeGreaterThan(0.2);
  expect(end).toBeLessThan(0.95);
  // A busy machine skips frames: what counts is how far it goes in the time of two.
  const steps = seen.slice(1).map(({ at, value }, i) => {
    const frames = Math.max(1, (at - itemAt(seen, i).at) / 33);
    return Math.abs(value - itemAt(seen, i).value) / frames;
  });
  expect(Math.max(...steps)).toBeLessThan(0.2);
});

test('every effect that Lyvek offers has been tried here', () => {
  const tried = [
    ...REVEALS.map(([name]) => name),
    ...'Draw in turn|Iris|Along a path|Morph|Highlight|Lines rise|Words appear|Letters appear|Parallax, slower|Parallax, faster|Back and forth|Pointer drift|Pin section|Horizontal travel|Draw|Bar|Progress ring|Count|Signal|Scrub a video|Picture sequence|Stack|Counter-columns|Marquee|Rings|Title pair|Appear, timed|Intro|Leave|Fade away'.split(
      '|',
    ),
  ];
  expect(EFFECTS.map((e) => e.name).sort()).toEqual(tried.sort());
});
