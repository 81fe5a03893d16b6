import { beforeEach, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { element, makeLayout, motion } from '@lyvek/core/testing';
import { withPins, itemAt, present } from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import {
  keyframesBetween,
  listKeyframes,
  keyframeStore,
  choose,
  movedKeyframes,
  withKeyframeAt,
  withoutKeyframes,
} from './keyframes.ts';
import { findBar } from './bars.ts';
import type { Bar } from './bars.ts';

const layout = withPins(
  makeLayout([
    element({ selector: '#a' }),
    element({ selector: '#b', box: { x: 0, y: 2600, width: 300, height: 200 } }),
  ]),
  [],
);
const keyframes = (...at: number[]) => at.map((a, i) => ({ at: `${a}%`, value: String(i / 10) }));
const of = (id: string, selector: string, ...at: number[]): Motion =>
  motion({
    id,
    targets: { selector },
    keyframes: { opacity: keyframes(0, ...at, 100), scale: keyframes(0, ...at, 100) },
  });
const bar = (m: Motion) => findBar(m, layout) as Bar;
const [a, b] = [bar(of('m_a', '#a', 20, 60)), bar(of('m_b', '#b', 50))];
const keys = () => keyframeStore.getState().chosen.map((c) => `${c.motion} ${c.share}`);

beforeEach(() => keyframeStore.setState({ chosen: [], hover: null }));

test('keyframes are the places between the ends, once for all properties', () => {
  expect(listKeyframes(a.motion)).toEqual([0.2, 0.6]);
});

test('click chooses one, ctrl one more or one less, shift everything on the way', () => {
  const plain = { ctrl: false, shift: false };
  choose({ motion: 'm_a', share: 0.2 }, plain, [a, b]);
  choose({ motion: 'm_b', share: 0.5 }, { ...plain, ctrl: true }, [a, b]);
  expect(keys()).toEqual(['m_a 0.2', 'm_b 0.5']);
  choose({ motion: 'm_b', share: 0.5 }, { ...plain, ctrl: true }, [a, b]);
  expect(keys()).toEqual(['m_a 0.2']);
  choose({ motion: 'm_b', share: 0.5 }, { ...plain, shift: true }, [a, b]);
  expect(new Set(keys())).toEqual(new Set(['m_a 0.2', 'm_a 0.6', 'm_b 0.5']));
});

test('what lies between two offsets does so whichever way one pulls', () => {
  const [low, high] = [a.placed.start, b.placed.end];
  expect(keyframesBetween([a, b], low, high)).toEqual(keyframesBetween([a, b], high, low));
  expect(keyframesBetween([a, b], low, high)).toHaveLength(3);
});

test('however far keyframes are pulled, none passes another and the document’s order stays', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: -3000, max: 3000 }),
      fc.subarray([0.2, 0.6], { minLength: 1 }),
      (px, shares) => {
        const moved = movedKeyframes(
          a,
          shares.map((share) => ({ motion: 'm_a', share })),
          px,
        );
        for (const list of Object.values(moved.keyframes)) {
          const at = list.map((k) => Number.parseFloat(k.at));
          expect(at).toEqual([...at].sort((x, y) => x - y));
          expect([at[0], at.at(-1)]).toEqual([0, 100]);
          expect(list.map((k) => k.value)).toEqual(present(a.motion.keyframes.opacity).map((k) => k.value));
        }
      },
    ),
  );
});

test('deleted, a property keeps at least one stop; put in, nothing is seen of it', () => {
  const lone = motion({ keyframes: { opacity: keyframes(50) } });
  expect(withoutKeyframes(lone, [{ motion: 'm_a', share: 0.5 }]).keyframes.opacity).toHaveLength(1);
  expect(withoutKeyframes(a.motion, [{ motion: 'm_a', share: 0.2 }]).keyframes.scale).toHaveLength(3);
  const middle = (a.placed.start + a.placed.end) / 2;
  const made = withKeyframeAt(a, middle, layout);
  expect(present(made.keyframes.opacity).map((k) => k.at)).toEqual(['0%', '20%', '50%', '60%', '100%']);
  expect(Number(itemAt(present(made.keyframes.opacity), 2).value)).toBeCloseTo(0.175, 3);
});
