/**
 * The points of a shape as they are pulled in the page: corners of `polygon()` (CSS Shapes 1, §3.1), ends and control points of `path()` (SVG 2,
 * §9.3). Coordinates are px from the upper left corner of the box that the shape is drawn on.
 */
import { itemAt, present } from '../assert/index.ts';
import { components } from './components.ts';
import { readPath } from './types/path.ts';
import { decimal } from './value-type.ts';

export interface ShapePoint {
  x: number;
  y: number;
  /** of a control point: the end of the curve whose direction it gives, by index */
  controls?: number;
}

export interface ShapeBox {
  width: number;
  height: number;
}

/** What is pulled at once; null for shapes without points of their own, and for lengths that the page alone knows. */
export function listShapePoints(css: string, box: ShapeBox): ShapePoint[] | null {
  const corners = readPolygon(css);
  if (corners) return corners.points.map(([x, y]) => ({ x: toPx(x, box.width), y: toPx(y, box.height) }));
  const path = readAbsolute(css);
  return path && path.flatMap(({ points }) => points);
}

/** The shape with one of its points moved; a coordinate in percent stays one. A path is written with the letters of `absolutePath`. */
export function moveShapePoint(
  css: string,
  index: number,
  to: { x: number; y: number },
  box: ShapeBox,
): string {
  const corners = readPolygon(css);
  if (corners) {
    const points = corners.points.map(([x, y], i) =>
      i === index ? [moved(x, to.x, box.width), moved(y, to.y, box.height)] : [coordinate(x), coordinate(y)],
    );
    return `polygon(${corners.rule}${points.map((p) => p.join(' ')).join(', ')})`;
  }
  const path = readAbsolute(css);
  if (!path) return css;
  let k = 0;
  return write(
    path.map((c) => ({
      ...c,
      points: c.points.map((p) => (k++ === index ? { ...p, x: to.x, y: to.y } : p)),
    })),
    css,
  );
}

/** A path with capital letters only, and its curves in full: two that were of one form stay so. Any other shape as it is. */
export function absolutePath(css: string): string {
  const path = readAbsolute(css);
  return path ? write(path, css) : css;
}

/** The path with each of its points elsewhere, in capital letters; null for what is no path, and for one with arcs. */
export function mapPath(
  css: string,
  to: (p: { x: number; y: number }) => { x: number; y: number },
): string | null {
  const path = readAbsolute(css);
  return (
    path &&
    write(
      path.map((c) => ({ ...c, points: c.points.map((p) => ({ ...p, ...to(p) })) })),
      css,
    )
  );
}

interface Coordinate {
  value: number;
  percent: boolean;
}

const toPx = ({ value, percent }: Coordinate, size: number) => (percent ? (value / 100) * size : value);
const coordinate = ({ value, percent }: Coordinate) =>
  `${decimal(Number(value.toFixed(2)))}${percent ? '%' : 'px'}`;
const moved = (was: Coordinate, px: number, size: number) =>
  coordinate({ ...was, value: was.percent && size > 0 ? (px / size) * 100 : px });

function readPolygon(css: string): { rule: string; points: [Coordinate, Coordinate][] } | null {
  const node = components(css)?.[0];
  if (node?.type !== 'Function' || node.name.toLowerCase() !== 'polygon') return null;
  let rule = '';
  const flat: Coordinate[] = [];
  for (const n of node.children.toArray()) {
    if (n.type === 'Operator' && n.value.trim() === ',') continue;
    if (n.type === 'Identifier' && /^(nonzero|evenodd)$/i.test(n.name)) rule = `${n.name}, `;
    else if (n.type === 'Percentage') flat.push({ value: Number(n.value), percent: true });
    else if (n.type === 'Dimension' && n.unit.toLowerCase() === 'px')
      flat.push({ value: Number(n.value), percent: false });
    else if (n.type === 'Number' && Number(n.value) === 0) flat.push({ value: 0, percent: false });
    else return null;
  }
  if (flat.length < 6 || flat.length % 2) return null;
  const points = Array.from({ length: flat.length / 2 }, (_, i): [Coordinate, Coordinate] => [
    itemAt(flat, 2 * i),
    itemAt(flat, 2 * i + 1),
  ]);
  return { rule, points };
}

interface Step {
  letter: string;
  points: ShapePoint[];
}

const DATA = /^(\s*path\(\s*(?:(?:nonzero|evenodd)\s*,\s*)?)(["'])(.*?)\2(\s*\).*)$/is;

/** Each command with its points: for a curve its control points, then its end. */
function readAbsolute(css: string): Step[] | null {
  const path = readPath(DATA.exec(css)?.[3] ?? '');
  if (!path) return null;
  const out: Step[] = [];
  let at = { x: 0, y: 0 };
  let start = at;
  /** what a smooth curve goes on from */
  let control: { x: number; y: number } | null = null;
  let before = '';
  let count = 0;
  for (const { letter, numbers: n } of path) {
    const kind = letter.toUpperCase();
    const from = letter === kind ? { x: 0, y: 0 } : at;
    const pairs = Array.from({ length: n.length >> 1 }, (_, i) => ({
      x: from.x + itemAt(n, 2 * i),
      y: from.y + itemAt(n, 2 * i + 1),
    }));
    const mirrored = (of: string) =>
      control && of.includes(before) ? { x: 2 * at.x - control.x, y: 2 * at.y - control.y } : at;
    if (kind === 'Z') {
      out.push({ letter: 'Z', points: [] });
      [at, control, before] = [start, null, kind];
      continue;
    }
    const points =
      kind === 'H'
        ? [{ x: from.x + itemAt(n, 0), y: at.y }]
        : kind === 'V'
          ? [{ x: at.x, y: from.y + itemAt(n, 0) }]
          : kind === 'S'
            ? [mirrored('CS'), ...pairs]
            : kind === 'T'
              ? [mirrored('QT'), ...pairs]
              : pairs;
    const written = { H: 'L', V: 'L', S: 'C', T: 'Q' }[kind] ?? kind;
    const end = count + points.length - 1;
    // The first control point of a curve belongs to where it begins.
    out.push({
      letter: written,
      points: points.map((p, i) =>
        i === points.length - 1 ? p : { ...p, controls: written === 'C' && i === 0 ? count - 1 : end },
      ),
    });
    count += points.length;
    control = points.length > 1 ? present(points[points.length - 2]) : null;
    at = present(points.at(-1));
    if (kind === 'M') start = at;
    before = kind;
  }
  return out;
}

function write(path: readonly Step[], css: string): string {
  const number = (n: number) => decimal(Number(n.toFixed(2)));
  const data = path
    .map(({ letter, points }) => [letter, ...points.flatMap(({ x, y }) => [number(x), number(y)])].join(' '))
    .join(' ');
  return css.replace(
    DATA,
    (_all, before: string, quote: string, _was: string, after: string) =>
      `${before}${quote}${data}${quote}${after}`,
  );
}
