/**
 * Poses: where the corners of a moved element are, by its full transform and its parent's perspective, against where the browser
 * draws them. Steps, gains and jumps of trials are measured on them.
 */
import fc from 'fast-check';
import { expect, test } from '@playwright/test';
import {
  compileTimeline,
  LayoutSchema,
  newPose,
  perspectiveFor,
  listPerspectives,
  poseAt,
  makePoser,
  previewCss,
  readDocument,
  makeMeasureRequest,
  withPins,
  writeCss,
  itemAt,
  present,
} from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import { oracleScript } from '../support/runtime.ts';

const CASES = 120;
const SEED = 4871;
const one = <T>(...values: T[]) => fc.constantFrom(...values);
const int = (min: number, max: number) => fc.integer({ min, max });

const translate = fc.tuple(int(-200, 200), int(-30, 60)).map(([x, y]) => `${x}px ${y}%`);
const flatTurn = int(-180, 180).map((n) => `${n}deg`);
const turn = fc.tuple(one('x', 'y', '1 1 0.5'), int(-70, 70)).map(([axis, n]) => `${axis} ${n}deg`);
const scale = fc.tuple(int(20, 180), int(20, 180)).map(([x, y]) => `${x / 100} ${y / 100}`);
const transform = fc
  .tuple(int(-40, 40), int(-30, 30), int(50, 150))
  .map(([x, skew, s]) => `translate(${x}px, 5%) skewX(${skew}deg) scale(${s / 100})`);
const ends = (values: fc.Arbitrary<string>) =>
  fc
    .tuple(values, values, one('linear', 'ease-in-out', 'cubic-bezier(0.3, -0.4, 0.7, 1.5)'))
    .map(([from, to, easing]) => [
      { at: '0%', value: from, easing },
      { at: '100%', value: to },
    ]);
const flat = fc.record(
  { translate: ends(translate), rotate: ends(flatTurn), scale: ends(scale), transform: ends(transform) },
  { requiredKeys: [] },
);
const solid = fc.record(
  {
    rotate: ends(turn),
    translate: ends(fc.tuple(int(-80, 80), int(-200, 150)).map(([x, z]) => `${x}px 0 ${z}px`)),
  },
  { requiredKeys: ['rotate'] },
);
const cases = fc.record({
  width: int(20, 400),
  height: int(20, 300),
  x: int(0, 400),
  base: one('', 'rotate: 12deg', 'transform: translate(20px, 4px) scale(0.8)', 'scale: 1.2'),
  perspective: one(0, 0, 500, 900),
  flat,
  solid,
  range: one(['entry 0%', 'exit 100%'], ['entry 20%', 'contain 60%'], ['contain 0%', 'exit 40%']),
});

/** For cases without any property of their own. */
const REDUCED_MOTION = {
  translate: [
    { at: '0%', value: '0 0' },
    { at: '100%', value: '40px 20px' },
  ],
};

test('corners are where the browser draws them, flat and in perspective', async ({ page }) => {
  test.slow();
  const given = fc.sample(cases, { seed: SEED, numRuns: CASES });
  const motions = given.map((c, i): Motion => {
    const keyframes = c.perspective ? c.solid : { ...REDUCED_MOTION, ...c.flat };
    return {
      id: `m_${i}`,
      name: `Case ${i}`,
      on: true,
      targets: { selector: `#e${i}` },
      driver: { kind: 'view', subject: 'self', axis: 'block', insets: ['0px', '0px'] },
      range: { start: itemAt(c.range, 0), end: itemAt(c.range, 1) },
      keyframes: keyframes as Motion['keyframes'],
      easing: 'linear',
      fill: 'both',
      composite: 'replace',
      damping: { kind: 'none' },
      reducedMotion: 'drop',
    };
  });
  const adjustments = given.flatMap((c, i) =>
    c.perspective
      ? [
          {
            id: `a_${i}`,
            selector: `#p${i}`,
            declarations: { perspective: `${c.perspective}px` },
            for: [`m_${i}`],
          },
        ]
      : [],
  );
  const read = readDocument({ format: 'lyvek-document', version: 2, motions, adjustments });
  if (!read.ok) throw new Error(JSON.stringify(read.problems.slice(0, 3)));
  const { document: written } = read;

  await page.setViewportSize({ width: 1000, height: 800 });
  await page.setContent(`<!doctype html><style>body { margin: 0; overflow-x: clip } .p { height: 420px; position: relative } .e { position: absolute; top: 40px; background: #cdb }
b { position: absolute; width: 0; height: 0 } b:nth-child(even) { left: 100% } b:nth-child(n+3) { top: 100% } b:nth-child(-n+2) { top: 0 } b:nth-child(odd) { left: 0 } footer { height: 1500px }</style>
${given.map((c, i) => `<div class="p" id="p${i}"><div class="e" id="e${i}" style="left:${c.x}px;width:${c.width}px;height:${c.height}px;${c.perspective ? '' : c.base}"><b></b><b></b><b></b><b></b></div></div>`).join('')}<footer></footer>`);
  await page.evaluate(await oracleScript());
  const measured = LayoutSchema.parse(
    await page.evaluate(`oracle.measure(${JSON.stringify(makeMeasureRequest(written))})`),
  );
  const layout = withPins(measured, []);
  await page.addStyleTag({
    content: writeCss(written, layout, 'full-motion').pieces.map(previewCss).join('\n'),
  });
  const timeline = compileTimeline(written, layout);
  const perspectives = listPerspectives(written, timeline);

  let compared = 0;
  let worst = 0;
  const max = itemAt(layout.scrollers, 0).max.block;
  const pose = newPose();
  for (let y = 0; y <= max; y += 379) {
    await page.evaluate(`oracle.look(${y}, {}, [])`);
    const seen = await page.evaluate(() => ({
      y: scrollY,
      corners: [...document.querySelectorAll('.e')].map((e) =>
        [...e.querySelectorAll('b')].map((b) => {
          const r = b.getBoundingClientRect();
          return [r.x, r.y] as const;
        }),
      ),
    }));
    timeline.instances.forEach(({ element, placed }, i) => {
      // Only what is in or near the window; what lies far off is drawn just the same.
      const { box } = itemAt(layout.elements, element);
      if (box.y > seen.y + 1600 || box.y + box.height < seen.y - 800) return;
      if (placed.end <= placed.start) return;
      poseAt(timeline, makePoser(timeline, i, perspectiveFor(element, timeline, perspectives)), seen.y, pose);
      const index = Number(present(/\d+/.exec(itemAt(timeline.instances, i).motion.id))[0]);
      itemAt(seen.corners, index).forEach(([cx, cy], c) => {
        const x = box.x + (c % 2 ? box.width : 0) + itemAt(pose.corners, 2 * c);
        const top = box.y - seen.y + (c < 2 ? 0 : box.height) + itemAt(pose.corners, 2 * c + 1);
        const off = Math.hypot(cx - x, cy - top);
        worst = Math.max(worst, off);
        expect(off, `case ${index} at ${seen.y}, corner ${c}: ${JSON.stringify(given[index])}`).toBeLessThan(
          0.6,
        );
        compared++;
      });
    });
  }
  console.log(`${compared} corners, worst ${worst.toFixed(3)} px`);
  expect(compared).toBeGreaterThan(CASES * 16);
});
