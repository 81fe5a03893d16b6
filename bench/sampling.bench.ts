/** Sampling 10,000 motions at one offset against a bare typed-array loop that does the same arithmetic. */
import { compileTimeline, sample } from '@lyvek/core';
import type { Layout, Motion } from '@lyvek/core';
import { element, fadeAndRise, makeLayout, motion, makeDocument } from '@lyvek/core/testing';
import { pairedRatio, report } from './support/figures.ts';

const MOTIONS = 10_000;
const CALLS = 40;

function page(count: number): { layout: Layout; motions: Motion[] } {
  const elements = Array.from({ length: count }, (_, i) =>
    element({ selector: `#e${i}`, box: { x: 0, y: 1000 + (i % 400), width: 300, height: 200 } }),
  );
  const motions = elements.map((e, i) =>
    motion({
      id: `m_${i}`,
      targets: { selector: e.selector },
      range: { start: 'cover 0%', end: 'cover 100%' },
      keyframes: fadeAndRise('0 80px'),
    }),
  );
  return { layout: makeLayout(elements), motions };
}

const { layout, motions } = page(MOTIONS);
const timeline = compileTimeline(makeDocument(...motions), layout);

// The same sums over the same arrays, with nothing in between: progress, then four numbers for each motion.
const { start, perPx, from, delta } = timeline;
const out = new Float64Array(MOTIONS * 4);
const progress = new Float64Array(MOTIONS);
let offset = 900;
const bare = () => {
  for (let c = 0; c < CALLS; c++) {
    const s = offset + (c % 7);
    for (let i = 0; i < MOTIONS; i++) {
      const p = (s - start[i]!) * perPx[i]!;
      progress[i] = p;
      for (let j = i * 4, end = j + 4; j < end; j++) out[j] = from[j]! + delta[j]! * p;
    }
  }
};
const at = [0, 0];
const ours = () => {
  for (let c = 0; c < CALLS; c++) {
    at[0] = offset + (c % 7);
    sample(timeline, at);
  }
};
report({
  name: 'sampling 10,000 motions in range ÷ bare loop',
  value: pairedRatio(ours, bare),
  unit: '×',
  accept: 2,
  aim: 1.3,
  better: 'lower',
});

const idle = () => {
  for (let c = 0; c < CALLS; c++) {
    at[0] = 5000 + (c % 7);
    sample(timeline, at);
  }
};
report({
  name: 'sampling 10,000 motions out of range ÷ in range',
  value: pairedRatio(idle, ours),
  unit: '×',
  accept: 0.5,
  aim: 0.2,
  better: 'lower',
});

const half = compileTimeline(makeDocument(...motions.slice(0, MOTIONS / 2)), layout);
const halved = () => {
  for (let c = 0; c < CALLS; c++) {
    at[0] = offset + (c % 7);
    sample(half, at);
  }
};
report({
  name: 'sampling twice the motions, growth',
  value: Math.log2(pairedRatio(ours, halved)),
  unit: 'exponent',
  accept: 1.15,
  aim: 1,
  better: 'lower',
});

globalThis.gc?.();
const before = process.memoryUsage().heapUsed;
for (let i = 0; i < 1000; i++) {
  at[0] = 600 + (i % 900);
  sample(timeline, at);
}
const grown = process.memoryUsage().heapUsed - before;
report({
  name: 'heap growth over 1,000 samplings',
  value: Math.max(0, grown) / 1000,
  unit: 'kB',
  accept: 64,
  aim: 8,
  better: 'lower',
});
offset = 0;
