/** Texts whose letters, words and lines move: they look as they did, and stay one text for everybody but the eye. */
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { addMotion, openNew, pick, saved } from '../support/app.ts';
import { getHandOff, serveFiles } from '../support/handed-off.ts';
import { elapse } from '../support/time.ts';

const PAGE = `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Station</title><style>
body { margin: 0; font: 22px/1.5 serif; background: #f4efe6; color: #223 }
header { height: 900px; padding: 80px } footer { height: 1400px }
section { padding: 0 80px }
h2 { font: italic 56px/1.1 serif; max-width: 700px; margin: 0 0 30px }
p { max-width: 520px; margin: 0 0 30px }
section span { display: block; color: red }
h2 > * { letter-spacing: 2px }
.turned { overflow-wrap: anywhere; width: 300px; text-transform: uppercase; letter-spacing: 1px }
</style></head><body><header><h1>Station</h1></header><section>
<h2>The office of <a href="#end">first</a> light, AVA difficult Ÿḧ</h2>
<p id="mixed">Words with <b>bold parts</b>, un<i>believ</i>able joins, a 10&nbsp;km way, an emoji 👩‍👩‍👧 and <em>שלום, עולם!</em> in the middle.<br>日本語の文章もここにあります。</p>
<p id="arabic" dir="rtl" lang="ar">مرحبا بالعالم، هذا نص طويل جدا مع English words inside.</p>
<p class="turned" id="broken" lang="de">Donaudampfschifffahrtsgesellschaft am Straßenrand</p>
</section><footer id="end"></footer></body></html>`;

const TEXTS = [
  ['h2', 'Letters appear'],
  ['#mixed', 'Words appear'],
  ['#arabic', 'Letters appear'],
  ['#broken', 'Lines rise'],
] as const;

const goTo = async (page: Page, y: number) => {
  await page.evaluate((top) => scrollTo({ top, behavior: 'instant' }), y);
  await elapse(page, 250);
};
const countParts = (page: Page) => page.evaluate(() => document.querySelectorAll('text-part').length);

/** Share of the pixels of a section that are otherwise in two pictures by more than a shade that nobody sees. */
async function compare(page: Page, one: Buffer, other: Buffer): Promise<number> {
  return page.evaluate(
    async ([a, b]) => {
      const [first, second] = await Promise.all(
        [a, b].map(async (base64) => {
          const bitmap = await createImageBitmap(
            await (await fetch(`data:image/png;base64,${base64}`)).blob(),
          );
          // Layers of their own lie on whole pixels: half of one is no difference.
          const [width, height] = [bitmap.width >> 2, bitmap.height >> 2];
          const canvas = new OffscreenCanvas(width, height);
          const context = canvas.getContext('2d')!;
          context.imageSmoothingQuality = 'high';
          context.drawImage(bitmap, 0, 0, width, height);
          return context.getImageData(0, 0, width, height);
        }),
      );
      if (first!.width !== second!.width || first!.height !== second!.height) return 1;
      let unlike = 0;
      for (let i = 0; i < first!.data.length; i += 4)
        if ([0, 1, 2].some((k) => Math.abs(first!.data[i + k]! - second!.data[i + k]!) > 48)) unlike++;
      return unlike / (first!.data.length / 4);
    },
    [one.toString('base64'), other.toString('base64')] as const,
  );
}

/** What a screen reader is told of the page: roles and names of everything that is not left out. */
async function readTree(page: Page): Promise<string[]> {
  const session = await page.context().newCDPSession(page);
  const { nodes } = await session.send('Accessibility.getFullAXTree');
  await session.detach();
  return nodes
    .filter((n) => !n.ignored && n.role?.value !== 'InlineTextBox')
    .map((n) => `${n.role?.value} ${n.name?.value ?? ''}`);
}

const readSelection = (page: Page) =>
  page.evaluate(() => {
    const selection = getSelection()!;
    selection.selectAllChildren(document.querySelector('section')!);
    const text = selection.toString();
    selection.removeAllRanges();
    return text;
  });

test('a text in parts looks as it did, is read, found and copied as one, and follows its width', async ({
  page,
  context,
  request,
}) => {
  const id = await openNew(page, request, `Texts ${Date.now()}`, PAGE);
  for (const [selector, name] of TEXTS) {
    await pick(page, selector);
    await addMotion(page, name);
    await saved(page);
    await page.keyboard.press('Escape');
  }
  // Its text is moved: the element says so, and cannot be taken apart twice.
  await pick(page, '#arabic');
  const sheet = page.locator('.inspector');
  await expect(sheet).toContainText('moves the letters');
  await expect(sheet.getByRole('button', { name: 'Stagger', exact: true })).toHaveText(
    'the last one 4 % of the phase later',
  );
  await sheet.getByRole('button', { name: 'Order of the parts' }).click();
  await page.getByRole('button', { name: 'from the middle' }).click();
  await saved(page);

  const files = await getHandOff(request, id);
  expect(Object.keys(files)).toContain('motion-texts.js');
  const site = await context.newPage();
  await site.setViewportSize({ width: 1280, height: 800 });
  await serveFiles(site, files);
  await site.emulateMedia({ reducedMotion: 'reduce' });
  await site.goto('http://handed.off/');
  await goTo(site, 1050);
  expect(await countParts(site)).toBe(0);
  const whole = await site.screenshot();
  const [tree, selection] = [await readTree(site), await readSelection(site)];

  await site.emulateMedia({ reducedMotion: 'no-preference' });
  await expect.poll(() => countParts(site)).toBeGreaterThan(80);
  await elapse(site, 300);
  expect(await compare(site, whole, await site.screenshot())).toBeLessThan(0.0005);
  // On the way they are not there yet, in the order that was chosen.
  await goTo(site, 330);
  const shown = await site.evaluate(() =>
    [...document.querySelectorAll('h2 text-part')].map((e) => Number(getComputedStyle(e).opacity)),
  );
  expect(shown[0]).toBeGreaterThan(shown.at(-1)! + 0.1);
  expect(shown).toEqual([...shown].sort((a, b) => b - a));
  await goTo(site, 1050);
  expect(await readTree(site)).toEqual(tree);
  expect(await readSelection(site)).toBe(selection);
  expect(
    await site.evaluate(
      () => 'find' in window && (window.find as (t: string) => boolean)('office of first light'),
    ),
  ).toBe(true);
  await site.evaluate(() => getSelection()!.removeAllRanges());

  // Narrower, its lines are others.
  await site.setViewportSize({ width: 480, height: 800 });
  await goTo(site, 1160);
  const narrow = await site.screenshot();
  await site.emulateMedia({ reducedMotion: 'reduce' });
  await expect.poll(() => countParts(site)).toBe(0);
  await elapse(site, 200);
  expect(await compare(site, await site.screenshot(), narrow)).toBeLessThan(0.0005);

  // New words are taken apart, too; on paper the text is whole.
  await site.emulateMedia({ reducedMotion: 'no-preference' });
  await site.evaluate(() => document.querySelector('#mixed')!.append(' Departures'));
  await expect
    .poll(() =>
      site.evaluate(
        () => [...document.querySelectorAll<HTMLElement>('#mixed text-part')].at(-1)?.dataset.text,
      ),
    )
    .toBe('Departures');
  await site.evaluate(() => dispatchEvent(new Event('beforeprint')));
  expect(await countParts(site)).toBe(0);
  await site.evaluate(() => dispatchEvent(new Event('afterprint')));
  await expect.poll(() => countParts(site)).toBeGreaterThan(80);
});
