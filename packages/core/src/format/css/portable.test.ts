import { expect, test } from '@jest/globals';
import { present } from '../../assert/index.ts';
import { transformMatrix } from '../../value/index.ts';
import { ANY_CONTEXT } from '../../value/components.ts';
import { portable } from './portable.ts';

/** `rotate` as the transform that it is. */
const asTransform = (css: string): string => {
  const words = css.split(' ');
  return words.length === 2
    ? `rotate${present(words[0]).toUpperCase()}(${words[1]})`
    : `rotate3d(${words.join(', ')})`;
};

test.each([
  ['-1 0 0 41deg', 'x -41deg'],
  ['0 -1 0 -0.25turn', 'y 0.25turn'],
  ['0 0 -1 30deg', 'z -30deg'],
  ['0 0 -2 +30deg', 'z -30deg'],
])('%s is %s', (css, written) => {
  expect(portable('rotate', css)).toBe(written);
  const [before, after] = [css, written].map((v) => present(transformMatrix(asTransform(v), ANY_CONTEXT)));
  expect(after).toEqual(present(before).map((n) => expect.closeTo(n, 6)));
});

test.each(['x 41deg', '-41deg', '1 0 0 20deg', '-1 -1 0 20deg', '-1 0 0 calc(3deg + 1turn)', 'none'])(
  '%s stays',
  (css) => expect(portable('rotate', css)).toBe(css),
);
test('of other properties nothing is changed', () =>
  expect(portable('translate', '-1 0 0 3px')).toBe('-1 0 0 3px'));
