import { describe, expect, test } from '@jest/globals';
import { present } from '../../assert/index.ts';
import { mistakenPage } from '../../testing/specimen-parts.ts';
import { nearestWord } from './misspelt.ts';

const page = (own: string, more = '') =>
  mistakenPage(
    `<style>@keyframes rise { from { translate: 0 80px } } ${more} .it { ${own} }</style><p class="it">1</p>`,
  );
const misspelt = (own: string, more = '') => page(own, more).mistakes.filter((m) => m.kind === 'misspelt');

describe('words that no browser knows', () => {
  test.each([
    ['animation: rise linear both; animation-timeline: veiw()', 'animation-timeline: view()'],
    ['animation: rise linear both; animation-timeline: scrol(rot)', 'animation-timeline: scroll(root)'],
    [
      'animation: rise linear both; animation-timeline: view(); animation-range: enter 0% cover 50%',
      'animation-range: entry 0% cover 50%',
    ],
    ['animation: rise liner both; animation-timeline: view()', 'animation: rise linear both'],
    ['animation: rise linear both; animation-timline: view()', 'animation-timeline: view()'],
    ['animation: rsie linear both; animation-timeline: view()', 'animation: rise linear both'],
    [
      'animation: rise both; animation-fill-mode: forward; animation-timeline: view()',
      'animation-fill-mode: forwards',
    ],
  ])('%s', (own, right) => {
    const [found, ...more] = misspelt(own);
    expect(more).toEqual([]);
    expect(present(found).advice).toBe(`Write ${right}.`);
  });

  test('a named timeline that nobody carries, and one that is carried', () => {
    const own = 'animation: rise linear both; animation-timeline: --hreo';
    const [found] = misspelt(own, '.it { view-timeline: --hero }');
    expect(present(found).advice).toBe('Write animation-timeline: --hero.');
    expect(misspelt(own, '.it { view-timeline: --hreo }')).toEqual([]);
  });

  test('what keyframes change', () => {
    const [found] = misspelt(
      'animation: fade linear both; animation-timeline: view()',
      '@keyframes fade { from { opactiy: 0 } }',
    );
    expect(present(found).advice).toBe('Write opacity: 0.');
    expect(present(present(found).correction).read.motions[0]?.keyframes.opacity).toBeDefined();
  });

  test('a motion comes of it once it is put right', () => {
    const [found] = misspelt('animation: rise linear both; animation-timeline: veiw()');
    const [motion] = present(present(found).correction).read.motions;
    expect(present(motion).driver.kind).toBe('view');
  });

  test.each([
    'animation: rise linear both; animation-timeline: view()',
    'animation: rise var(--none, linear) both; animation-timeline: view(block 10% 20px)',
    'animation: none; animation-timeline: --own',
    'animation: turn 2s infinite; animation-composition: accumulate',
    '-webkit-animation: rise 1s; --veiw: 1; view-timeline: --it inline',
    'animation-range: entry 10% exit calc(100% - 3em); timeline-scope: all; animation-trigger: none',
  ])('nothing is said of %s', (own) => expect(misspelt(own)).toEqual([]));

  test('near is two letters in a short word, and never the whole of it', () => {
    expect(nearestWord('veiw', ['view', 'scroll'])).toBe('view');
    expect(nearestWord('view', ['view', 'scroll'])).toBeNull();
    expect(nearestWord('ab', ['x', 'y'])).toBeNull();
    expect(nearestWord('sparkle', ['rise', 'fade'])).toBeNull();
  });
});
