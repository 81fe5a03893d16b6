/** Triggers as they stand in the lanes. */
import { triggerLines, refersTo } from '@lyvek/core';
import type { Trigger, PinnedLayout, Motion, MotionDocument } from '@lyvek/core';

/** A trigger in the lanes: its lines and its parts. */
export interface Flag {
  trigger: Trigger;
  /** where its lines are crossed */
  scroller: number;
  axis: 'block';
  down: number;
  up: number;
  /** Infinity where it is not left downwards */
  past: number;
  parts: Motion[];
}

export function placeFlags(
  d: MotionDocument,
  layout: PinnedLayout,
): { flags: Flag[]; lost: { trigger: Trigger; reason: string }[] } {
  const flags: Flag[] = [];
  const lost: { trigger: Trigger; reason: string }[] = [];
  for (const trigger of d.triggers) {
    const at = triggerLines(trigger, layout);
    if ('reason' in at) lost.push({ trigger, reason: at.reason });
    else
      flags.push({
        trigger,
        scroller: at.scroller,
        axis: 'block',
        down: at.down,
        up: at.up,
        past: at.past,
        parts: d.motions.filter((m) => refersTo(m.driver, trigger.id)),
      });
  }
  return { flags: flags.sort((a, b) => a.down - b.down), lost };
}
