import { itemAt } from '../../assert/index.ts';
import type { MotionDocument, CompiledTimeline } from '../../motion/index.ts';
import { isClipped } from '../declared.ts';
import { placeOnPage, pxText } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';

/** Less than this is a border, or rounded. */
const SMALLEST = 2;

/** What reaches furthest beyond the right edge, and is not only held by something that does; −1 for nothing that was measured. */
function findWidest(document: MotionDocument, timeline: CompiledTimeline): number {
  const { elements, viewport } = timeline.layout;
  const right = (e: number) => itemAt(elements, e).box.x + itemAt(elements, e).box.width;
  const isBeyond = (e: number) => e >= 0 && right(e) > viewport.width + SMALLEST;
  let widest = -1;
  elements.forEach(({ scroller, fixed, parent }, e) => {
    if (scroller !== 0 || fixed || !isBeyond(e) || isBeyond(parent) || isClipped(document, timeline, e))
      return;
    if (widest < 0 || right(e) > right(widest)) widest = e;
  });
  return widest;
}

export const pageTooWide: CheckDefinition = {
  id: 'page-too-wide',
  name: 'Page wider than its window',
  group: 'structure',
  why: 'The whole page can be scrolled sideways, and phones zoom out to show it.',
  checkDocument({ document, timeline }) {
    const { layout } = timeline;
    const beyond = itemAt(layout.scrollers, 0).max.inline;
    if (beyond <= SMALLEST || layout.page.hidesInline) return [];
    const element = findWidest(document, timeline);
    if (element < 0) return [];
    const { selector, parent, box } = itemAt(layout.elements, element);
    const holder = parent < 0 ? 'body' : itemAt(layout.elements, parent).selector;
    return [
      {
        about: '',
        element,
        severity: 'warning' as const,
        at: placeOnPage(box.y - layout.viewport.height / 2, layout),
        brief: 'the page is too wide',
        sentence: `At ${pxText(layout.viewport.width)} of width ${selector} reaches ${pxText(box.x + box.width - layout.viewport.width)} beyond the right edge, whether it moves or not.`,
        fix: {
          label: 'Clip it at its parent',
          adjust: [{ selector: holder, declarations: { 'overflow-x': 'clip' } }],
        },
      },
    ];
  },
};
