/** What the browser makes of values that core cannot read, asked without a trace in the page. */
import { expect, test } from '@playwright/test';
import { LayoutSchema, computedValue, itemAt } from '@lyvek/core';
import type { AskedValue } from '@lyvek/core';
import { oracleScript } from '../support/runtime.ts';

const PAGE = `<!doctype html><html lang="en"><head><style>
body { margin: 0; font: 20px/1.5 'Liberation Sans', sans-serif; --tone: rgb(10 20 30); }
.card { width: 50%; height: auto; color: #123; box-shadow: 0 2px 4px var(--tone); outline-color: currentcolor; }
.card::before { content: 'x'; display: block; width: 40px; height: 10px; }
.hidden { display: none; }
.stubborn { width: 33px !important; }
</style></head><body>
<div class="card" id="one">Words</div><div class="card" id="two" style="font-size: 40px">Words</div>
<div class="card hidden" id="three">Words</div><div id="four" class="stubborn">Words</div></body></html>`;

const asked = (selector: string, property: string, value = ''): AskedValue => ({ selector, property, value });

test('values are read as each element computes them, and the page does not hear of it', async ({ page }) => {
  await page.setContent(PAGE);
  await page.evaluate(await oracleScript());
  const values = [
    asked('.card', 'width', 'calc(1px * sin(90deg) + 1em)'),
    asked('.card', 'width'),
    asked('.card', 'height'),
    asked('.card', 'box-shadow'),
    asked('.card', 'color', 'color-mix(in srgb, red, blue)'),
    asked('.card', 'line-height', '2lh'),
    asked('.card', 'width', 'what is this'),
    asked('.card::before', 'width', '2em'),
    asked('#four', 'width', '2em'),
  ];
  await page.evaluate(`
    globalThis.heard = 0;
    new MutationObserver((all) => (heard += all.length)).observe(document, { subtree: true, attributes: true, childList: true });
  `);
  const layout = LayoutSchema.parse(
    await page.evaluate(
      `oracle.measure(${JSON.stringify({ selectors: ['.card', '.card::before', '#four'], values })})`,
    ),
  );
  const told = (selector: string, property: string, value = '') =>
    layout.elements.flatMap((e, i) =>
      e.selector === selector ? [computedValue(layout, i, property, value)] : [],
    )[0];
  expect([
    told('#one', 'width', 'calc(1px * sin(90deg) + 1em)'),
    told('#two', 'width', 'calc(1px * sin(90deg) + 1em)'),
  ]).toEqual(['21px', '41px']);
  // As it is computed, not as it is used: in px it would not grow with its parent.
  expect([told('#one', 'width'), told('#one', 'height')]).toEqual(['50%', 'auto']);
  expect(told('#one', 'box-shadow')).toMatch(/rgb\(10, 20, 30\)/);
  // In the space that it mixes in.
  expect(told('#one', 'color', 'color-mix(in srgb, red, blue)')).toMatch(/^oklab\(0\.4197/);
  expect(told('#one', 'line-height', '2lh')).toBe('60px');
  expect(told('#one', 'width', 'what is this')).toBeNull();
  expect(told('#one::before', 'width', '2em')).toBe('40px');
  // What the page insists on is what an animation shows, too.
  expect(told('#four', 'width', '2em')).toBe('33px');
  // What is not drawn has no values.
  expect(itemAt(layout.values ?? [], 0).computed).toHaveLength(
    itemAt(Object.values(layout.matches), 0).length,
  );
  expect(told('#three', 'width')).toBeNull();
  expect(await page.evaluate('[heard, document.getAnimations().length]')).toEqual([0, 0]);
});
