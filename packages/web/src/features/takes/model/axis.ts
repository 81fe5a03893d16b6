/** The one scroll axis of both filmstrips: where the middle picture stands and how far the pictures are apart. */
import type { Px } from '@lyvek/core';
import { PAD } from '../../../editor/strip/view.ts';
import type { View } from '../../../editor/strip/view.ts';

export const PICTURES = 5;

export interface Axis {
  /** offset of the middle picture, px */
  middle: Px;
  /** from one picture to the next, px */
  apart: Px;
}

/** Pictures begin this share of a window apart. Chosen by us. */
const APART = 0.6;
const MIN: Px = 20;

export function clampAxis({ middle, apart }: Axis, max: Px): Axis {
  const wide = Math.min(Math.max(MIN, apart), Math.max(1, max / (PICTURES - 1)));
  const half = (wide * (PICTURES - 1)) / 2;
  return { apart: wide, middle: Math.round(Math.min(Math.max(half, middle), Math.max(half, max - half))) };
}

export const firstAxis = (at: Px, windowHeight: Px, max: Px): Axis =>
  clampAxis({ middle: at, apart: APART * windowHeight }, max);

export const computeOffsets = ({ middle, apart }: Axis, max: Px): Px[] =>
  Array.from({ length: PICTURES }, (_, k) =>
    Math.round(Math.min(max, Math.max(0, middle + (k - (PICTURES - 1) / 2) * apart))),
  );

/** The rows of the screen that the axis takes, so that every picture stands beside its own offset. */
export const makeView = ({ middle, apart }: Axis, rows: number): View => {
  const per = apart / (rows / PICTURES);
  return { per, top: middle - (rows / 2 - PAD) * per };
};

/** Zoomed about an offset, which stays at its row. */
export function zoomAxis(axis: Axis, factor: number, at: Px, max: Px): Axis {
  const apart = clampAxis({ ...axis, apart: axis.apart / factor }, max).apart;
  return clampAxis({ apart, middle: at + ((axis.middle - at) * apart) / axis.apart }, max);
}

const STEPS = [20, 50, 100, 200, 500, 1000, 2000, 5000] as const;
/** Offsets of the marks between the strips: at least five rows apart. */
export function markOffsets(view: View, rows: number, max: Px): { step: Px; offsets: Px[] } {
  const step = STEPS.find((s) => s / view.per >= 5) ?? 10_000;
  const first = Math.max(0, Math.ceil((view.top - PAD * view.per) / step) * step);
  const last = Math.min(max, view.top + (rows - PAD) * view.per);
  const offsets: Px[] = [];
  for (let o = first; o <= last; o += step) offsets.push(o);
  return { step, offsets };
}

/** Where two takes are most unlike; half the page where they are alike everywhere. */
export function largestDifference(
  difference: (y: Px) => number,
  max: Px,
  looks = 160,
): { at: Px; much: number } {
  let best = { at: max / 2, much: 0 };
  for (let k = 0; k <= looks; k++) {
    const at = Math.round((max * k) / looks);
    const much = difference(at);
    if (much > best.much + 1e-6) best = { at, much };
  }
  return best;
}
