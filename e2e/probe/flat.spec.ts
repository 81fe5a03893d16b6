/** Browsers without view timelines: places below transforms, and of what sticks, are those that the browser itself tells where it has them. */
import { expect, test } from '@playwright/test';
import { itemAt, LayoutSchema } from '@lyvek/core';
import { oracleScript } from '../support/runtime.ts';

const PAGE = `<!doctype html><html lang="en"><style>
body { margin: 0; height: 6000px; font: 16px/1.3 'Liberation Sans'; }
.turned { margin-top: 633.25px; transform: translate(30px, -20px) rotate(4deg); }
.small { scale: 0.8; }
.box { width: 300px; height: 200.5px; box-sizing: border-box; }
.track { height: 1400px; padding: 40px 0; margin-top: 20.5px; }
.stuck { position: sticky; top: 30px; height: 150px; }
.low { position: sticky; bottom: 12px; height: 80px; }
</style><div class="turned"><div class="small"><div class="box" id="a">in two transforms</div></div></div>
<div class="track"><div class="stuck" id="b"><p id="c">carried</p></div></div>
<div class="track" style="padding-top: 900px"><div class="low" id="d">from below</div></div></html>`;

test('boxes are the same with view timelines and without', async ({ page }) => {
  await page.setContent(PAGE);
  await page.evaluate(await oracleScript());
  const ids = ['#a', '#b', '#c', '#d'];
  for (const y of [0, 900, 2100]) {
    await page.evaluate(`scrollTo(0, ${y})`);
    const measure = async () =>
      LayoutSchema.parse(await page.evaluate(`oracle.measure(${JSON.stringify(ids)})`));
    const known = await measure();
    await page.evaluate('globalThis.kept = ViewTimeline; delete globalThis.ViewTimeline; 0');
    const before = await page.evaluate('document.body.innerHTML');
    const flat = await measure();
    expect(await page.evaluate('document.body.innerHTML')).toBe(before);
    await page.evaluate('globalThis.ViewTimeline = kept; 0');
    for (const id of ids) {
      const [i, k] = [known, flat].map((l) => itemAt(l.matches[id] ?? [], 0)) as [number, number];
      const [a, b] = [itemAt(known.elements, i), itemAt(flat.elements, k)];
      for (const side of ['x', 'y', 'width', 'height'] as const)
        expect(Math.abs(a.box[side] - b.box[side]), `${id} ${side} at ${y}`).toBeLessThan(0.1);
      expect([id, b.sticky?.edge]).toEqual([id, a.sticky?.edge]);
      expect(Math.abs((b.sticky?.at ?? 0) - (a.sticky?.at ?? 0)), `${id} at ${y}`).toBeLessThan(0.1);
    }
  }
});
