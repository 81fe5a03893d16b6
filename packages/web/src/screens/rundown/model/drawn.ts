import type { ElementFacts } from '@lyvek/core';

/** Viewport position of an element's box, sticking included. */
export function drawnAt(e: ElementFacts, y: number): number {
  const s = e.sticky;
  if (!s) return e.box.y - y;
  const carried = Math.min(s.travel, Math.max(0, s.edge === 'start' ? y - s.at : s.at - y));
  return e.box.y - y + (s.edge === 'start' ? carried : -carried);
}
