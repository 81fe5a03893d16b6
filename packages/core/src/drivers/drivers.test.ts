import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { makeLayout, element } from '../testing/index.ts';
import {
  cuesAt,
  driverContent,
  driverCss,
  driverReferences,
  DriverSchema,
  driverSelectors,
  isAtLoad,
  isEndless,
  isPointed,
  isScrubbed,
  isTimed,
  isTriggered,
  knowsPoint,
  measureKey,
  placeRange,
  refersTo,
  stageKey,
  wholeRange,
  withDriverContent,
  withDriverReferences,
  withDriverSelectors,
} from './index.ts';
import type { Driver } from './index.ts';

const axis = fc.constantFrom('block' as const, 'inline' as const);
const selector = fc.constantFrom('#a', '.card', 'main > p');
const inset = fc.constantFrom('0px', '10%', 'auto', '-20px');
const pinId = fc.constantFrom('p_one', 'p_two');
const triggerId = fc.constantFrom('g_one', 'g_two');

const driver: fc.Arbitrary<Driver> = fc.oneof(
  fc.record({ kind: fc.constant('scroll' as const), axis }),
  fc.record({ kind: fc.constant('scroll' as const), scroller: selector, axis }),
  fc.record({
    kind: fc.constant('view' as const),
    subject: fc.oneof(fc.constant('self'), selector),
    axis,
    insets: fc.tuple(inset, inset),
  }),
  fc.record({ kind: fc.constant('pin' as const), pin: pinId }),
  fc.record({ kind: fc.constant('trigger' as const), trigger: triggerId }),
  fc.record({ kind: fc.constant('load' as const) }),
  fc.record(
    {
      kind: fc.constant('pointer' as const),
      axis: fc.constantFrom('x' as const, 'y' as const),
      over: fc.oneof(fc.constantFrom('viewport', 'self'), selector),
      rest: fc.constantFrom(0, 0.5, 1, null),
      touch: fc.constantFrom('none' as const, 'drag' as const, 'tilt' as const),
      ...{ share: fc.constantFrom('--depth', '--i') },
    },
    { requiredKeys: ['kind', 'axis', 'over', 'rest', 'touch'] },
  ),
  fc.record({
    kind: fc.constant('marquee' as const),
    axis,
    speed: fc.integer({ min: -400, max: 400 }),
    reverses: fc.boolean(),
    push: fc.integer({ min: -3, max: 3 }),
    pauses: fc.boolean(),
  }),
);

describe('every driver', () => {
  test('is what its schema reads, and nothing more', () => {
    fc.assert(
      fc.property(driver, (d) => {
        expect(DriverSchema.parse(d)).toEqual(d);
        expect(DriverSchema.safeParse({ ...d, other: 1 }).success).toBe(false);
      }),
    );
  });

  test('is scrubbed, timed, endless or pointed, and one of them only', () => {
    fc.assert(
      fc.property(driver, (d) => {
        expect([isScrubbed(d), isTimed(d), isEndless(d), isPointed(d)].filter(Boolean)).toHaveLength(1);
        expect(isTimed(d)).toBe(isTriggered(d) || isAtLoad(d));
        expect(stageKey(d) !== null).toBe(isTimed(d));
        expect(driverCss(d).why).toMatch(/\.$/);
      }),
    );
  });

  test('what it points at is found, and renamed there and back', () => {
    fc.assert(
      fc.property(driver, (d) => {
        const ids = driverReferences(d).map((r) => r.id);
        for (const id of ids) expect(refersTo(d, id)).toBe(true);
        const away = withDriverReferences(d, (id) => `${id}-2`);
        expect(driverReferences(away).map((r) => r.id)).toEqual(ids.map((id) => `${id}-2`));
        expect(withDriverReferences(away, (id) => id.replace(/-2$/, ''))).toEqual(d);
      }),
    );
  });

  test('the selectors that it names are renamed, and no others', () => {
    fc.assert(
      fc.property(driver, (d) => {
        const named = driverSelectors(d);
        const away = withDriverSelectors(d, (s) => `${s}.x`);
        expect(driverSelectors(away)).toEqual(named.map((s) => `${s}.x`));
        expect(named).not.toContain('self');
        if (named.length === 0) expect(away).toEqual(d);
      }),
    );
  });

  test('with the content of a preset it says what the preset says, and stays where it was', () => {
    fc.assert(
      fc.property(driver, driver, (own, preset) => {
        const next = withDriverContent(own, preset);
        expect(next.kind).toBe(own.kind);
        expect(driverReferences(next)).toEqual(driverReferences(own));
        expect(withDriverContent(own, own)).toEqual(own);
        if (own.kind !== preset.kind) expect(next).toEqual(own);
        // The axis of a scroller belongs to the page that has it.
        else if (own.kind !== 'scroll') expect(driverContent(next)).toEqual(driverContent(preset));
      }),
    );
  });

  test('a whole range is placed as the whole of it', () => {
    const layout = {
      ...makeLayout([element({ selector: '#a' })]),
      holds: [{ id: 'p_one', scroller: 0, start: 300, end: 900, stage: 0 }],
    } as unknown as Parameters<typeof placeRange>[3];
    let placedSome = 0;
    fc.assert(
      fc.property(driver, (d) => {
        const range = wholeRange(d);
        expect(knowsPoint(d, range.start) && knowsPoint(d, range.end)).toBe(true);
        const placed = placeRange(d, range, 0, layout);
        if ('reason' in placed) return expect(placed.reason).not.toBe('');
        placedSome++;
        expect(placed.start).toBeCloseTo(placed.whole.start, 6);
        expect(placed.end).toBeCloseTo(placed.whole.end, 6);
      }),
    );
    expect(placedSome).toBeGreaterThan(20);
  });

  test('two measure alike with one key, whatever their order', () => {
    fc.assert(
      fc.property(driver, driver, selector, (a, b, target) => {
        const [ka, kb] = [measureKey(a, target), measureKey(b, target)];
        if (!isScrubbed(a)) expect(ka).toBeNull();
        if (ka !== null && ka === kb) {
          expect(a.kind).toBe(b.kind);
          expect(cuesAt(a)).toEqual(cuesAt(b));
        }
      }),
    );
  });
});
