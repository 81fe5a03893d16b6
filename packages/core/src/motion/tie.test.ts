import { itemAt, present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import { makeDocument, element, makeLayout, motion } from '../testing/index.ts';
import { placeRange } from '../drivers/index.ts';
import { withPins } from '../page/index.ts';
import { compileTimeline } from './compile.ts';
import { readDocument } from './schema.ts';
import type { Motion, MotionDocument } from './document.ts';
import { further, measuresAlike, withTies } from './tie.ts';
import type { Cue } from './tie.ts';

const pin = {
  id: 'p_a',
  name: 'Pin',
  on: true,
  stage: '#a',
  sticky: { by: 'top' as const, inset: '0px' },
  distance: { kind: 'length' as const, value: '1000px' },
  overlap: ['0px', '0px'] as [string, string],
  layer: null,
};
const onPin = (id: string, over: Partial<Motion> = {}) =>
  motion({ id, driver: { kind: 'pin', pin: 'p_a' }, range: { start: '0%', end: '100%' }, ...over });
const cue = (at: string): Cue => ({ id: 'c_a', name: 'dusk ends', pin: 'p_a', at });
const toCue = (offset = '0px') => ({ to: 'cue' as const, cue: 'c_a', offset });
const toEnd = (id: string, offset = '0px') => ({
  to: 'motion' as const,
  motion: id,
  side: 'end' as const,
  offset,
});
const documentWith = (cues: Cue[], ...motions: Motion[]): MotionDocument => ({
  ...makeDocument(...motions),
  pins: [pin],
  cues,
});
const layout = makeLayout([element({ selector: '#a' })]);
const findStart = (d: MotionDocument, id: string) =>
  present(compileTimeline(d, layout).instances.find((i) => i.motion.id === id)).placed.start;

describe('ties', () => {
  test('moving a cue moves all that hang on it, and what hangs on those', () => {
    const d = withTies(
      documentWith(
        [cue('20%')],
        onPin('m_a', { ties: { start: toCue(), end: toCue('300px') } }),
        onPin('m_b', { ties: { start: toEnd('m_a', '-50px') } }),
      ),
    );
    expect([findStart(d, 'm_a'), findStart(d, 'm_b')]).toEqual([2200, 2450]);
    const moved = withTies({ ...d, cues: [cue('45%')] });
    expect([findStart(moved, 'm_a'), findStart(moved, 'm_b')]).toEqual([2450, 2700]);
    expect(withTies(moved)).toBe(moved);
  });

  test('are written into the range when a document is read', () => {
    const read = readDocument(documentWith([cue('10%')], onPin('m_a', { ties: { start: toCue('5vh') } })));
    expect(read.ok && itemAt(read.document.motions, 0).range.start).toBe('calc(10% + 5vh)');
  });

  test.each([
    [
      'a circle',
      [onPin('m_a', { ties: { end: toEnd('m_b') } }), onPin('m_b', { ties: { end: toEnd('m_a') } })],
      'circle',
    ],
    ['itself', [onPin('m_a', { ties: { end: toEnd('m_a') } })], 'circle'],
    ['a lost motion', [onPin('m_a', { ties: { end: toEnd('m_z') } })], 'no motion'],
    ['another driver', [onPin('m_a', { ties: { end: toEnd('m_b') } }), motion({ id: 'm_b' })], 'same driver'],
    ['a cue of a pin', [motion({ id: 'm_b', ties: { start: toCue() } })], 'no place on this driver'],
  ])('%s is refused with a path', (_name, motions, words) => {
    const read = readDocument(documentWith([cue('10%')], ...motions));
    expect(read.ok).toBe(false);
    if (read.ok) return;
    expect(itemAt(read.problems, 0).path).toMatch(/^motions\[\d\]\.ties\.(start|end)$/);
    expect(itemAt(read.problems, 0).message).toContain(words);
  });

  test('to what has gone are cut, and the end stays where it was', () => {
    const d = withTies(documentWith([cue('30%')], onPin('m_a', { ties: { start: toCue() } })));
    const left = withTies({ ...d, cues: [] });
    expect(left.motions[0]).not.toHaveProperty('ties');
    expect(itemAt(left.motions, 0).range.start).toBe('30%');
  });

  test('a point further on is that much further, in either notation', () => {
    const held = withPins(layout, []);
    const at = (start: Motion['range']['start']) => {
      const placed = placeRange(motion().driver as never, { start, end: 'exit 100%' }, 0, held);
      return 'reason' in placed ? NaN : placed.start;
    };
    for (const point of ['entry 20%', 'contain', { edge: '40%', line: '70%' }, 'exit calc(10% + 5px)', '30%'])
      expect(at(further(point, '60px', 'start')) - at(point)).toBeCloseTo(60, 6);
    expect(further('entry 20%', '0px', 'start')).toBe('entry 20%');
  });

  test('only ends that mean the same offset may hang on each other', () => {
    expect(measuresAlike(motion(), motion())).toBe(true);
    expect(measuresAlike(motion(), motion({ targets: { selector: '#b' } }))).toBe(false);
    expect(measuresAlike(onPin('m_a'), onPin('m_b'))).toBe(true);
    expect(measuresAlike(motion(), onPin('m_b'))).toBe(false);
  });
});
