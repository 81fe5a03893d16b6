import { itemAt, present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ANY_CONTEXT } from './components.ts';
import { parseEasing } from './easing.ts';
import { mixer } from './matrix.ts';
import { transformMatrix } from './types/transform.ts';
import { neutralValue, PROPERTY_GROUPS } from './property-groups.ts';
import { propertyFacts, propertyNames, valueError } from './property.ts';
import { shapeCss, toShape, springCss, springEase } from './shape.ts';
import { bake, passesOnce, withWholeEasing } from './split.ts';
import { isPredicted, splitSegments, valueAt } from './track.ts';

const ease = (css: string) => {
  const parsed = parseEasing(css);
  if (!parsed.ok) throw new Error(parsed.error);
  return parsed.value;
};
const at = (property: string, from: string, to: string, p: number, easing?: string) =>
  valueAt(
    splitSegments(
      property,
      [
        { at: '0%', value: from, easing },
        { at: '100%', value: to },
      ],
      'none',
      ANY_CONTEXT,
    ),
    p,
  );

describe('easings', () => {
  test('a cubic Bézier satisfies its own equation to 1e-7', () => {
    const unit = fc.integer({ min: 1, max: 99 }).map((n) => n / 100);
    const free = fc.integer({ min: -100, max: 200 }).map((n) => n / 100);
    fc.assert(
      fc.property(unit, free, unit, free, unit, (x1, y1, x2, y2, u) => {
        const b = (a: number, c: number) => 3 * u * (1 - u) ** 2 * a + 3 * u * u * (1 - u) * c + u ** 3;
        const slope = 3 * (1 - u) ** 2 * x1 + 6 * u * (1 - u) * (x2 - x1) + 3 * u * u * (1 - x2);
        fc.pre(slope > 0.02);
        expect(ease(`cubic-bezier(${x1}, ${y1}, ${x2}, ${y2})`)(b(x1, x2))).toBeCloseTo(b(y1, y2), 6);
      }),
    );
  });

  test.each([
    ['steps(4, jump-end)', 0.3, 0.25],
    ['steps(4, jump-start)', 0.3, 0.5],
    ['steps(4, jump-none)', 0.3, 1 / 3],
    ['steps(4, jump-both)', 0.3, 0.4],
    ['step-end', 0.99, 0],
    ['linear(0, 0.5 20%, 1)', 0.1, 0.25],
    ['linear(0, 1, 0, 1)', 0.5, 0.5],
    ['ease', 0, 0],
  ])('%s at %d', (css, t, y) => expect(ease(css)(t)).toBeCloseTo(y, 9));

  test.each([
    'ease-sideways',
    'cubic-bezier(2, 0, 0, 1)',
    'cubic-bezier(0, 0, 1)',
    'steps(0)',
    'steps(1, jump-none)',
    'linear(a)',
  ])('refuses %s', (css) => expect(parseEasing(css).ok).toBe(false));

  test('baking stays within its tolerance', () => {
    const f = ease('cubic-bezier(0.7, 0, 0.1, 1)');
    const g = ease(bake(f));
    for (let i = 0; i <= 1000; i++) expect(Math.abs(f(i / 1000) - g(i / 1000))).toBeLessThan(3e-4);
  });

  test.each([
    ['ease-in-out', 'linear', 1e-6],
    ['cubic-bezier(0.2, 1.7, 0.5, 1)', 'linear', 1e-6],
    ['cubic-bezier(0.6, -0.5, 0.4, 1.5)', 'linear', 1e-6],
    ['ease-in-out', 'ease-in', 4e-3],
    ['linear(0, 0.8 30%, 1.1 60%, 1)', 'linear', 4e-3],
  ])('%s over %s stretches is the same curve once it is split over the stops', (whole, inner, error) => {
    const keyframes = [
      { at: '0%', value: '0', easing: inner },
      { at: '30%', value: '10', easing: inner },
      { at: '100%', value: '3' },
    ];
    const shape = ease(whole);
    const before = splitSegments('flex-grow', keyframes, '0', ANY_CONTEXT);
    const split = withWholeEasing(keyframes, whole);
    if (error < 1e-5) expect(itemAt(split, 0).easing).toMatch(/^cubic-bezier/);
    const after = splitSegments('flex-grow', split, '0', ANY_CONTEXT);
    for (let i = 0; i <= 50; i++) {
      const wrong = Number(valueAt(after, i / 50)) - Number(valueAt(before, shape(i / 50)));
      expect(Math.abs(wrong)).toBeLessThan(error * 12);
    }
  });

  test('a stop that the curve passes twice has no single place', () => {
    expect(passesOnce(ease('cubic-bezier(0.3, 2.4, 0.6, -1.6)'), 0.5)).toBe(false);
    expect(passesOnce(ease('cubic-bezier(0.2, 1.7, 0.5, 1)'), 0.5)).toBe(true);
  });
});

describe('values', () => {
  test.each([
    ['opacity', '0', '1', 0.25, '0.25'],
    ['opacity', '0', '1', 1, '1'],
    ['translate', '0 96px', '0 0', 0.5, '0px 48px'],
    ['translate', 'none', '50% 10vh', 0.5, '25px 50px'],
    ['scale', '0.5', 'none', 0.5, '0.75'],
    ['scale', '1 2', '2', 0.5, '1.5 2'],
    ['rotate', '0deg', '90deg', 0.5, '45deg'],
    ['rotate', 'none', 'x 1turn', 0.25, 'x 90deg'],
    ['filter', 'none', 'blur(8px) brightness(50%)', 0.5, 'blur(4px) brightness(0.75)'],
    ['filter', 'blur(4px)', 'brightness(2)', 0.4, 'blur(4px)'],
    ['z-index', '0', '3', 0.5, '2'],
    ['z-index', 'auto', '3', 0.6, '3'],
    ['color', '#000', '#fff', 0.5, 'rgb(128, 128, 128)'],
    ['background-color', 'transparent', 'rgb(200 100 0)', 0.5, 'rgba(200, 100, 0, 0.5)'],
    ['border-radius', '10px', '50%', 0.5, 'calc(25% + 5px)'],
    ['width', '-10px', '50%', 0.5, 'max(0px, calc(25% - 5px))'],
    ['margin-left', '10px', '30px', 0.5, '20px'],
    ['box-shadow', 'none', 'none', 0.5, 'none'],
    ['row-gap', '1rem', '10%', 0.5, 'calc(5% + 8px)'],
    ['border-spacing', '2px 4px', '6px 8px', 0.25, '3px 5px'],
    ['column-count', '2', '5', 0.5, '4'],
    ['text-align', 'left', 'right', 0.49, 'left'],
    ['transform', 'none', 'skewY(8deg) translateX(10%)', 0.5, 'skewY(4deg) translate(5px, 0px)'],
    ['transform', 'perspective(100px)', 'perspective(none)', 0.5, 'perspective(200px)'],
    ['clip-path', 'inset(0 0 100% 0)', 'inset(0)', 0.5, 'inset(0px 0px 50% 0px)'],
    ['clip-path', 'circle(0 at 50% 50%)', 'circle(80px at 20% 50%)', 0.5, 'circle(40px at 35% 50%)'],
    ['clip-path', 'circle(10px)', 'inset(0)', 0.4, 'circle(10px)'],
    ['clip-path', 'polygon(0 0, 100% 0)', 'polygon(0 10px, 50% 0)', 0.5, 'polygon(0px 5px, 75% 0px)'],
    ['background-position', '0 100%', 'top', 0.5, '25% 50%'],
    ['mask-size', '100% 0', 'calc(50% + 20px) 40px', 0.5, 'calc(75% + 10px) 20px'],
    ['stroke-dasharray', '0 1', '1', 0.5, '0.5px, 1px'],
    ['perspective', '400px', '800px', 0.25, '500px'],
    ['--figure', '0', '212', 0.25, '53'],
    ['--reach', '0%', '40%', 0.5, '20%'],
    ['--tone', '#000', '#fff', 0.5, 'rgb(128, 128, 128)'],
    ['--word', 'ready', 'steady', 0.6, 'steady'],
    ['box-shadow', 'none', '0 8px 20px #000', 0.5, 'rgba(0, 0, 0, 0.5) 0px 4px 10px 0px'],
    ['box-shadow', '0 0 4px red inset', '0 0 4px red', 0.4, '0 0 4px red inset'],
    [
      'text-shadow',
      '1px 1px red, 2px 2px red',
      '3px 3px 2px red',
      0.5,
      'rgb(255, 0, 0) 2px 2px 1px, rgba(255, 0, 0, 0.5) 1px 1px 0px',
    ],
    [
      'filter',
      'none',
      'drop-shadow(0 0 6px red) blur(4px)',
      0.5,
      'drop-shadow(rgba(255, 0, 0, 0.5) 0px 0px 3px) blur(2px)',
    ],
    ['filter', 'sepia(0)', 'sepia(180%)', 0.5, 'sepia(0.5)'],
    ['transform-origin', 'left top 20px', '100% 100%', 0.5, '50% 50% 10px'],
    ['background-position', '0 0, 10px 0', '100% 0', 0.5, '50% 0px, calc(50% + 5px) 0px'],
    ['margin', '10px 20px', '30px', 0.5, '20px 25px'],
    ['margin', '10px auto', '30px auto', 0.5, '20px auto'],
    ['border-radius', '10px 20px / 4px', '0', 0.5, '5px 10px / 2px'],
    ['visibility', 'hidden', 'visible', 0.1, 'visible'],
    ['visibility', 'hidden', 'visible', 0, 'hidden'],
    ['display', 'grid', 'none', 0.9, 'grid'],
    ['line-height', '1', '2', 0.5, '1.5'],
    ['line-height', '100%', '48px', 0.5, '32px'],
    ['line-height', '1', '48px', 0.4, '1'],
    ['d', 'path("M0 0 9 9")', 'path("M 2 2L19 9")', 0.5, 'path("M 1 1 L 14 9")'],
    ['clip-path', 'path("M0 0h4z")', 'path("M8 0h8z")', 0.5, 'path("M 4 0 h 6 z")'],
    ['clip-path', 'xywh(0 0 10px 20px)', 'xywh(4px 0 20px 20px)', 0.5, 'xywh(2px 0 15px 20px)'],
    ['font-variation-settings', '"wght" 300', '"wght" 700', 0.5, '"wght" 500'],
  ])('%s from %s to %s', (property, from, to, p, expected) =>
    expect(at(property, from, to, p)).toBe(expected),
  );

  test('different axes turn the short way round', () => {
    const value = at('rotate', 'x 90deg', 'y 90deg', 0.5);
    expect(value).toMatch(/^0\.7071\d+ 0\.7071\d+ 0 \d/);
  });

  test('ends stay within the values they lie between, for every property with numbers', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('opacity', 'flex-grow', 'stroke-dashoffset', 'letter-spacing'),
        fc.integer({ min: 0, max: 9 }),
        fc.integer({ min: 0, max: 9 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (property, a, b, p) => {
          const unit = property === 'opacity' || property === 'flex-grow' ? '' : 'px';
          const n = Number.parseFloat(at(property, `${a / 10}${unit}`, `${b / 10}${unit}`, p));
          expect(n).toBeGreaterThanOrEqual(Math.min(a, b) / 10 - 1e-6);
          expect(n).toBeLessThanOrEqual(Math.max(a, b) / 10 + 1e-6);
        },
      ),
    );
  });

  test('every property’s type understands its own example and initial value, or says that it flips', () => {
    for (const name of propertyNames()) {
      const { type, initial } = present(propertyFacts(name));
      expect([name, type.accepts(type.example)]).toEqual([name, true]);
      if (initial !== 'auto' && initial !== '') expect([name, type.accepts(initial)]).toEqual([name, true]);
    }
  });

  test('a wrong value is refused with an example of a right one', () => {
    expect(valueError('opacity', 'red')).toContain('0.5');
    expect(valueError('clip-path', 'circle(x)')).toContain('inset(');
    // Texts that break off are no colours, and no faults.
    for (const css of ['rgb(', 'rgb(1', 'oklch(0.5 0.1', 'color(', 'hsl(1 /'])
      expect(valueError('color', css)).not.toBeNull();
    expect(valueError('display', 'none')).toBeNull();
    expect(valueError('display', 'sideways')).toContain('not a value of display');
    expect(valueError('hue-turn', '1')).toContain('not a property known here');
    expect(valueError('--figure', '212')).toBeNull();
  });
});

describe('the shape of an easing', () => {
  test.each(['linear', 'cubic-bezier(0.2, 0.6, 0.3, 1)', 'linear(0 0%, 0.4 30%, 1 100%)'])(
    '%s is read and written alike',
    (css) => {
      const shape = present(toShape(css));
      expect(shape.kind === 'steps' ? '' : shapeCss(shape)).toBe(css);
    },
  );
  test('steps have no shape to pull, and nonsense has none at all', () => {
    expect(toShape('steps(3, jump-end)')).toEqual({ kind: 'steps' });
    expect(toShape('wavy(3)')).toBeNull();
  });
  test('baking keeps within its error, a spring settles at its end', () => {
    for (const ratio of [0.1, 0.3, 0.6, 0.9]) {
      const ease = springEase(ratio);
      const read = parseEasing(springCss(ratio));
      if (!read.ok) throw new Error(read.error);
      for (let i = 0; i <= 1000; i++)
        expect(Math.abs(read.value(i / 1000) - ease(i / 1000))).toBeLessThan(0.002);
      expect(ease(1)).toBe(1);
      expect(Math.abs(ease(0.97) - 1)).toBeLessThan(0.01);
    }
  });
});

describe('the list of properties', () => {
  const grouped = PROPERTY_GROUPS.flatMap((g) => g.names);
  test('has every property that is interpolated, once', () => {
    expect([...grouped].sort()).toEqual([...propertyNames()].sort());
  });
  test('begins each with a value that can be kept', () => {
    for (const name of grouped)
      for (const own of [undefined, 'none', 'auto', 'normal', 'what is this'])
        expect([name, valueError(name, neutralValue(name, own))]).toEqual([name, null]);
  });
});

describe('what is known of a value and what is not', () => {
  const known = (property: string, from: string, to: string, base: string | null = 'none') =>
    isPredicted(
      splitSegments(
        property,
        [...(from ? [{ at: '0%', value: from }] : []), { at: '100%', value: to }],
        base,
        ANY_CONTEXT,
      ),
    );
  test.each([
    ['numbers, lengths and colours of one make', 'row-gap', '2px', 'calc(10% - 1em)', true],
    ['words of a property that flips', 'text-align', 'left', 'right', true],
    ['a word beside a number that it does not stand for', 'column-width', 'auto', '12px', true],
    ['one that it does stand for', 'letter-spacing', 'normal', '2px', true],
    ['what is made in another way', 'column-width', 'min(2px, 1em) 3px', '12px', false],
    ['pictures, which fade over', 'border-image-source', 'url(a.png)', 'url(b.png)', false],
    ['what hangs on the parent', 'font-size', '2em', '30px', false],
    ['its colour', 'color', 'currentcolor', 'red', false],
    ['a property that is a list of others', 'border', '1px solid red', '9px solid red', true],
    ['one of them with other words', 'border', '1px solid red', '9px dashed red', false],
  ])('%s: %s from %s to %s', (_, property, from, to, is) => expect(known(property, from, to)).toBe(is));

  test('a missing end is known where the element’s own value is', () => {
    expect([
      known('stroke-dashoffset', '', '300px', '0px'),
      known('stroke-dashoffset', '', '300px', null),
    ]).toEqual([true, false]);
  });
});

test('transforms of different makes begin and end as they are, turned by half and mirrored ones too', () => {
  const turn = fc.constantFrom('rotateX', 'rotateY', 'rotateZ');
  const some = fc
    .tuple(
      turn,
      fc.constantFrom(-180, -130, -90, 0, 40, 90, 180),
      turn,
      fc.integer({ min: -170, max: 170 }),
      fc.constantFrom(-2.2, -1, 0.4, 3),
    )
    .map(([a, n, b, m, k]) => `${a}(${n}deg) ${b}(${m}deg) scaleX(${k})`);
  fc.assert(
    fc.property(some, some, (from, to) => {
      const ends = [
        transformMatrix(from, ANY_CONTEXT),
        transformMatrix(`translateZ(1px) ${to}`, ANY_CONTEXT),
      ] as const;
      const mix = present(mixer(present(ends[0]), present(ends[1])));
      for (const t of [0, 1])
        mix.at(t).forEach((n, i) => expect(n).toBeCloseTo(itemAt(present(ends[t as 0]), i), 6));
    }),
    { numRuns: 400 },
  );
});
