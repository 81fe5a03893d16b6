/** Staggers: where each target's range begins and ends in the browser, against the core. */
import fc from 'fast-check';
import { expect, test } from '@playwright/test';
import {
  LayoutSchema,
  makePatch,
  listPlaces,
  previewCss,
  readDocument,
  makeMeasureRequest,
  withPins,
  writeCss,
  itemAt,
  present,
} from '@lyvek/core';
import type { Motion, MotionDocument } from '@lyvek/core';
import { oracleScript } from '../support/runtime.ts';

const ITEMS = 9;
const PAGE = `<!doctype html><style>body { margin: 0 } footer { height: 5000px } ul { margin: 1200px 40px 0; padding: 0; list-style: none; display: grid; grid-template-columns: repeat(3, 200px); gap: 13px }
li { height: 121.5px; background: #ccd } #stage { height: 500px; margin-top: 700px }</style>
<ul><template></template>${Array.from({ length: ITEMS }, (_, i) => `<li>${i}</li>`).join('')}</ul><section id="stage"></section><footer></footer>`;

const one = <T>(...values: T[]) => fc.constantFrom(...values);
const int = (min: number, max: number) => fc.integer({ min, max });
const ranges = fc.oneof(
  fc.tuple(int(0, 40), int(50, 110)).map(([a, b]) => ({ start: `entry ${a}%`, end: `cover ${b}%` })),
  fc.tuple(int(60, 100), int(0, 50)).map(([a, b]) => ({
    start: { edge: '20%', line: `${a}%` },
    end: { edge: '50%', line: `${b}%` },
  })),
  fc.tuple(int(0, 90)).map(([n]) => ({ start: `contain calc(10% - ${n}px)`, end: `exit 30px` })),
);
const extents = fc
  .tuple(int(0, 40), int(50, 100))
  .map(([a, b]) => ({ start: `${a}%`, end: `calc(${b}% + 12px)` }));
const motion = fc
  .record({
    driven: fc.oneof(
      fc.tuple(
        fc.constant({
          kind: 'view' as const,
          subject: 'self',
          axis: 'block' as const,
          insets: ['0px', '0px'] as [string, string],
        }),
        ranges,
      ),
      fc.tuple(fc.constant({ kind: 'scroll' as const, axis: 'block' as const }), extents),
      fc.tuple(fc.constant({ kind: 'pin' as const, pin: 'p_a' }), extents),
    ),
    step: fc.oneof(
      int(-60, 120).map((n) => `${n}px`),
      int(1, 12).map((n) => `${n}vh`),
      int(1, 20).map((n) => `${n}%`),
      int(1, 30).map((n) => `calc(${n}px + 2vh)`),
    ),
    order: one(
      'page' as const,
      'reverse' as const,
      'outward' as const,
      'across' as const,
      'siblings' as const,
    ),
  })
  .map(({ driven: [driver, range], step, order }) => ({ driver, range, stagger: { step, order } }));

test('every target begins and ends where the core says, in every order', async ({ page }) => {
  const oracle = await oracleScript();
  await page.setViewportSize({ width: 1000, height: 800 });
  let compared = 0;
  for (const given of fc.sample(motion, { seed: 4870, numRuns: 40 })) {
    const parsed = readDocument({
      format: 'lyvek-document',
      version: 2,
      motions: [
        {
          id: 'm_a',
          name: 'items',
          on: true,
          targets: { selector: 'li' },
          keyframes: {
            opacity: [
              { at: '0%', value: '0' },
              { at: '100%', value: '1' },
            ],
          },
          easing: 'linear',
          fill: 'both',
          composite: 'replace',
          damping: { kind: 'none' },
          reducedMotion: 'fade',
          ...given,
        } satisfies Motion,
      ],
      pins: [
        {
          id: 'p_a',
          name: 'stage',
          on: true,
          stage: '#stage',
          sticky: { by: 'top', inset: '12%' },
          distance: { kind: 'length', value: '130vh' },
          overlap: ['0px', '0px'],
          layer: null,
        },
      ],
    });
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems));
    const document: MotionDocument = parsed.document;
    await page.setContent(PAGE);
    await page.evaluate(oracle);
    const bare = await page.evaluate(`oracle.measure(${JSON.stringify(makeMeasureRequest(document))})`);
    await page.evaluate(`oracle.patch(${JSON.stringify(makePatch(document))})`);
    const first = withPins(LayoutSchema.parse(bare), document.pins);
    await page.addStyleTag({
      content: writeCss(document, first, 'full-motion').pieces.map(previewCss).join('\n'),
    });
    await page.evaluate(`document.querySelectorAll('li').forEach((e, i) => (e.id = 'i' + i))`);
    // The page is as long as its author says, so it is measured once more with the pin in place.
    const again = await page.evaluate(`oracle.measure(${JSON.stringify(makeMeasureRequest(document))})`);
    const layout = withPins(LayoutSchema.parse(again), document.pins);
    const wanted = Array.from({ length: ITEMS }, (_, i) => ({ id: `i${i}`, properties: ['opacity'] }));
    const { shown } = (await page.evaluate(`oracle.look(1000, {}, ${JSON.stringify(wanted)})`)) as {
      shown: { range: { start: number; end: number } | null }[];
    };
    listPlaces(itemAt(document.motions, 0), layout).forEach(({ placed }, i) => {
      if ('reason' in placed) throw new Error(placed.reason);
      const { range } = itemAt(shown, i);
      const what = `${JSON.stringify(given)}, target ${i}`;
      expect(Math.abs(present(range).start - placed.start), what).toBeLessThan(0.05);
      expect(Math.abs(present(range).end - placed.end), what).toBeLessThan(0.05);
      compared++;
    });
  }
  expect(compared).toBe(40 * ITEMS);
});
