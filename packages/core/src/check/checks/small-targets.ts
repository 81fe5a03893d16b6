import { isEndless } from '../../drivers/index.ts';
import { itemAt, perObject } from '../../assert/index.ts';
import { findMatches, isWithin } from '../../page/index.ts';
import type { ElementFacts, Layout } from '../../page/index.ts';
import type { Motion } from '../../motion/index.ts';
import { placeOnPage, pxText } from '../finding.ts';
import { elementsThat } from '../shown-at.ts';
import type { CheckDefinition } from '../finding.ts';

/** WCAG 2.2, 2.5.8 (Target Size, Minimum), px. */
const SMALLEST = 24;
const MOVES = [
  'translate',
  'transform',
  'offset-distance',
  'left',
  'right',
  'margin-left',
  'margin-inline-start',
];

const travels = (m: Motion): boolean => isEndless(m.driver) || MOVES.some((p) => m.keyframes[p]);
const isSmall = ({ box }: ElementFacts): boolean =>
  box.width > 0 && box.height > 0 && Math.min(box.width, box.height) < SMALLEST;

/** A link in a sentence is as high as its line. */
const isInSentence = (e: ElementFacts, layout: Layout): boolean =>
  e.tag === 'a' && e.parent >= 0 && itemAt(layout.elements, e.parent).kind === 'text';

/** A circle of 24 px around a small target that touches no other target is room enough (ibid., “Spacing”). */
function isCrowded(e: ElementFacts, targets: readonly ElementFacts[]): boolean {
  const [x, y] = [e.box.x + e.box.width / 2, e.box.y + e.box.height / 2];
  return targets.some((t) => {
    if (t === e) return false;
    const { box } = t;
    if (isSmall(t)) return Math.hypot(box.x + box.width / 2 - x, box.y + box.height / 2 - y) < SMALLEST;
    const across = Math.max(box.x - x, 0, x - box.x - box.width);
    const down = Math.max(box.y - y, 0, y - box.y - box.height);
    return Math.hypot(across, down) < SMALLEST / 2;
  });
}

const listFocusable = elementsThat((e) => e.focus === true);
const listSmall = perObject((layout: Layout): number[] => {
  const focusable = listFocusable(layout);
  const targets = focusable.map((i) => itemAt(layout.elements, i));
  return focusable.filter((i) => {
    const e = itemAt(layout.elements, i);
    return isSmall(e) && !isInSentence(e, layout) && isCrowded(e, targets);
  });
});

export const smallTargets: CheckDefinition = {
  id: 'small-targets',
  name: 'Moving targets that are too small',
  group: 'care',
  why: 'A finger misses small links that lie close together, and more so while they move (WCAG 2.2, 2.5.8).',
  checkDocument({ document, timeline: { layout } }) {
    const small = listSmall(layout);
    const told = new Set<number>();
    return document.motions.flatMap((m) => {
      if (!m.on || !travels(m)) return [];
      const moved = findMatches(layout, m.targets.selector);
      const inside = small.filter((i) => !told.has(i) && moved.some((outer) => isWithin(layout, i, outer)));
      const [index] = inside;
      if (index === undefined) return [];
      inside.forEach((i) => told.add(i));
      const first = itemAt(layout.elements, index);
      const { width, height, y } = first.box;
      return [
        {
          about: m.id,
          element: index,
          severity: 'warning' as const,
          at: placeOnPage(y - layout.viewport.height / 2, layout),
          brief: 'small targets',
          sentence: `${inside.length === 1 ? `${first.selector} is` : `${inside.length} links or buttons in it lie close together; the first, ${first.selector}, is`} ${Math.round(width)} × ${pxText(height)}. Make them at least ${SMALLEST} × ${SMALLEST} px, or leave as much room between them.`,
          fix: null,
        },
      ];
    });
  },
};
