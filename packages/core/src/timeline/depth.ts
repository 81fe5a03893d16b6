/** Depth: a layer that moves by a factor of the page’s own speed. */
import type { Range } from './range-point.ts';

export interface Depth {
  /** 1 moves with the page, 0.5 half as fast, 1.75 faster, below 0 against it; not 0, which is a pin */
  factor: number;
  /** the line of the viewport where the layer’s middle is undisplaced, as a fraction from the top */
  line: number;
  /** the subject’s height as CSS: `100%` of the layer itself, or a frame’s length */
  height: string;
  /** the subject is a frame that clips the layer, so what happens outside of its view progress is never seen */
  frame?: boolean;
}

export interface DepthCss {
  range: Range;
  /** displacement at the start and at the end of the range, as CSS lengths */
  from: string;
  to: string;
  /** how much larger than its frame the layer must be on each side; 0px without a frame */
  overscan: string;
}

const n = (x: number) => String(Number(x.toFixed(4)) + 0);

/**
 * Displacement `(1 − k)·(s − s_ref)`. Without a frame and with the reference in the middle the range is as long as the displaced
 * layer can be seen, so that it has no kink; with another line it is the plain cover range.
 */
export function distantly({ factor: k, line, height, frame = false }: Depth): DepthCss {
  if (line === 0.5 && !frame) {
    const half = 50 / Math.abs(k);
    const way = (1 - k) / (2 * Math.abs(k));
    return {
      range: { start: `cover ${n(50 - half)}%`, end: `cover ${n(50 + half)}%` },
      from: `calc(${n(-way)} * (100vh + ${height}))`,
      to: `calc(${n(way)} * (100vh + ${height}))`,
      overscan: '0px',
    };
  }
  const at = (share: number) =>
    `calc(${n((1 - k) * share)} * 100vh + ${n(((1 - k) * Math.sign(share)) / 2)} * ${height})`;
  return {
    range: { start: 'cover 0%', end: 'cover 100%' },
    from: at(-(1 - line)),
    to: at(line),
    overscan: frame ? overscan(k, height) : '0px',
  };
}

/** core-model: 0 ≤ k ≤ 1: (1−k)(H−F)/2; k > 1: (k−1)(H+F)/2; k < 0: (1−k)(H+F)/2 − F; never below 0. */
function overscan(k: number, frame: string): string {
  if (k >= 0 && k <= 1) return `max(0px, ${n((1 - k) / 2)} * (100vh - ${frame}))`;
  if (k > 1) return `calc(${n((k - 1) / 2)} * (100vh + ${frame}))`;
  return `max(0px, ${n((1 - k) / 2)} * (100vh + ${frame}) - ${frame})`;
}
