import { isScrubbed } from '../../drivers/index.ts';
import { maxScrollFor } from '../finding.ts';
import { itemAt } from '../../assert/index.ts';
import { makePoser, newPose, poseAt } from '../../trial/index.ts';
import type { CompiledTimeline, Instance } from '../../motion/index.ts';
import type { Px } from '../../page/index.ts';
import type { CheckDefinition } from '../finding.ts';

export const missingFill: CheckDefinition = {
  id: 'missing-fill',
  name: 'Missing fill',
  group: 'structure',
  why: 'Outside of its range the element falls back to its own values, which shows as a snap.',
  checkMotion(instance, { timeline }) {
    const { motion, element, placed } = instance;
    if (!isScrubbed(motion.driver)) return null;
    const before = placed.start > 0 && !/^(both|backwards)$/.test(motion.fill);
    const after = placed.end < maxScrollFor(instance, timeline) && !/^(both|forwards)$/.test(motion.fill);
    // One that lets go on purpose hands over to another motion of its element that holds.
    const held = (side: 'backwards' | 'forwards') =>
      timeline.instances.some(
        (o) =>
          o !== instance &&
          o.element === element &&
          (o.motion.fill === 'both' || o.motion.fill === side) &&
          Object.keys(motion.keyframes).every((p) => p in o.motion.keyframes),
      );
    const open = [
      ...(before && !opensAtBase(instance) && !held('backwards') && isSeenAt(instance, timeline, placed.start)
        ? ['before']
        : []),
      ...(after && !closesAtBase(instance) && !held('forwards') && isSeenAt(instance, timeline, placed.end)
        ? ['after']
        : []),
    ];
    if (open.length === 0) return null;
    return {
      severity: 'error',
      at: open[0] === 'before' ? placed.start : placed.end,
      brief: 'does not fill',
      sentence: `It has no fill ${open.join(' and ')} its range, so the element snaps there.`,
      fix: { label: 'Fill both ends', motions: [{ ...motion, fill: 'both' }] },
    };
  },
};

/** Whether it is in the window at an end of its range, as the motion shows it or as it stands by itself. */
function isSeenAt(instance: Instance, timeline: CompiledTimeline, s: Px): boolean {
  const { layout, instances } = timeline;
  const { box, fixed, sticky } = itemAt(layout.elements, instance.element);
  const { scroller, axis } = instance.placed;
  if (scroller !== 0 || axis !== 'block' || fixed || sticky) return true;
  const isWithin = (top: Px, bottom: Px) => bottom > s + 1 && top < s + layout.viewport.height - 1;
  const pose = newPose();
  poseAt(timeline, makePoser(timeline, instances.indexOf(instance)), s, pose);
  const moved = [1, 3, 5, 7].map((i) => box.y + (i > 4 ? box.height : 0) + itemAt(pose.corners, i));
  return isWithin(box.y, box.y + box.height) || isWithin(Math.min(...moved), Math.max(...moved));
}

/** Keyframes that leave an end out begin or end with the element’s own value: nothing snaps there. */
const lists = (i: Instance) => Object.values(i.motion.keyframes);
const opensAtBase: (i: Instance) => boolean = (i) =>
  lists(i).every((list) => !list.some((k) => k.at === '0%' && k.value !== ''));
const closesAtBase: (i: Instance) => boolean = (i) =>
  lists(i).every((list) => !list.some((k) => k.at === '100%'));
