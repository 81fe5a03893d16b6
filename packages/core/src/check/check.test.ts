import { describe, expect, test } from '@jest/globals';
import { clockOf, gestureOf } from '../feel/index.ts';
import { compileTake } from '../motion/index.ts';
import type { Motion, MotionDocument } from '../motion/index.ts';
import { documentOf, element, layoutOf, motion } from '../testing/index.ts';
import { withFix } from './finding.ts';
import { DEFAULT_LIMITS } from './limits.ts';
import { CHECKS, findingsOf } from './registry.ts';

const plain = layoutOf([
  element({ selector: '#a' }),
  element({ selector: '#top', box: { x: 0, y: 60, width: 500, height: 300 } }),
  element({ selector: '#end', box: { x: 0, y: 9700, width: 500, height: 80 } }),
  element({ selector: '#caught', scroller: 1, box: { x: 0, y: 0, width: 500, height: 300 } }),
]);
/** The second scroller hides its overflow, and there is nothing in it to scroll. */
const layout = {
  ...plain,
  scrollers: [
    plain.scrollers[0]!,
    { selector: '#box', port: { width: 500, height: 400 }, max: { block: 0, inline: 0 } },
  ],
};
const look = (m: Motion, refresh = 60) => lookAt(documentOf(m), refresh);
const lookAt = (document: MotionDocument, refresh = 60, gesture = 'brisk-wheel') => {
  return findingsOf({
    document,
    take: compileTake(document, layout),
    gesture: gestureOf(gesture, 800),
    clock: clockOf(refresh),
    limits: DEFAULT_LIMITS,
  });
};

/** One specimen per check; the fix must make the finding go away. */
const SPECIMENS: Record<string, Motion> = {
  'never-finishes': motion({
    targets: { selector: '#end' },
    range: { start: 'entry 0%', end: { edge: '50%', line: '40%' } },
  }),
  'starts-part-way': motion({
    targets: { selector: '#top' },
    range: { start: 'entry 0%', end: 'exit 100%' },
  }),
  'too-few-frames': motion({ range: { start: 'contain 50%', end: 'contain 52%' } }),
  'missing-fill': motion({ fill: 'none' }),
  'caught-by-scroller': motion({ targets: { selector: '#caught' } }),
};

describe('checks', () => {
  test('a sound motion has no findings', () => expect(look(motion())).toEqual([]));

  test.each(CHECKS.map((c) => [c.id, c] as const))(
    '%s: finds its specimen, and its fix removes it',
    (id, check) => {
      expect(check.why.length).toBeGreaterThan(20);
      const specimen = SPECIMENS[id]!;
      const found = look(specimen).find((f) => f.check === id);
      expect(found).toBeDefined();
      expect(found!.fix).not.toBeNull();
      const mended = lookAt(withFix(documentOf(specimen), found!.fix!));
      expect(mended.filter((f) => f.check === id)).toEqual([]);
      // A fix of one thing must not break another.
      const before = look(specimen).map((f) => f.check);
      expect(mended.filter((f) => !before.includes(f.check))).toEqual([]);
    },
  );

  test('a range that runs backwards is shown in no frame at all, and is mended too', () => {
    const found = look(motion({ range: { start: 'contain 60%', end: 'contain 20%' } })).find(
      (f) => f.check === 'too-few-frames',
    );
    expect(found?.brief).toBe('only 0 frames');
    expect(look(found!.fix!.motions![0]!)).toEqual([]);
  });

  test('a hand that leaps over everything is no reason to call a motion too short', () => {
    const brief = documentOf(SPECIMENS['too-few-frames']!);
    for (const [gesture, count] of [
      ['touch-fling', 1],
      ['page-keys', 0],
      ['jump', 0],
    ] as const)
      expect(lookAt(brief, 60, gesture).length).toBe(count);
  });

  test('the fixes of the page’s ends are exact', () => {
    const end = look(SPECIMENS['never-finishes']!)[0]!.fix!.motions![0]!.range.end;
    const start = look(SPECIMENS['starts-part-way']!)[0]!.fix!.motions![0]!.range.start;
    expect([start, end]).toEqual(['scroll 0%', 'scroll 100%']);
  });

  test('a motion that is over before the page can be scrolled has no cheap fix', () => {
    const found = look(
      motion({ targets: { selector: '#top' }, range: { start: 'entry 0%', end: 'entry 10%' } }),
    ).find((f) => f.check === 'starts-part-way');
    expect(found?.severity).toBe('wrong');
    expect(found?.fix).toBeNull();
  });

  test('more frames a second make a short motion acceptable', () => {
    const brief = motion({ range: { start: 'contain 40%', end: 'contain 62%' } });
    expect(look(brief, 60).map((f) => f.check)).toContain('too-few-frames');
    expect(look(brief, 120).map((f) => f.check)).not.toContain('too-few-frames');
  });
});

describe('fixes', () => {
  const whole: MotionDocument = {
    ...documentOf(motion(), motion({ id: 'm_b' })),
    adjustments: [{ id: 'a_fix-1', selector: '#a', declarations: { perspective: '900px' }, for: [] }],
  };
  test('replace by id, let go by id, and leave the rest as it is', () => {
    const mended = withFix(whole, {
      label: 'Both',
      motions: [motion({ name: 'Other' })],
      drop: ['m_b'],
    });
    expect(mended.motions.map((m) => [m.id, m.name])).toEqual([['m_a', 'Other']]);
    expect({ ...mended, motions: [] }).toEqual({ ...whole, motions: [] });
  });
  test('never bring in what was not there', () =>
    expect(withFix(whole, { label: 'None', motions: [motion({ id: 'm_new' })] })).toEqual(whole));
  test('add declarations under ids that are free', () => {
    const adjust = { selector: '#top', declarations: { overflow: 'clip' } };
    const ids = withFix(whole, { label: 'Two', adjust: [adjust, adjust] }).adjustments.map((a) => a.id);
    expect(ids).toEqual(['a_fix-1', 'a_fix-2', 'a_fix-3']);
  });
});
