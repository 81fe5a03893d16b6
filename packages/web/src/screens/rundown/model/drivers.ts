/** Changing what drives a motion: keyframes stay, times and ranges are converted, and what was lost is said. */
import {
  asPassage,
  gateLines,
  isEndless,
  isTimed,
  isTriggered,
  knowsPoint,
  refersTo,
  wholeRange,
} from '@lyvek/core';
import type { Driver, Gate, HeldLayout, Motion, MotionDocument } from '@lyvek/core';

/** px of scroll that stand for a second where a range becomes a time: a brisk hand. */
const PACE = 1500;

export interface DriverChange {
  document: MotionDocument;
  /** what people should know, or null when nothing was lost */
  said: string | null;
}

/** A gate where a motion has begun until now. */
export function gateFrom(motion: Motion, target: string, newId: (kind: string) => string): Gate {
  const { driver, range } = motion;
  const passage = asPassage(driver);
  const start = passage && range.start !== 'scroll 0%' ? range.start : 'entry 30%';
  return {
    id: newId('g'),
    name: motion.name,
    on: true,
    subject: passage && passage.subject !== 'self' ? passage.subject : target,
    down: start,
    up: null,
    plays: 'each-time',
    back: 'plays-back',
  };
}

/** What waited for a part that has left counts from the gate again. */
function unchained(m: Motion, gone: string): Motion {
  if (m.time?.after !== gone) return m;
  const { delay, duration } = m.time;
  return { ...m, time: { delay, duration } };
}

/** `wanted` may be a driver, or the word for a new gate. `length`: px of the present range. */
export function withDriver(
  d: MotionDocument,
  id: string,
  wanted: Driver | 'new gate',
  given: { target: string; length: number; newId(kind: string): string },
): DriverChange {
  const motion = d.motions.find((m) => m.id === id)!;
  const gate = wanted === 'new gate' ? gateFrom(motion, given.target, given.newId) : null;
  const driver: Driver = gate ? { kind: 'gate', gate: gate.id } : (wanted as Driver);
  const put = (change: Partial<Motion>): MotionDocument => ({
    ...d,
    motions: d.motions.map((m) => (m.id === id ? { ...m, ...change, driver } : unchained(m, id))),
    gates: withoutEmpty([...d.gates, ...(gate ? [gate] : [])], d.motions, id, driver),
  });
  if (isTimed(driver)) {
    const duration = Math.round(Math.min(2000, Math.max(200, (given.length / PACE) * 1000)) / 10) * 10;
    const time = motion.time ?? { delay: '0ms', duration: `${duration}ms` };
    const { delay, duration: lasts } = time;
    const followed = motion.follow.kind !== 'none';
    return {
      document: put({ time: { delay, duration: lasts }, follow: { kind: 'none' } }),
      said: isTimed(motion.driver)
        ? null
        : `It now plays in time, ${time.duration.replace('ms', ' ms')}. Its range is kept for when it is scrubbed again${
            followed ? '; following was dropped, since time follows nothing' : ''
          }.`,
    };
  }
  if (isEndless(driver))
    return {
      document: put({}),
      said: 'The whole strip runs now. Its keyframes and its range are kept for when it has another driver.',
    };
  const keep = knowsPoint(driver, motion.range.start) && knowsPoint(driver, motion.range.end);
  const range = keep ? motion.range : wholeRange(driver);
  // Ranges that are meant for one condition only were measured by the old driver too.
  const conditions = motion.conditions?.map((c) => {
    const { range: own, ...rest } = c;
    const stays = keep && own && [own.start, own.end].every((p) => p === undefined || knowsPoint(driver, p));
    return stays ? c : rest;
  });
  return {
    document: put({ range, ...(conditions ? { conditions } : {}) }),
    said: keep
      ? isTimed(motion.driver)
        ? 'The scroll scrubs it again. Its time is kept for when it plays in time.'
        : null
      : 'Keyframes are kept; the range begins anew, since the two drivers measure differently.',
  };
}

/** Gates that nothing hangs on any more go with the last part that left them. */
function withoutEmpty(gates: Gate[], motions: readonly Motion[], id: string, driver: Driver): Gate[] {
  const left = motions.find((m) => m.id === id)!.driver;
  if (!isTriggered(left) || refersTo(driver, left.gate)) return gates;
  const used = motions.some((m) => m.id !== id && refersTo(m.driver, left.gate));
  return used ? gates : gates.filter((g) => g.id !== left.gate);
}

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
