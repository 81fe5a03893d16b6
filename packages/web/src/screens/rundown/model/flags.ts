/** Gates as they stand in the lanes. */
import { gateLines, refersTo } from '@lyvek/core';
import type { Gate, HeldLayout, Motion, MotionDocument } from '@lyvek/core';

/** A gate in the lanes: its lines and its parts. */
export interface Flag {
  gate: Gate;
  down: number;
  up: number;
  parts: Motion[];
}

export function flagsOf(
  d: MotionDocument,
  layout: HeldLayout,
): { flags: Flag[]; lost: { gate: Gate; reason: string }[] } {
  const flags: Flag[] = [];
  const lost: { gate: Gate; reason: string }[] = [];
  for (const gate of d.gates) {
    const at = gateLines(gate, layout);
    if ('reason' in at) lost.push({ gate, reason: at.reason });
    else
      flags.push({
        gate,
        down: at.down,
        up: at.up,
        parts: d.motions.filter((m) => refersTo(m.driver, gate.id)),
      });
  }
  return { flags: flags.sort((a, b) => a.down - b.down), lost };
}
