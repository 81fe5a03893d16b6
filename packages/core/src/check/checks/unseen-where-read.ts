import { itemAt } from '../../assert/index.ts';
import { isRangeless } from '../../drivers/index.ts';
import type { Px } from '../../page/index.ts';
import { maxScrollFor } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';
import { opacityAt } from '../opacity-at.ts';
import { findRangePoint } from '../find-range-point.ts';

/** The middle half of the viewport, where people read. */
const IMPORT = [0.25, 0.75] as const;
const LOOKS = 9;

export const unseenWhereRead: CheckDefinition = {
  id: 'unseen-where-read',
  name: 'Faint where it is read',
  group: 'reach',
  why: 'Text that is still half transparent in the middle of the screen is hard to read exactly where people look.',
  checkMotion(instance, { timeline, limits }) {
    const { motion, element, placed } = instance;
    const facts = itemAt(timeline.layout.elements, element);
    if (!motion.keyframes.opacity || facts.kind !== 'text' || facts.fixed || facts.sticky) return null;
    if (placed.scroller !== 0 || placed.axis !== 'block' || isRangeless(motion.driver)) return null;
    const max = maxScrollFor(instance, timeline);
    const { height } = timeline.layout.viewport;
    const centre = facts.box.y + facts.box.height / 2;
    // From the line at three quarters of the viewport up to the one at a quarter.
    const from = Math.max(0, centre - IMPORT[1] * height);
    const to = Math.min(max, centre - IMPORT[0] * height);
    if (to < from) return null;
    // What is clear where the page begins or ends can be read there for as long as one likes.
    const isClear = (s: Px) => opacityAt(timeline, element, s) >= limits.textOpacity;
    if ((from === 0 && isClear(0)) || (to === max && isClear(max))) return null;
    let faintest = Infinity;
    let at: Px = from;
    for (let k = 0; k < LOOKS; k++) {
      const s = from + (k / (LOOKS - 1)) * (to - from);
      const opacity = opacityAt(timeline, element, s);
      if (opacity < faintest) [faintest, at] = [opacity, s];
    }
    // In whole hundredths, as it is said: nobody sees less.
    if (Math.round(100 * faintest) >= Math.round(100 * limits.textOpacity)) return null;
    const rises = opacityAt(timeline, element, from) <= opacityAt(timeline, element, to);
    const { start, end } = motion.range;
    const range = rises
      ? {
          start: placed.start < from - 80 ? start : findRangePoint(from - 200, start, instance, max, 'start'),
          end: findRangePoint(from, end, instance, max, 'end'),
        }
      : {
          start: findRangePoint(to, start, instance, max, 'start'),
          end: placed.end > to + 80 ? end : findRangePoint(to + 200, end, instance, max, 'end'),
        };
    const fits = rises ? from - 200 > 0 : to + 200 < max;
    return {
      severity: faintest < 0.5 ? 'error' : 'warning',
      at,
      brief: 'faint where it is read',
      sentence: `In the middle half of the screen its text is only ${Math.floor(100 * faintest)} % opaque; your limit is ${Math.round(100 * limits.textOpacity)} %.`,
      fix: fits
        ? {
            label: rises ? 'Be done before it is read' : 'Begin after it was read',
            motions: [{ ...motion, range }],
          }
        : null,
    };
  },
};
