import { isScrubbed } from '../../drivers/index.ts';
import { maxScrollFor } from '../finding.ts';
import type { Instance } from '../../motion/index.ts';
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
      ...(before && !opensAtBase(instance) && !held('backwards') ? ['before'] : []),
      ...(after && !closesAtBase(instance) && !held('forwards') ? ['after'] : []),
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

/** Keyframes that leave an end out begin or end with the element’s own value: nothing snaps there. */
const lists = (i: Instance) => Object.values(i.motion.keyframes);
const opensAtBase: (i: Instance) => boolean = (i) =>
  lists(i).every((list) => !list.some((k) => k.at === '0%' && k.value !== ''));
const closesAtBase: (i: Instance) => boolean = (i) =>
  lists(i).every((list) => !list.some((k) => k.at === '100%'));
