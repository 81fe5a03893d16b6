import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { itemAt, present } from '../assert/index.ts';
import { placeDrawnPath } from './drawn-path.ts';
import { listShapePoints } from './shape-points.ts';

const BOX = { width: 100, height: 100 };
const number = fc.integer({ min: -500, max: 500 });
const factor = fc.double({ min: -3, max: 3, noNaN: true });
const matrix = fc.tuple(factor, factor, factor, factor, factor, factor);
const readPoints = (css: string | null) => present(listShapePoints(present(css), BOX));

describe('a line of a drawing as a path', () => {
  test('has each point where the drawing’s matrix lays it, counted from the corner', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(number, number), { minLength: 4, maxLength: 4 }),
        matrix,
        fc.record({ x: number, y: number }),
        ([from, a, b, to], m, corner) => {
          const data = `M${from} C${a} ${b} ${to} l 10 20`;
          const made = readPoints(placeDrawnPath({ data, matrix: [...m], points: [] }, corner));
          const plain = readPoints(`path("${data}")`);
          expect(made).toHaveLength(plain.length);
          plain.forEach(({ x, y }, i) => {
            const [p, q] = [m[0] * x + m[2] * y + m[4] - corner.x, m[1] * x + m[3] * y + m[5] - corner.y];
            expect(Math.abs(itemAt(made, i).x - p)).toBeLessThan(0.006);
            expect(Math.abs(itemAt(made, i).y - q)).toBeLessThan(0.006);
          });
        },
      ),
    );
  });

  test('goes through all places where its data says nothing that is known', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(number, number), { minLength: 2, maxLength: 20 }),
        fc.constantFrom('', 'M 0 0 A 20 20 0 0 1 40 40'),
        (points, data) => {
          const css = placeDrawnPath({ data, matrix: [1, 0, 0, 1, 0, 0], points }, { x: 7, y: -3 });
          const ends = readPoints(css).filter((p) => p.controls === undefined);
          expect(ends).toEqual(points.map(([x, y]) => ({ x: x - 7, y: y + 3 })));
        },
      ),
    );
  });

  test('is nothing where there is nothing to follow', () => {
    const matrix = [1, 0, 0, 1, 0, 0];
    expect(placeDrawnPath({ data: '', matrix, points: [] }, { x: 0, y: 0 })).toBeNull();
    expect(placeDrawnPath({ data: '"); color: red', matrix, points: [[1, 1]] }, { x: 0, y: 0 })).toBeNull();
  });
});
