/** What the page is doing at a scroll offset, in a few words. */
import type { PinnedLayout, Px } from '@lyvek/core';
import { grouped } from '../../../editor/strip/view.ts';

/** “pinned, 30 %”, “released 320 px ago” within a screen of it, else the section that stands in the middle. */
export function placeWords(layout: PinnedLayout, y: Px): string {
  const { height } = layout.viewport;
  const onPage = layout.pinnedSpans.filter((h) => h.scroller === 0);
  const held = onPage.find((h) => y >= h.start && y <= h.end && h.end > h.start);
  if (held) return `pinned, ${Math.round((100 * (y - held.start)) / (held.end - held.start))} %`;
  const let_ = onPage.find((h) => y > h.end && y - h.end < height);
  if (let_) return `released ${grouped(y - let_.end)} px ago`;
  const middle = y + height / 2;
  return layout.sections.findLast((s) => s.top <= middle && middle < s.top + s.height)?.name ?? '';
}
