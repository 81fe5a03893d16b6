/** px of the screen. */
export interface Rect {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** In one line with another. */
export const isBeside = (a: Rect, b: Rect): boolean =>
  Math.abs(a.top + a.height / 2 - b.top - b.height / 2) < Math.max(a.height, b.height) / 2;

export function joinRects(rects: readonly Rect[]): Rect {
  const left = Math.min(...rects.map((r) => r.left));
  const top = Math.min(...rects.map((r) => r.top));
  const right = Math.max(...rects.map((r) => r.left + r.width));
  const bottom = Math.max(...rects.map((r) => r.top + r.height));
  return { left, top, width: right - left, height: bottom - top };
}
