import { itemAt } from '../../assert/index.ts';
import { asPin } from '../../drivers/index.ts';
import type { PinnedSpan } from '../../page/index.ts';
import { pxText } from '../finding.ts';
import type { CheckContext, CheckDefinition } from '../finding.ts';

/** A motion of the pin that moves what is as high as the section shows the rest of it. */
const isMovedThrough = ({ document, timeline }: CheckContext, pin: string, height: number): boolean =>
  timeline.instances.some(
    ({ motion, element }) =>
      document.motions.some((m) => m.on && m.id === motion.id) &&
      asPin(motion.driver)?.pin === pin &&
      ('translate' in motion.keyframes || 'transform' in motion.keyframes) &&
      itemAt(timeline.layout.elements, element).box.height > 0.8 * height,
  );

export const pinTooHigh: CheckDefinition = {
  id: 'pin-too-high',
  name: 'Pinned section higher than the window',
  group: 'structure',
  why: 'While it is pinned its lower part lies below the window, and nobody can scroll to it.',
  checkDocument(context) {
    const { document, timeline } = context;
    const { layout } = timeline;
    const spans = 'pinnedSpans' in layout ? (layout.pinnedSpans as PinnedSpan[]) : [];
    return spans.flatMap(({ id, stage, start }) => {
      const pin = document.pins.find((p) => p.id === id);
      const { height } = itemAt(layout.elements, stage).box;
      const beyond = height - layout.viewport.height;
      // One that is pinned by its bottom has been scrolled through before.
      if (pin?.sticky.by !== 'top' || beyond <= 1 || isMovedThrough(context, id, height)) return [];
      return [
        {
          about: id,
          element: stage,
          severity: 'warning' as const,
          at: start,
          brief: 'higher than the window',
          sentence: `It is ${pxText(beyond)} higher than the window, so its lower part is not seen while it is pinned.`,
          fix: {
            label: 'Pin it by its bottom',
            pins: [{ ...pin, sticky: { ...pin.sticky, by: 'bottom' as const } }],
          },
        },
      ];
    });
  },
};
