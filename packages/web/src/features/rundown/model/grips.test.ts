import { expect, test } from '@jest/globals';
import { nearestKeyframe, splitParts, pulledRotate, pulledScale, pulledTranslate } from './grips.ts';

test.each([
  ['0 72px', 10, -12, '10px 60px'],
  ['none', 5, 0, '5px 0'],
  ['-40px', 0, 8, '-40px 8px'],
  ['50% calc(10vh - 2px)', 3, 4, 'calc(50% + 3px) calc((10vh - 2px) + 4px)'],
  ['calc(50% + 3px) 0 20px', 4, 0, 'calc(50% + 7px) 0 20px'],
])('%s pulled by %i and %i px is %s', (css, dx, dy, wanted) => {
  expect(pulledTranslate(css, dx, dy)).toBe(wanted);
});
test.each([
  ['1', 1.2, '1.2'],
  ['0.8 1', 0.5, '0.4 0.5'],
  ['none', 1.16, '1.16'],
  ['80%', 1.5, '120%'],
  ['0.5', -3, '0.01'],
])('%s grown %d times is %s', (css, factor, wanted) => {
  expect(pulledScale(css, factor)).toBe(wanted);
});
test.each([
  ['-5deg', 12.4, '7deg'],
  ['x 78deg', -8, 'x 70deg'],
  ['0.25turn', 90, '0.5turn'],
  ['none', 30, '30deg'],
])('%s turned by %d degrees is %s', (css, by, wanted) => {
  expect(pulledRotate(css, by)).toBe(wanted);
});
test('brackets hold a part together, and the nearest stop is by place', () => {
  expect(splitParts('calc(1px + 2%) 3px')).toEqual(['calc(1px + 2%)', '3px']);
  const keyframes = [
    { at: '0%', value: '0' },
    { at: '40%', value: '1' },
    { at: '100%', value: '2' },
  ];
  expect([0.1, 0.3, 0.69, 0.8].map((p) => nearestKeyframe(keyframes, p))).toEqual([0, 1, 1, 2]);
});
