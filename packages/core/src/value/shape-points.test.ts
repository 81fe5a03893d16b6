import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { itemAt, present } from '../assert/index.ts';
import { absolutePath, listShapePoints, moveShapePoint } from './shape-points.ts';

const BOX = { width: 200, height: 100 };

describe('points of a shape', () => {
  test('corners of a polygon are in px of its box, and keep their unit', () => {
    const css = 'polygon(evenodd, 0 0, 100% 0%, 50% 80px)';
    expect(listShapePoints(css, BOX)).toEqual([
      { x: 0, y: 0 },
      { x: 200, y: 0 },
      { x: 100, y: 80 },
    ]);
    expect(moveShapePoint(css, 1, { x: 150, y: 25 }, BOX)).toBe(
      'polygon(evenodd, 0px 0px, 75% 25%, 50% 80px)',
    );
  });
  test('a path has ends and control points, each with the end that it belongs to', () => {
    expect(listShapePoints('path("M 0 0 C 10 20 30 40 50 60 Q 1 2 3 4 Z")', BOX)).toEqual([
      { x: 0, y: 0 },
      { x: 10, y: 20, controls: 0 },
      { x: 30, y: 40, controls: 3 },
      { x: 50, y: 60 },
      { x: 1, y: 2, controls: 5 },
      { x: 3, y: 4 },
    ]);
  });
  test('small letters, lines along an axis and smooth curves are written in full', () => {
    expect(absolutePath("path('m 10 10 h 5 v -5 l 1 1 z m 2 2 c 1 0 2 0 3 0 s 4 5 6 6 t 1 1')")).toBe(
      "path('M 10 10 L 15 10 L 15 5 L 16 6 Z M 12 12 C 13 12 14 12 15 12 C 16 12 19 17 21 18 Q 21 18 22 19')",
    );
    expect(absolutePath('circle(50%)')).toBe('circle(50%)');
  });
  test('shapes without points of their own have none', () => {
    for (const css of [
      'none',
      'circle(50%)',
      'inset(0)',
      'polygon(0 0, 1em 0, 1px 1px)',
      'path("M 0 0 A 1 1 0 0 1 2 2")',
      'polygon(0 0, 1px 1px)',
    ])
      expect(listShapePoints(css, BOX)).toBeNull();
  });
  test('law: a point that is moved is where it was put, and no other has moved', () => {
    const place = fc.integer({ min: -500, max: 500 });
    const point = fc.record({ x: place, y: place });
    const shape = fc
      .tuple(fc.boolean(), fc.array(point, { minLength: 4, maxLength: 10 }))
      .map(([isPath, points]) =>
        isPath
          ? `path("M 1 1 ${points.map((p) => `q 1 2 ${p.x} ${p.y} t ${p.y} ${p.x}`).join(' ')}")`
          : `polygon(${points.map((p) => `${p.x}px ${p.y}%`).join(', ')})`,
      );
    fc.assert(
      fc.property(shape, fc.nat(), point, (css, at, to) => {
        const before = present(listShapePoints(css, BOX));
        const index = at % before.length;
        const after = present(listShapePoints(moveShapePoint(css, index, to, BOX), BOX));
        expect(after).toHaveLength(before.length);
        after.forEach((p, i) => {
          const wanted = i === index ? to : itemAt(before, i);
          expect(Math.hypot(p.x - wanted.x, p.y - wanted.y)).toBeLessThan(0.02);
        });
      }),
    );
  });
});
