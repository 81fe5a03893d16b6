import { itemAt } from '../../assert/index.ts';
import { isRangeless } from '../../drivers/index.ts';
import type { Instance } from '../../motion/index.ts';
import { maxScrollFor, pxText } from '../finding.ts';
import type { CheckContext, CheckDefinition, Found } from '../finding.ts';
import { findRangePoint } from '../find-range-point.ts';

export const twoWriters: CheckDefinition = {
  id: 'two-writers',
  name: 'Two writers of one property',
  group: 'conflict',
  covers: ['unseen-where-read'],
  why: 'Of two motions that set the same property of one element only the later one is seen; the other does nothing.',
  checkMotion(later, context) {
    const { timeline } = context;
    if (later.motion.composite !== 'replace' || isRangeless(later.motion.driver)) return null;
    for (const property of Object.keys(later.motion.keyframes))
      for (const t of timeline.writers.get(later.element)?.get(property) ?? []) {
        const earlier = itemAt(timeline.instances, itemAt(timeline.tracks, t).instance);
        if (earlier === later) break;
        const found = between(earlier, later, property, context);
        if (found) return found;
      }
    return null;
  },
};

function between(a: Instance, b: Instance, property: string, { timeline }: CheckContext): Found | null {
  if (a.motion.id === b.motion.id || isRangeless(a.motion.driver) || !sameScroll(a, b)) return null;
  const max = maxScrollFor(b, timeline);
  const [from, to] = [Math.max(a.placed.start, b.placed.start, 0), Math.min(a.placed.end, b.placed.end, max)];
  const overlap = to - from;
  const holdsBefore = /^(?:both|backwards)$/.test(b.motion.fill) && a.placed.start < b.placed.start - 1;
  const holdsAfter = /^(?:both|forwards)$/.test(b.motion.fill) && a.placed.start >= b.placed.end - 1;
  if (overlap <= 1 && !holdsBefore && !holdsAfter) return null;
  const what = `“${a.motion.name}” sets ${property} too`;
  if (overlap > 1)
    return {
      severity: 'warning',
      at: from,
      brief: `sets ${property} twice`,
      sentence: `${what}, over the same ${pxText(overlap)} of scroll; of the two only this one is seen there.`,
      fix: {
        label: 'Let it begin where the other ends',
        motions: [
          {
            ...b.motion,
            fill: b.motion.fill === 'none' ? 'none' : 'forwards',
            range: handOver(a, b, max),
          },
        ],
      },
    };
  return {
    severity: 'error',
    at: Math.max(0, Math.min(max, a.placed.start)),
    brief: `hides another’s ${property}`,
    sentence: `${what}, and this one fills its own value ${holdsBefore ? 'before' : 'after'} its range, so the other is never seen.`,
    fix: {
      label: 'Fill only after it ends',
      motions: [{ ...b.motion, fill: holdsBefore ? 'forwards' : 'backwards' }],
    },
  };
}

/** The same length of scroll, from the end of the one to as far as the page reaches. */
function handOver(a: Instance, b: Instance, max: number) {
  const start = Math.min(max - 1, a.placed.end);
  const end = Math.min(
    max,
    Math.max(b.placed.end, start + Math.max(120, (b.placed.end - b.placed.start) / 2)),
  );
  return {
    start: findRangePoint(start, b.motion.range.start, b, max, 'start'),
    end: findRangePoint(end, b.motion.range.end, b, max, 'end'),
  };
}

const sameScroll = (a: Instance, b: Instance): boolean =>
  a.placed.scroller === b.placed.scroller && a.placed.axis === b.placed.axis;
