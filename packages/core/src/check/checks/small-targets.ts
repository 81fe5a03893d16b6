import { isEndless } from '../../drivers/index.ts';
import { itemAt } from '../../assert/index.ts';
import { findMatches, isWithin } from '../../page/index.ts';
import type { ElementFacts, Layout } from '../../page/index.ts';
import type { Motion } from '../../motion/index.ts';
import { placeOnPage, pxText } from '../finding.ts';
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

export const smallTargets: CheckDefinition = {
  id: 'small-targets',
  name: 'Moving targets that are too small',
  group: 'care',
  why: 'A finger misses small links that lie close together, and more so while they move (WCAG 2.2, 2.5.8).',
  checkDocument({ document, timeline: { layout } }) {
    const targets = layout.elements.filter((e) => e.focus);
    const told = new Set<ElementFacts>();
    return document.motions.flatMap((m) => {
      if (!m.on || !travels(m)) return [];
      const moved = findMatches(layout, m.targets.selector);
      const small = layout.elements.filter(
        (e, i) =>
          e.focus &&
          !told.has(e) &&
          isSmall(e) &&
          !isInSentence(e, layout) &&
          moved.some((outer) => isWithin(layout, i, outer)) &&
          isCrowded(e, targets),
      );
      const [first] = small;
      if (!first) return [];
      small.forEach((e) => told.add(e));
      const { width, height, y } = first.box;
      return [
        {
          about: m.id,
          element: layout.elements.indexOf(first),
          severity: 'warning' as const,
          at: placeOnPage(y - layout.viewport.height / 2, layout),
          brief: 'small targets',
          sentence: `${small.length === 1 ? `${first.selector} is` : `${small.length} links or buttons in it lie close together; the first, ${first.selector}, is`} ${Math.round(width)} × ${pxText(height)}. Make them at least ${SMALLEST} × ${SMALLEST} px, or leave as much room between them.`,
          fix: null,
        },
      ];
    });
  },
};
