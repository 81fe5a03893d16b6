import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { parseLength, plainPercent, resolveLength } from './length.ts';

const sizes = { percent: 400, viewport: { width: 1000, height: 800 }, em: 20, rem: 16 };
const px = (css: string) => {
  const parsed = parseLength(css);
  if (!parsed.ok) throw new Error(parsed.error);
  return resolveLength(parsed.value, sizes);
};

describe('lengths', () => {
  test.each([
    ['12px', 12],
    ['-3.5px', -3.5],
    ['50%', 200],
    ['10vh', 80],
    ['10svw', 100],
    ['2em', 40],
    ['1in', 96],
    ['calc(50% + 10vh)', 280],
    ['calc(50% - -10vh)', 280],
    ['calc(2 * (10px + 5%) / 4)', 15],
    ['calc(100% - 3 * 20px)', 340],
    ['min(50%, 120px)', 120],
    ['clamp(10px, 100%, 300px)', 300],
    ['calc(0.3 * 100vh - 1rem)', 224],
  ])('%s', (css, expected) => expect(px(css)).toBeCloseTo(expected, 9));

  test.each(['10', '12foo', 'red', '10px 20px', 'calc(10px +)', 'calc(1px 2px)', 'sin(1)', ''])(
    'refuses %s with a reason or as unitless',
    (css) => {
      const parsed = parseLength(css);
      if (parsed.ok) expect(parsed.value.kind).toBe('number');
      else expect(parsed.error.length).toBeGreaterThan(5);
    },
  );

  test('a sum of terms is the sum of what each term resolves to', () => {
    const unit = fc.constantFrom('px', '%', 'vh', 'vw', 'em');
    const term = fc.tuple(fc.integer({ min: -500, max: 500 }), unit).map(([n, u]) => `${n}${u}`);
    fc.assert(
      fc.property(fc.array(term, { minLength: 2, maxLength: 6 }), (terms) => {
        expect(px(`calc(${terms.join(' + ')})`)).toBeCloseTo(
          terms.reduce((sum, t) => sum + px(t), 0),
          6,
        );
      }),
    );
  });

  test('knows a plain percentage from a calculated one', () => {
    const percent = (css: string) => {
      const parsed = parseLength(css);
      return parsed.ok ? plainPercent(parsed.value) : null;
    };
    expect(percent('25%')).toBe(25);
    expect(percent('calc(25% + 0px)')).toBeNull();
  });
});
