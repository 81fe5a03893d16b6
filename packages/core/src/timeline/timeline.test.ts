import { present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Geometry } from '../page/index.ts';
import { meetingAt, percent, toMeeting, toPhase, writePhase } from './convert.ts';
import { progressAt } from './placed.ts';
import { movePoint } from './move.ts';
import { isTall, phaseSpans, PHASES } from './phases.ts';
import { parsePhasePoint, resolvePoint } from './range-point.ts';

const geometry = (over: Partial<Geometry> = {}): Geometry => ({
  top: 2000,
  size: 300,
  port: 800,
  max: 9000,
  insets: [0, 0],
  sticky: null,
  viewport: { width: 1000, height: 800 },
  em: 16,
  rem: 16,
  ...over,
});
const anyGeometry = fc
  .record({
    top: fc.integer({ min: 0, max: 9000 }),
    size: fc.integer({ min: 1, max: 2400 }),
    insets: fc.tuple(fc.integer({ min: -50, max: 200 }), fc.integer({ min: -50, max: 200 })),
  })
  .map((g) => geometry(g));

describe('phases', () => {
  test('lie where the standard puts them', () => {
    const s = phaseSpans(geometry());
    expect(s.cover).toEqual({ start: 1200, end: 2300 });
    expect(s.entry).toEqual({ start: 1200, end: 1500 });
    expect(s.contain).toEqual({ start: 1500, end: 2000 });
    expect(s.exit).toEqual({ start: 2000, end: 2300 });
    expect(s.scroll).toEqual({ start: 0, end: 9000 });
  });

  test('entry, contain and exit follow on one another and fill cover', () => {
    fc.assert(
      fc.property(anyGeometry, (g) => {
        const s = phaseSpans(g);
        expect(s.entry.start).toBe(s.cover.start);
        expect(s.entry.end).toBe(s.contain.start);
        expect(s.contain.end).toBe(s.exit.start);
        expect(s.exit.end).toBe(s.cover.end);
        expect(s.contain.end).toBeGreaterThanOrEqual(s.contain.start);
      }),
    );
  });

  test('a pinned stage contains from where it sticks to where it lets go', () => {
    const s = phaseSpans(
      geometry({ top: 2000, size: 800, sticky: { edge: 'start', at: 2000, travel: 2200 } }),
    );
    expect(s.cover).toEqual({ start: 1200, end: 5000 });
    expect(s.contain).toEqual({ start: 2000, end: 4200 });
  });
});

describe('range points', () => {
  test.each([
    ['entry', 'start', 1200],
    ['entry', 'end', 1500],
    ['contain 50%', 'start', 1750],
    ['exit-crossing calc(50% + 10vh)', 'end', 2230],
    ['40%', 'start', 1640],
    ['cover -20px', 'start', 1180],
    ['scroll 100%', 'end', 9000],
    ['normal', 'end', 2300],
  ] as const)('%s as %s', (css, side, expected) =>
    expect(resolvePoint(css, geometry(), side)).toBeCloseTo(expected, 9),
  );

  test.each(['middle 20%', 'entry 20', 'entry 20foo', 'entry 10% 20%'])('refuses %s and says why', (css) => {
    const parsed = parsePhasePoint(css, 'start');
    expect(parsed.ok).toBe(false);
    if (!parsed.ok) expect(parsed.error).toMatch(/\w{4}/);
  });

  test('a meeting is where the point of the element reaches the line', () => {
    expect(resolvePoint({ edge: '50%', line: '50%' }, geometry(), 'end')).toBe(2000 + 150 - 400);
  });

  test('a meeting with a sticky box counts where the box is drawn', () => {
    const g = geometry({ sticky: { edge: 'start', at: 1900, travel: 700 } });
    expect(resolvePoint({ edge: '0%', line: '50%' }, g, 'end')).toBe(1600);
    expect(resolvePoint({ edge: '100%', line: '0%' }, g, 'end')).toBe(2300 + 700);
  });
});

describe('converting', () => {
  test('never moves the point', () => {
    const phase = fc.constantFrom(...PHASES.filter((p) => p !== 'scroll'));
    fc.assert(
      fc.property(anyGeometry, phase, fc.integer({ min: 0, max: 100 }), (g, p, n) => {
        const point = `${p} ${n}%`;
        const m = present(toMeeting(point, g, 'start'));
        expect(g.top + m.edge * g.size - m.line * g.port).toBeCloseTo(resolvePoint(point, g, 'start'), 6);
      }),
    );
  });

  test('back and forth gives the same phase point', () => {
    fc.assert(
      fc.property(
        anyGeometry,
        fc.constantFrom('entry' as const, 'contain' as const, 'exit' as const),
        fc.integer({ min: 1, max: 99 }),
        (g, p, n) => {
          const span = phaseSpans(g)[p];
          fc.pre(span.end - span.start > 1);
          const at = toPhase(resolvePoint(`${p} ${n}%`, g, 'start'), g, p);
          expect(writePhase(at)).toBe(`${p} ${n}%`);
        },
      ),
    );
  });

  test('the canonical pair of a short element reads as people say it', () => {
    expect(toMeeting('entry 100%', geometry(), 'end')).toEqual({ edge: 1, line: 1 });
    expect(toMeeting('contain 50%', geometry(), 'end')).toEqual({ edge: 0.5, line: 0.5 });
    expect(isTall(geometry({ size: 900 }))).toBe(true);
    expect(toMeeting('entry 40%', geometry({ size: 900 }), 'end')).toEqual({ edge: 0, line: 0.6 });
  });

  test('a meeting at an offset takes a point of the element that can be seen', () => {
    const m = meetingAt(2100, geometry());
    expect(m.edge).toBe(0.5);
    expect(m.line).toBeCloseTo(50 / 800);
  });
});

describe('moving', () => {
  const move = { side: 'start' as const, whole: { start: 0, end: 9000 } };

  test('entry hands over to contain when dragged past its edge, cover stays cover', () => {
    const g = geometry();
    expect(movePoint(1750, { ...move, was: 'entry 10%', geometry: g })).toBe('contain 50%');
    expect(movePoint(1750, { ...move, was: 'cover 10%', geometry: g })).toBe('cover 50%');
  });

  test('a meeting keeps the element’s point', () => {
    expect(movePoint(1600, { ...move, was: { edge: '0%', line: '10%' }, geometry: geometry() })).toEqual({
      edge: '0%',
      line: '50%',
    });
  });

  test('exact keeps px, and lands on the very px', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1200, max: 2299 }), (offset) => {
        const g = geometry();
        const point = movePoint(offset, { ...move, was: 'entry 10%', geometry: g, exact: true });
        expect(point).toContain('px');
        expect(resolvePoint(point, g, 'start')).toBeCloseTo(offset, 2);
      }),
    );
  });

  test('rounding stays within 0.1 % of the phase', () => {
    fc.assert(
      fc.property(anyGeometry, fc.integer({ min: 0, max: 9000 }), (g, offset) => {
        const point = movePoint(offset, { ...move, was: 'cover 0%', geometry: g });
        const { start, end } = phaseSpans(g).cover;
        expect(Math.abs(resolvePoint(point, g, 'start') - offset)).toBeLessThanOrEqual(
          (end - start) * 0.000501 + 1e-6,
        );
      }),
    );
  });
});

describe('progress', () => {
  test('holds outside and jumps at the start of an empty or reversed range', () => {
    expect(progressAt(50, { start: 100, end: 200 })).toBe(0);
    expect(progressAt(150, { start: 100, end: 200 })).toBe(0.5);
    expect(progressAt(200, { start: 100, end: 200 })).toBe(1);
    expect(progressAt(99, { start: 100, end: 100 })).toBe(0);
    expect(progressAt(100, { start: 100, end: 50 })).toBe(1);
  });
  test('percentages are written without noise', () =>
    expect([percent(0.123456), percent(0.5), percent(-0.00001)]).toEqual(['12.3%', '50%', '0%']));
});
