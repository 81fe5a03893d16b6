import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { copiesFor } from './strip.ts';

const px = fc.double({ min: 8, max: 4000, noNaN: true });
const reach = fc.double({ min: -500, max: 6000, noNaN: true });

test('wherever a marquee stands in its round, its copies cover everything that is seen, and no run is in vain', () => {
  fc.assert(
    fc.property(
      px,
      reach,
      reach,
      fc.double({ min: 0, max: 1, noNaN: true }),
      (period, before, after, phase) => {
        const { lead, copies } = copiesFor(period, before, after);
        const shift = -(lead + phase) * period;
        const end = (copies + 1) * period + shift;
        // What lies before the strip, and what lies along it, up to a rounding of the numbers.
        expect(shift).toBeLessThanOrEqual(-Math.max(0, before) + 1e-6);
        expect(end).toBeGreaterThanOrEqual(after - 1e-6);
        // One run fewer would leave a hole somewhere in the round, unless there is just the one that every marquee has.
        if (copies > lead + 1) expect((copies - lead - 1) * period).toBeLessThan(after + 1e-6);
      },
    ),
  );
});

test('a strip that begins at the edge is not pulled back', () => {
  expect(copiesFor(300, 0, 1280)).toEqual({ lead: 0, copies: 5 });
  expect(copiesFor(300, 1, 1280)).toEqual({ lead: 1, copies: 6 });
});
