import { itemAt, present } from '../../assert/index.ts';
import { toAngle, components, toNumber, readKeyword } from '../components.ts';
import { fromQuaternion, turning } from '../matrix.ts';
import { decimal } from '../value-type.ts';
import type { Form, ValueType } from '../value-type.ts';

interface Turn {
  axis: [number, number, number];
  degrees: number;
  none: boolean;
}

const AXES: Record<string, Turn['axis']> = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1] };

function read(css: string): Turn | null {
  const nodes = components(css);
  if (!nodes || nodes.length === 0) return null;
  const first = itemAt(nodes, 0);
  const keyword = readKeyword(nodes);
  if (keyword) return keyword === 'none' ? { axis: present(AXES.z), degrees: 0, none: true } : null;
  const angleAt = nodes.findIndex((n) => n.type === 'Dimension');
  const angle = angleAt >= 0 ? toAngle(itemAt(nodes, angleAt)) : nodes.length === 1 ? toAngle(first) : null;
  const rest = nodes.filter((_, i) => i !== (angleAt >= 0 ? angleAt : 0));
  if (angle === null) return null;
  if (rest.length === 0) return { axis: present(AXES.z), degrees: angle, none: false };
  const axisName = readKeyword(rest);
  if (axisName) {
    const axis = AXES[axisName];
    return axis ? { axis, degrees: angle, none: false } : null;
  }
  const numbers = rest.map((n) => toNumber(n));
  if (numbers.length !== 3 || numbers.some((n) => n === null)) return null;
  const [x, y, z] = numbers as [number, number, number];
  const size = Math.hypot(x, y, z);
  if (size === 0) return { axis: present(AXES.z), degrees: 0, none: true };
  return { axis: [x / size, y / size, z / size], degrees: angle, none: false };
}

const aboutAxis = (axis: Turn['axis']): Form => ({
  write(n, i) {
    const angle = `${decimal(itemAt(n, i))}deg`;
    const [x, y, z] = axis;
    if (x === 0 && y === 0 && z > 0) return angle;
    const named = Object.entries(AXES).find(([, a]) =>
      a.every((v, k) => Math.abs(v - itemAt(axis, k)) < 1e-12),
    );
    return named ? `${named[0]} ${angle}` : `${axis.map(decimal).join(' ')} ${angle}`;
  },
  matrix: (n, i) => turning(axis, itemAt(n, i)),
});

type Quaternion = [number, number, number, number];

const quaternion = ({ axis: [x, y, z], degrees }: Turn): Quaternion => {
  const half = (degrees * Math.PI) / 360;
  const s = Math.sin(half);
  return [x * s, y * s, z * s, Math.cos(half)];
};

function pose([x, y, z, w]: Quaternion): string {
  const size = Math.hypot(x, y, z);
  if (size < 1e-12) return '0deg';
  const degrees = (2 * Math.atan2(size, w) * 180) / Math.PI;
  return `${decimal(x / size)} ${decimal(y / size)} ${decimal(z / size)} ${decimal(degrees)}deg`;
}

/** Different axes turn along the shortest way between the two poses (CSS Transforms 2, §13.1: spherical mixing of quaternions). */
function betweenPoses(a: Turn, b: Turn): Form {
  const qa = quaternion(a);
  const qb = quaternion(b);
  let dot = qa.reduce((sum, v, i) => sum + v * itemAt(qb, i), 0);
  const sign = dot < 0 ? -1 : 1;
  dot = Math.min(1, dot * sign);
  const theta = Math.acos(dot);
  const at = (t: number): Quaternion => {
    const sin = Math.sin(theta);
    const wa = sin < 1e-9 ? 1 - t : Math.sin((1 - t) * theta) / sin;
    const wb = (sin < 1e-9 ? t : Math.sin(t * theta) / sin) * sign;
    return qa.map((v, k) => v * wa + itemAt(qb, k) * wb) as Quaternion;
  };
  return { write: (n, i) => pose(at(itemAt(n, i))), matrix: (n, i) => fromQuaternion(at(itemAt(n, i))) };
}

/** `rotate` (CSS Transforms 2, §3): an angle about an axis. `none` takes the other end's axis. */
export const rotate: ValueType = {
  name: 'rotate',
  example: '-6deg',
  accepts: (css) => read(css) !== null,
  pair(from, to) {
    const a = read(from);
    const b = read(to);
    if (!a || !b) return null;
    const same = a.axis.every((v, i) => Math.abs(v - itemAt(b.axis, i)) < 1e-9);
    if (same || a.none || a.degrees === 0)
      return { from: [a.degrees], to: [b.degrees], form: aboutAxis(b.axis) };
    if (b.none || b.degrees === 0) return { from: [a.degrees], to: [b.degrees], form: aboutAxis(a.axis) };
    return { from: [0], to: [1], form: betweenPoses(a, b) };
  },
  /** about one axis angles add up; about two they make one turn after the other */
  add(under, over) {
    const a = read(under);
    const b = read(over);
    if (!a || !b) return over;
    if (a.none || a.degrees === 0) return over;
    if (b.none || b.degrees === 0) return under;
    if (a.axis.every((v, i) => Math.abs(v - itemAt(b.axis, i)) < 1e-9))
      return aboutAxis(a.axis).write([a.degrees + b.degrees], 0);
    const [ax, ay, az, aw] = quaternion(a);
    const [bx, by, bz, bw] = quaternion(b);
    return pose([
      aw * bx + ax * bw + ay * bz - az * by,
      aw * by - ax * bz + ay * bw + az * bx,
      aw * bz + ax * by - ay * bx + az * bw,
      aw * bw - ax * bx - ay * by - az * bz,
    ]);
  },
};
