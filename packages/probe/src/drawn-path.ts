/** Where a line of a drawing runs on the page. */
import type { DrawnPath } from '@lyvek/core';
import { all } from './dom.ts';

/** Places along it, and the longest data that is told. */
const PLACES = 48;
const MAX_DATA = 20_000;

/** Null where the selector finds no line. */
export function readDrawnPath(selector: string): DrawnPath | null {
  const [shape] = all(selector);
  if (!(shape instanceof SVGGeometryElement)) return null;
  const screen = shape.getScreenCTM();
  const length = shape.getTotalLength();
  if (!screen || !(length > 0)) return null;
  const toPage = new DOMMatrix([1, 0, 0, 1, scrollX, scrollY]).multiply(screen);
  const { a, b, c, d, e, f } = toPage;
  const data = shape instanceof SVGPathElement ? (shape.getAttribute('d') ?? '') : '';
  return {
    data: data.length > MAX_DATA ? '' : data,
    matrix: [a, b, c, d, e, f],
    points: Array.from({ length: PLACES + 1 }, (_, i): [number, number] => {
      const at = shape.getPointAtLength((length * i) / PLACES);
      const { x, y } = toPage.transformPoint(at);
      return [x, y];
    }),
  };
}
