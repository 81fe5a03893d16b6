import { asScroll, asPin, isRangeless } from '../../drivers/index.ts';
import { isWithin } from '../../page/index.ts';
import { pxText } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';

export const pinShorterThanScene: CheckDefinition = {
  id: 'pin-shorter-than-scene',
  name: 'Pin shorter than its scene',
  group: 'structure',
  why: 'The section is released while its scene is still playing, so the end happens on the way out, or unseen.',
  checkMotion(instance, { timeline, document }) {
    const { motion, placed, element } = instance;
    const pinned = asPin(motion.driver);
    const holds =
      'pinnedSpans' in timeline.layout
        ? (timeline.layout.pinnedSpans as { id: string; stage: number; start: number; end: number }[])
        : [];
    const hold = holds.find((h) =>
      pinned ? h.id === pinned.pin : isWithin(timeline.layout, element, h.stage),
    );
    if (!hold || asScroll(motion.driver) || isRangeless(motion.driver)) return null;
    const late = placed.end - hold.end;
    // What is not the pin’s own may well belong to the section’s coming and going.
    const own = pinned !== null || (placed.start >= hold.start - 1 && placed.start < hold.end - 1);
    if (!own || late <= 1) return null;
    const pin = document.pins.find((p) => p.id === hold.id);
    return {
      severity: 'error',
      at: hold.end,
      brief: 'outlasts its pin',
      sentence: `Its pin lets go ${pxText(late)} before the motion is done.`,
      fix: pin
        ? pinned
          ? {
              label: 'End it with the pin',
              motions: [{ ...motion, range: { ...motion.range, end: '100%' } }],
            }
          : pin.distance.kind === 'length'
            ? {
                label: `Hold ${pxText(late)} longer`,
                pins: [
                  {
                    ...pin,
                    distance: { kind: 'length', value: `${Math.ceil(2 * late + hold.end - hold.start)}px` },
                  },
                ],
              }
            : null
        : null,
    };
  },
};
