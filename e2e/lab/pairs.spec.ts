/** Prediction and lab agree on which of two takes is cheaper: twenty pairs of takes that differ in what they change and how often. */
import { expect, test } from '@playwright/test';
import {
  clockById,
  compileTake,
  gestureOf,
  partsAt,
  shippedCoefficients,
  simulate,
  withPins,
} from '@lyvek/core';
import type { Layout, Motion, MotionDocument, TrialFrames } from '@lyvek/core';
import { documentOf, motion } from '@lyvek/core/testing';
import { base, bring, html, newProject, openRundown } from '../support/app.ts';
import { askTrial, endedTrial, VIEWPORT } from '../support/lab.ts';

const BOXES = 150;
const PAGE = html(
  `<main>${Array.from({ length: BOXES }, () => '<div class="b">x</div>').join('')}</main><div style="height:1500px"></div>`,
  'main{position:sticky;top:0;display:grid;grid-template-columns:repeat(15,70px);gap:8px;padding:20px}.b{width:66px;height:66px;background:#9a5}',
);

const KINDS: Record<string, [from: string, to: string]> = {
  opacity: ['1', '0.4'],
  translate: ['0 0', '30px 20px'],
  filter: ['blur(0px)', 'blur(8px)'],
  'background-color': ['#9a5', '#a59'],
  'clip-path': ['inset(0%)', 'inset(20%)'],
  width: ['66px', '40px'],
};
const take = (property: keyof typeof KINDS, count: number): { name: string; document: MotionDocument } => {
  const [from, to] = KINDS[property]!;
  const one: Motion = motion({
    targets: { selector: `.b:nth-of-type(-n+${count})` },
    driver: { kind: 'page', axis: 'block' },
    range: { start: '0%', end: '100%' },
    keyframes: {
      [property]: [
        { at: '0%', value: from },
        { at: '100%', value: to },
      ],
    },
  });
  return { name: `${count} × ${property}`, document: documentOf(one) };
};
const TAKES = [
  take('opacity', 5),
  take('translate', 40),
  take('translate', 150),
  take('opacity', 150),
  take('background-color', 30),
  take('background-color', 150),
  take('clip-path', 150),
  take('filter', 20),
  take('filter', 150),
  take('width', 150),
];

/** ms that a frame took on average, while the page moved. */
function meanCost(frames: TrialFrames): number {
  const moved = frames.y.flatMap((y, i) => (i > 0 && y !== frames.y[i - 1] ? [partsAt(frames, i)] : []));
  return moved.reduce((s, c) => s + c, 0) / moved.length;
}

test('which of two takes is cheaper: prediction and lab agree in at least 18 of 20 pairs', async ({
  page,
  request,
}) => {
  test.setTimeout(420_000);
  const id = await bring(request, await newProject(request, `Pairs ${Date.now()}`), PAGE, 'text/html');
  await openRundown(page, id);
  await page.goto('about:blank');
  const { layouts } = (await (await request.get(`${base}/api/pages/${id}`)).json()) as { layouts: Layout[] };
  const measured = TAKES.map(() => [] as number[]);
  const takes: string[] = [];
  for (const { document } of TAKES) {
    const made = await request.post(`${base}/api/pages/${id}/takes`, { data: { document } });
    takes.push(((await made.json()) as { id: string }).id);
  }
  // One after another and then all again, so that whatever else the machine does falls on all of them.
  for (let round = 0; round < 2; round++)
    for (const [k, takeId] of takes.entries()) {
      const done = await endedTrial(
        request,
        await askTrial(request, takeId, { repeats: 1, lasts: 2000 }),
        60_000,
      );
      expect(done.why).toBeNull();
      measured[k]!.push(meanCost(done.result!.frames));
    }
  const cost = measured.map((runs) => Math.min(...runs));
  const layout = layouts.find((l) => l.viewport.width === VIEWPORT.width)!;
  const how = {
    gesture: gestureOf('steady', VIEWPORT.height),
    clock: clockById('60'),
    direction: 'down' as const,
    coefficients: shippedCoefficients('here'),
    dpr: 1,
  };
  const predicted = TAKES.map(({ document }) =>
    meanCost(simulate({ document, take: compileTake(document, withPins(layout, [])), ...how }).frames),
  );
  TAKES.forEach(({ name }, k) =>
    console.log(
      `${name.padEnd(22)} predicted ${predicted[k]!.toFixed(1)} ms, lab ${measured[k]!.map((n) => n.toFixed(1)).join(' ')} ms`,
    ),
  );
  const pairs = TAKES.flatMap((_a, i) =>
    TAKES.flatMap((_b, j) => {
      const ratio = cost[i]! / cost[j]!;
      return ratio >= 1.5 ? [{ i, j, ratio }] : [];
    }),
  )
    // The closest twenty: those that are hardest to tell apart.
    .sort((a, b) => a.ratio - b.ratio)
    .slice(0, 20);
  const agree = pairs.filter(({ i, j }) => predicted[i]! > predicted[j]!);
  console.log(`agree in ${agree.length} of ${pairs.length}, ratios from ${pairs[0]!.ratio.toFixed(2)}`);
  expect(pairs).toHaveLength(20);
  expect(agree.length).toBeGreaterThanOrEqual(18);

  // And from these trials the project’s own prices have been fitted.
  const { project } = (await (await request.get(`${base}/api/pages/${id}`)).json()) as {
    project: { id: string };
  };
  const { prices } = (await (await request.get(`${base}/api/projects/${project.id}/prices`)).json()) as {
    prices: { coefficients: { device: string; error: number; frames: number }; trials: number }[];
  };
  expect(prices).toMatchObject([{ coefficients: { device: 'here' }, trials: 12 }]);
  console.log(
    `fitted from ${prices[0]!.coefficients.frames} frames, off by ${(100 * prices[0]!.coefficients.error).toFixed(0)} %`,
  );
  expect(prices[0]!.coefficients.frames).toBeGreaterThan(300);
  expect(prices[0]!.coefficients.error).toBeLessThan(2);
});
