import { describe, expect, test } from '@jest/globals';
import type { Motion } from '@lyvek/core';
import { makeDocument, motion } from '@lyvek/core/testing';
import { apart, listDampings, ratesFor, computeResponse } from './model.ts';
import { withDamping, triedOn } from './scroll-input.ts';

describe('feel', () => {
  const half = { kind: 'half-life', halfLife: 90 } as const;
  test('two rates agree where both have a frame, since following is exact', () =>
    expect(apart(computeResponse(half, 'ramp', '60'), computeResponse(half, 'ramp', '120'))).toBeLessThan(
      1e-6,
    ));
  test('settings of the take come by how often they are used, without those that do not follow', () => {
    const spring = { kind: 'spring', frequency: 2, ratio: 1 } as const;
    const d = makeDocument(
      motion({ id: 'm_1', damping: spring }),
      motion({ id: 'm_2', damping: half }),
      motion({ id: 'm_3', damping: half }),
      motion({ id: 'm_4' }),
    );
    expect(listDampings(d)).toEqual([half, spring]);
  });
  test('the chosen rate stands beside one that differs', () => {
    expect(ratesFor('60')).toEqual(['60', '120']);
    expect(ratesFor('irregular')).toEqual(['60', 'irregular']);
  });
});

describe('under the hand', () => {
  const spring = { kind: 'spring', frequency: 2, ratio: 1 } as const;
  const half = { kind: 'half-life', halfLife: 90 } as const;
  const timed = (id: string): Motion =>
    motion({ id, driver: { kind: 'load' }, time: { delay: '0ms', duration: '300ms' } });
  const marquee = motion({
    id: 'm_marquee',
    keyframes: {},
    driver: { kind: 'marquee', axis: 'inline', speed: 40, reverses: true, push: 0, pauses: true },
    damping: half,
  });
  const ids = (list: readonly Motion[]) => list.map((m) => m.id);

  test('a setting is tried on the motions that follow', () => {
    const d = makeDocument(
      motion({ id: 'm_a', damping: half }),
      motion({ id: 'm_b' }),
      timed('m_c'),
      marquee,
    );
    expect(ids(triedOn(d))).toEqual(['m_a']);
    const damped = withDamping(d, spring);
    expect(damped.motions.map((m) => m.damping.kind)).toEqual(['spring', 'none', 'none', 'half-life']);
    expect(damped.motions[1]).toBe(d.motions[1]);
  });
  test('where none follows it is tried on all that hang on the scroll, and not on what is off or plays in time', () => {
    const d = makeDocument(motion({ id: 'm_a' }), motion({ id: 'm_off', on: false }), timed('m_c'), marquee);
    expect(ids(triedOn(d))).toEqual(['m_a']);
    expect(withDamping(d, { kind: 'none' }).motions.map((m) => m.damping)).toEqual(
      d.motions.map((m) => m.damping),
    );
  });
});
