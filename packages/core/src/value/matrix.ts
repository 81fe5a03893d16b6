/** 4×4 matrices as the standard decomposes and mixes them (CSS Transforms 2, §14). Column-major, as in `matrix3d()`. */

export type Matrix = number[];

export const IDENTITY: Matrix = [1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1];

export function multiply(a: Matrix, b: Matrix): Matrix {
  const out = new Array<number>(16);
  for (let column = 0; column < 4; column++)
    for (let row = 0; row < 4; row++) {
      let sum = 0;
      for (let k = 0; k < 4; k++) sum += a[k * 4 + row]! * b[column * 4 + k]!;
      out[column * 4 + row] = sum;
    }
  return out;
}

const radians = (degrees: number) => (degrees * Math.PI) / 180;
const withCells = (cells: Record<number, number>): Matrix => IDENTITY.map((v, i) => cells[i] ?? v);

export const translation = (x: number, y: number, z: number): Matrix => withCells({ 12: x, 13: y, 14: z });
export const scaling = (x: number, y: number, z: number): Matrix => withCells({ 0: x, 5: y, 10: z });
export const skewing = (x: number, y: number): Matrix =>
  withCells({ 4: Math.tan(radians(x)), 1: Math.tan(radians(y)) });
/** `perspective(d)`; infinite for `none`, and never nearer than 1 px. */
export const projecting = (d: number): Matrix =>
  withCells({ 11: Number.isFinite(d) ? -1 / Math.max(1, d) : 0 });

/** A turn about a unit axis. */
export function turning([x, y, z]: readonly number[], degrees: number): Matrix {
  const half = radians(degrees) / 2;
  const s = Math.sin(half);
  return fromQuaternion([x! * s, y! * s, z! * s, Math.cos(half)]);
}

type Quaternion = [number, number, number, number];

/** A turn as a matrix, from its unit quaternion. */
export function fromQuaternion([x, y, z, w]: Quaternion): Matrix {
  return [
    1 - 2 * (y * y + z * z),
    2 * (x * y + z * w),
    2 * (x * z - y * w),
    0,
    2 * (x * y - z * w),
    1 - 2 * (x * x + z * z),
    2 * (y * z + x * w),
    0,
    2 * (x * z + y * w),
    2 * (y * z - x * w),
    1 - 2 * (x * x + y * y),
    0,
    0,
    0,
    0,
    1,
  ];
}

type Vector = [number, number, number];
const dot = (a: Vector, b: Vector) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
const less = (a: Vector, b: Vector, by: number): Vector => [
  a[0] - by * b[0],
  a[1] - by * b[1],
  a[2] - by * b[2],
];
const over = (a: Vector, n: number): Vector => [a[0] / n, a[1] / n, a[2] / n];

/** What a matrix is taken apart into (CSS Transforms 2, §14.2). */
export interface Parts {
  translate: Vector;
  scale: Vector;
  skew: Vector;
  perspective: [number, number, number, number];
  quaternion: Quaternion;
}

const is2d = (m: Matrix) =>
  [2, 3, 6, 7, 8, 9, 11, 14].every((i) => Math.abs(m[i]!) < 1e-12) && m[10] === 1 && m[15] === 1;

export interface Mixer {
  at(t: number): Matrix;
  /** the turns lie half a turn apart, or the numbers are too large: which way it goes hangs on what a browser cuts off */
  unclear: boolean;
}
const MAX_CELL = 1e7;
const HALF_TURN = 1e-6;

/** Null where a matrix cannot be inverted: such a pair flips at 50 %. Flat matrices decompose as 2D ones, with an angle. */
export function mixer(from: Matrix, to: Matrix): Mixer | null {
  // Each by its own make, as the browser does (measured): a flat one beside a spatial one stays flat.
  const [a, b] = [from, to].map((m) => (is2d(m) ? decompose2d(m) : decompose(m))) as [
    Parts | null,
    Parts | null,
  ];
  if (!a || !b) return null;
  const apart = Math.abs(a.quaternion.reduce((sum, v, i) => sum + v * b.quaternion[i]!, 0));
  const at = (t: number) => {
    const mix = <T extends number[]>(x: T, y: T) => x.map((v, i) => v + (y[i]! - v) * t) as T;
    return recompose({
      translate: mix(a.translate, b.translate),
      scale: mix(a.scale, b.scale),
      skew: mix(a.skew, b.skew),
      perspective: mix(a.perspective, b.perspective),
      quaternion: slerp(a.quaternion, b.quaternion, t),
    });
  };
  return { at, unclear: apart < HALF_TURN || [...from, ...to].some((n) => Math.abs(n) > MAX_CELL) };
}

function decompose(m: Matrix): Parts | null {
  if (m[15] === 0) return null;
  const n = m.map((v) => v / m[15]!);
  const rows: Vector[] = [
    [n[0]!, n[1]!, n[2]!],
    [n[4]!, n[5]!, n[6]!],
    [n[8]!, n[9]!, n[10]!],
  ];
  if (Math.abs(dot(rows[0]!, cross(rows[1]!, rows[2]!))) < 1e-12) return null;
  // Solves the right-hand side (m3, m7, m11, 1) against the matrix without perspective.
  const [p0, p1, p2] = solve3(rows, [n[3]!, n[7]!, n[11]!]);
  const translate: Vector = [n[12]!, n[13]!, n[14]!];
  const perspective: Parts['perspective'] = [p0, p1, p2, 1 - dot([p0, p1, p2], translate)];
  if ([n[3], n[7], n[11]].every((v) => v === 0)) perspective[3] = 1;
  let [x, y, z] = rows as [Vector, Vector, Vector];
  const sx = Math.hypot(...x);
  x = over(x, sx);
  let xy = dot(x, y);
  y = less(y, x, xy);
  const sy = Math.hypot(...y);
  y = over(y, sy);
  xy /= sy;
  let xz = dot(x, z);
  z = less(z, x, xz);
  let yz = dot(y, z);
  z = less(z, y, yz);
  const sz = Math.hypot(...z);
  z = over(z, sz);
  xz /= sz;
  yz /= sz;
  const scale: Vector = [sx, sy, sz];
  if (dot(x, cross(y, z)) < 0) {
    for (let i = 0; i < 3; i++) scale[i]! *= -1;
    x = over(x, -1);
    y = over(y, -1);
    z = over(z, -1);
  }
  return { translate, scale, skew: [xy, xz, yz], perspective, quaternion: toQuaternion(x, y, z) };
}

/**
 * The turn that three unit vectors at right angles are. By the largest of its four numbers (Shepperd 1978): the signs of the others are then
 * known even of half a turn, where the sum of the diagonal says nothing of them.
 */
function toQuaternion(x: Vector, y: Vector, z: Vector): Quaternion {
  const trace = x[0] + y[1] + z[2];
  const largest = Math.max(trace, x[0], y[1], z[2]);
  const s = 2 * Math.sqrt(Math.max(0, 1 + 2 * largest - trace));
  if (largest === trace) {
    const w = 2 * Math.sqrt(1 + trace);
    return [(y[2] - z[1]) / w, (z[0] - x[2]) / w, (x[1] - y[0]) / w, w / 4];
  }
  if (largest === x[0]) return [s / 4, (y[0] + x[1]) / s, (z[0] + x[2]) / s, (y[2] - z[1]) / s];
  if (largest === y[1]) return [(y[0] + x[1]) / s, s / 4, (z[1] + y[2]) / s, (z[0] - x[2]) / s];
  return [(z[0] + x[2]) / s, (z[1] + y[2]) / s, s / 4, (x[1] - y[0]) / s];
}

/** p with p·rows = r, by Cramer's rule. */
function solve3(rows: readonly Vector[], r: Vector): Vector {
  const [a, b, c] = rows as [Vector, Vector, Vector];
  const det = dot(a, cross(b, c));
  const col = (i: number): Vector => [a[i]!, b[i]!, c[i]!];
  const [c0, c1, c2] = [col(0), col(1), col(2)];
  return [dot(r, cross(c1, c2)) / det, dot(c0, cross(r, c2)) / det, dot(c0, cross(c1, r)) / det];
}

function slerp(a: Quaternion, b: Quaternion, t: number): Quaternion {
  let product = a.reduce((sum, v, i) => sum + v * b[i]!, 0);
  const to = product < 0 ? (b.map((v) => -v) as Quaternion) : b;
  product = Math.min(1, Math.abs(product));
  if (product > 1 - 1e-12) return a;
  const theta = Math.acos(product);
  const w = Math.sin(t * theta) / Math.sin(theta);
  const k = Math.cos(t * theta) - product * w;
  return a.map((v, i) => v * k + to[i]! * w) as Quaternion;
}

function recompose(p: Parts): Matrix {
  let m = withCells({ 3: p.perspective[0], 7: p.perspective[1], 11: p.perspective[2], 15: p.perspective[3] });
  m = multiply(m, translation(...p.translate));
  m = multiply(m, fromQuaternion(p.quaternion));
  const [xy, xz, yz] = p.skew;
  if (yz) m = multiply(m, withCells({ 9: yz }));
  if (xz) m = multiply(m, withCells({ 8: xz }));
  if (xy) m = multiply(m, withCells({ 4: xy }));
  return multiply(m, scaling(...p.scale));
}

/**
 * A flat matrix as translation, turn, skew along x and scales. The browser takes it apart like a spatial one, not as the standard's
 * §14.1 does (measured); of a mirrored one it turns the sign of the scale whose entry on the diagonal is the smaller.
 */
function decompose2d(m: Matrix): Parts | null {
  const [a, b, c, d] = [m[0]!, m[1]!, m[4]!, m[5]!];
  const determinant = a * d - b * c;
  if (Math.abs(determinant) < 1e-12) return null;
  const sx = Math.hypot(a, b) * (determinant < 0 && a < d ? -1 : 1);
  const sy = determinant / sx;
  const [x, y] = [a / sx, b / sx];
  const half = Math.atan2(y, x) / 2;
  return {
    translate: [m[12]!, m[13]!, 0],
    scale: [sx, sy, 1],
    skew: [(x * c + y * d) / sy, 0, 0],
    perspective: [0, 0, 0, 1],
    quaternion: [0, 0, Math.sin(half), Math.cos(half)],
  };
}
