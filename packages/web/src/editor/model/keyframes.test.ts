import { beforeEach, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { element, makeLayout, motion } from '@lyvek/core/testing';
import { withPins, itemAt, present } from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import {
  keyframesBetween,
  followShare,
  listKeyframes,
  findPlaced,
  placedKeyframe,
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

test('keyframes are places of the range, its ends among them, once for all properties', () => {
  expect(listKeyframes(a.motion)).toEqual([0, 0.2, 0.6, 1]);
});

test('click chooses one, ctrl one more or one less, shift everything on the way', () => {
  const plain = { ctrl: false, shift: false };
  choose({ motion: 'm_a', share: 0.2 }, plain, [a, b]);
  choose({ motion: 'm_b', share: 0.5 }, { ...plain, ctrl: true }, [a, b]);
  expect(keys()).toEqual(['m_a 0.2', 'm_b 0.5']);
  choose({ motion: 'm_b', share: 0.5 }, { ...plain, ctrl: true }, [a, b]);
  expect(keys()).toEqual(['m_a 0.2']);
  choose({ motion: 'm_b', share: 0.5 }, { ...plain, shift: true }, [a, b]);
  expect(new Set(keys())).toEqual(new Set(['m_a 0.2', 'm_a 0.6', 'm_a 1', 'm_b 0', 'm_b 0.5']));
});

test('what lies between two offsets does so whichever way one pulls', () => {
  const [low, high] = [a.placed.start, b.placed.end];
  expect(keyframesBetween([a, b], low, high)).toEqual(keyframesBetween([a, b], high, low));
  expect(keyframesBetween([a, b], low, high)).toHaveLength(7);
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

test('an end that is moved inwards leaves its value behind, to the end of the range', () => {
  const px = 0.3 * (b.placed.end - b.placed.start);
  const ends = [
    { motion: 'm_b', share: 0 },
    { motion: 'm_b', share: 1 },
  ];
  const first = movedKeyframes(b, ends.slice(0, 1), px);
  expect(first.keyframes.opacity).toEqual([
    { at: '0%', value: '0' },
    { at: '30%', value: '0' },
    ...keyframes(0, 50, 100).slice(1),
  ]);
  expect(followShare(b.motion, first, itemAt(ends, 0))).toBeCloseTo(0.3, 9);
  expect(followShare(b.motion, first, itemAt(ends, 1))).toBe(1);
  const last = movedKeyframes(b, ends.slice(1), -px);
  expect(present(last.keyframes.opacity).map((k) => `${k.at} ${k.value}`)).toEqual([
    '0% 0',
    '50% 0.1',
    '70% 0.2',
    '100% 0.2',
  ]);
  expect(followShare(b.motion, last, itemAt(ends, 1))).toBeCloseTo(0.7, 9);
});

test('one keyframe put elsewhere by number does the same, and stays within the range', () => {
  const list = keyframes(0, 50, 100);
  fc.assert(
    fc.property(fc.nat(2), fc.double({ min: -2, max: 3, noNaN: true }), (index, share) => {
      const placed = placedKeyframe(list, index, share);
      const at = placed.map((k) => Number.parseFloat(k.at));
      expect(at).toEqual([...at].sort((x, y) => x - y));
      expect([at[0], at.at(-1)]).toEqual([0, 100]);
      expect(placed.some((k) => k.value === itemAt(list, index).value)).toBe(true);
      // What is open afterwards is the one that was moved, not the end that holds its value.
      const moved = findPlaced(list, placed, index);
      expect(moved?.value).toBe(itemAt(list, index).value);
      expect(Number.parseFloat(moved?.at ?? '')).toBeCloseTo(100 * Math.min(1, Math.max(0, share)), 1);
    }),
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
