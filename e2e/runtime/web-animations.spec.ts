/** The hand-off as Web Animations: what readers ask for is heard, and the browser resolves every range. */
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { assemble, LayoutSchema, makeMeasureRequest, present } from '@lyvek/core';
import { makeDocument, motion } from '@lyvek/core/testing';
import { oracleScript } from '../support/runtime.ts';

const HTML = `<!doctype html><html lang="en"><head><style>
body { margin: 0; height: 4000px; } div { height: 200px; margin-top: 700px; }
</style></head><body><div id="a">A</div><div id="b">B</div><div id="c">C</div></body></html>`;

const from = (value: string, to: string) => [
  { at: '0%', value },
  { at: '100%', value: to },
];
const DOCUMENT = makeDocument(
  motion({
    id: 'm_a',
    targets: { selector: '#a' },
    reducedMotion: 'drop',
    keyframes: { translate: from('0 80px', '0 0') },
  }),
  motion({
    id: 'm_b',
    targets: { selector: '#b' },
    reducedMotion: 'fade',
    keyframes: { opacity: from('0', '1'), translate: from('0 80px', '0 0') },
  }),
  motion({
    id: 'm_c',
    targets: { selector: '#c' },
    reducedMotion: 'keep',
    range: { start: 'scroll 0%', end: 'contain 0%' },
    keyframes: { rotate: from('20deg', '0deg') },
  }),
);

async function open(page: Page): Promise<void> {
  await page.setContent(HTML);
  await page.evaluate(await oracleScript());
  const layout = LayoutSchema.parse(
    await page.evaluate(`oracle.measure(${JSON.stringify(makeMeasureRequest(DOCUMENT))})`),
  );
  const { css, script } = assemble(
    {
      document: DOCUMENT,
      layout,
      page: { name: 'p', entry: 'index.html', html: HTML, fileAt: () => null },
      title: 'T',
    },
    { target: 'web-animations', fallback: false },
  );
  await page.addStyleTag({ content: css });
  await page.addScriptTag({ content: present(script).text, type: 'module' });
}

/** What is animated of each element, as the browser has it. */
const listAnimated = (page: Page) =>
  page.evaluate(() =>
    document
      .getAnimations()
      .map((a) => {
        const effect = a.effect as KeyframeEffect;
        const frame = effect.getKeyframes()[0] ?? {};
        const property = Object.keys(frame).find((k) => /^(translate|opacity|rotate)$/.test(k));
        return `${effect.target?.id} ${property}`;
      })
      .sort(),
  );

test('every property plays; readers who ask for less motion see what each motion allows', async ({
  page,
}) => {
  await open(page);
  expect(await listAnimated(page)).toEqual(['a translate', 'b opacity', 'b translate', 'c rotate']);
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await expect.poll(() => listAnimated(page)).toEqual(['b opacity', 'c rotate']);
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await expect.poll(() => listAnimated(page)).toHaveLength(4);
});

test('a browser that knows no range called scroll gets the same place by another name', async ({ page }) => {
  const turned = async (y: number) => {
    await page.evaluate(`scrollTo(0, ${y})`);
    await page.evaluate(
      'new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(r))).then(() => 0)',
    );
    return page.evaluate(() => parseFloat(getComputedStyle(document.querySelector('#c')!).rotate));
  };
  await open(page);
  const known = [await turned(0), await turned(700), await turned(1400)];
  await page.setContent(HTML);
  await page.evaluate(() => {
    const supports = CSS.supports.bind(CSS);
    CSS.supports = ((...args: [string, string]) =>
      !args.join(' ').includes('scroll 0%') && supports(...args)) as never;
  });
  await open(page);
  expect([await turned(0), await turned(700), await turned(1400)]).toEqual(known);
  expect(known[0]).toBe(20);
  expect(known[1]).toBeLessThan(20);
});
