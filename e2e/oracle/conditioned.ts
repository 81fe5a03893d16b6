/** The same cases under media conditions: what is seen stands in those that hold, everything else is put wrong on purpose. */
import { itemAt } from '@lyvek/core';
import type { Media, Motion, MotionDocument } from '@lyvek/core';

/** At 1000 × 800 the first and the third hold. */
export const MEDIA: Media[] = [
  { id: 'q_wide', name: 'Wide', query: '(width >= 900px)' },
  { id: 'q_small', name: 'Small', query: '(width < 600px) or (height < 500px)' },
  { id: 'q_lying', name: 'Lying', query: '(orientation: landscape) and (400px < height <= 800px)' },
];

const backwards = (keyframes: Motion['keyframes']): Motion['keyframes'] =>
  Object.fromEntries(
    Object.entries(keyframes).map(([p, list]) => {
      const values = list.map((k) => k.value).reverse();
      return [p, list.map((k, i) => ({ ...k, value: itemAt(values, i) }))];
    }),
  );

const elsewhere = (m: Motion): Motion['range'] =>
  m.driver.kind === 'view' ? { start: 'cover 3%', end: 'cover 61%' } : { start: '7%', end: '83%' };

function conditioned(m: Motion, i: number): Motion {
  const wrong = { range: elsewhere(m), keyframes: backwards(m.keyframes) };
  const off = { media: 'q_small', on: false, ...wrong };
  switch (i % 4) {
    case 0:
      return m;
    case 1:
      return {
        ...m,
        ...wrong,
        on: false,
        conditions: [{ media: 'q_wide', on: true, range: m.range, keyframes: m.keyframes }, off],
      };
    case 2:
      // Two hold: the later one has the last word, each says a part.
      return {
        ...m,
        ...wrong,
        conditions: [
          { media: 'q_lying', on: true, range: { end: m.range.end } },
          {
            media: 'q_wide',
            on: false,
            range: { start: m.range.start, end: elsewhere(m).end },
            keyframes: m.keyframes,
          },
        ],
      };
    default:
      return { ...m, conditions: [off] };
  }
}

export const underConditions = (d: MotionDocument): MotionDocument => ({
  ...d,
  media: MEDIA,
  motions: d.motions.map(conditioned),
});
