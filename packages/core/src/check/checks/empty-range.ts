import { itemAt } from '../../assert/index.ts';
import { isRangeless } from '../../drivers/index.ts';
import type { Instance, CompiledTimeline } from '../../motion/index.ts';
import { newPose, poseAt, makePoser } from '../../trial/index.ts';
import { maxScrollFor, pxText } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';
import { findRangePoint } from '../find-range-point.ts';

/** A range that had no length is given this much, px. */
const LENGTH = 240;

export const emptyRange: CheckDefinition = {
  id: 'empty-range',
  name: 'Empty or reversed range',
  group: 'reach',
  covers: ['unseen-where-read', 'too-few-frames'],
  why: 'It has no stretch of scroll to happen in, so it jumps from its first state to its last.',
  checkMotion(instance, { timeline, document }) {
    const { motion, placed } = instance;
    const { start, end } = placed;
    if (isRangeless(motion.driver) || end > start || changesNothing(instance, timeline)) return null;
    const { start: from, end: to } = motion.range;
    const max = maxScrollFor(instance, timeline);
    const { width, height } = timeline.layout.viewport;
    const low = Math.max(0, Math.min(start - LENGTH / 2, max - LENGTH));
    const swapped = end < start;
    return {
      severity: 'error',
      at: Math.min(max, Math.max(0, start)),
      brief: swapped ? 'runs backwards' : 'has no length',
      sentence: swapped
        ? `At ${width} × ${height} its end lies ${pxText(start - end)} before its start, so it jumps there.`
        : `At ${width} × ${height} it starts and ends at the same place, so it jumps there.`,
      fix:
        document.motions.some((m) => m.id === motion.id) && max > LENGTH
          ? {
              label: swapped ? 'Swap start and end' : `Give it ${LENGTH} px`,
              motions: [
                {
                  ...motion,
                  range: swapped
                    ? {
                        start: findRangePoint(Math.max(0, end), from, instance, max, 'start'),
                        end: findRangePoint(Math.min(max, start), to, instance, max, 'end'),
                      }
                    : {
                        start: findRangePoint(low, from, instance, max, 'start'),
                        end: findRangePoint(low + LENGTH, to, instance, max, 'end'),
                      },
                },
              ],
            }
          : null,
    };
  },
};

const POSED = new Set(['translate', 'rotate', 'scale', 'transform', 'opacity']);

/** A strip that fits into its window travels nowhere: where nothing changes, nothing jumps. */
function changesNothing(instance: Instance, timeline: CompiledTimeline): boolean {
  if (!Object.keys(instance.motion.keyframes).every((p) => POSED.has(p))) return false;
  const poser = makePoser(timeline, timeline.instances.indexOf(instance));
  const [before, after] = [newPose(), newPose()];
  poseAt(timeline, poser, instance.placed.start - 1, before);
  poseAt(timeline, poser, instance.placed.start + 1, after);
  return (
    Math.abs(before.opacity - after.opacity) < 0.01 &&
    before.corners.every((c, i) => Math.abs(c - itemAt(after.corners, i)) < 0.5)
  );
}
