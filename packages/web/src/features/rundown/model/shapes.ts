/** The shape of a motion that is pulled in the page: the way that its element takes, or what it is clipped to, at the keyframe nearest to the playhead. */
import {
  absolutePath,
  changeMotion,
  itemAt,
  listShapePoints,
  moveShapePoint,
  setDeclaration,
} from '@lyvek/core';
import type { Keyframe, Motion, MotionDocument, Operation, ShapeBox, ShapePoint } from '@lyvek/core';
import { nearestKeyframe } from './grips.ts';

export interface PulledShape {
  property: string;
  css: string;
  points: ShapePoint[];
  /** what sets a point of it; `label` is for people */
  move(index: number, to: { x: number; y: number }): Operation;
}

const WAY = 'offset-path';
const CLIPPED = 'clip-path';

/** Null where nothing of it has points. */
export function findShape(
  motion: Motion,
  { adjustments }: Pick<MotionDocument, 'adjustments'>,
  box: ShapeBox,
  progress: number,
): PulledShape | null {
  const way = adjustments.find((a) => a.for.includes(motion.id) && WAY in a.declarations);
  if (way && 'offset-distance' in motion.keyframes) {
    return makeShape(WAY, way.declarations[WAY] ?? '', box, (next) => setDeclaration(way.id, WAY, next));
  }
  const list = motion.keyframes[CLIPPED];
  if (!list) return null;
  const index = nearestKeyframe(list, progress);
  return makeShape(CLIPPED, itemAt(list, index).value, box, (next) =>
    changeMotion(motion.id, `set ${CLIPPED} in the page`, (m) => ({
      ...m,
      keyframes: { ...m.keyframes, [CLIPPED]: withShape(list, index, next) },
    })),
  );
}

/** The others in the same letters, so that they go on mixing. */
const withShape = (list: readonly Keyframe[], index: number, css: string): Keyframe[] =>
  list.map((k, i) => ({ ...k, value: i === index ? css : absolutePath(k.value) }));

function makeShape(
  property: string,
  css: string,
  box: ShapeBox,
  set: (css: string) => Operation,
): PulledShape | null {
  const points = listShapePoints(css, box);
  return points && { property, css, points, move: (index, to) => set(moveShapePoint(css, index, to, box)) };
}

/** The outline as path data, px of its box. */
export function drawOutline(css: string, points: readonly ShapePoint[]): string {
  const data = /path\(.*?(["'])(.*?)\1/s.exec(absolutePath(css))?.[2];
  return data ?? `M${points.map((p) => `${p.x} ${p.y}`).join('L')}Z`;
}
