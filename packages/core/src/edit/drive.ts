/** Changing what drives a motion: keyframes stay, times and ranges are converted, and what was lost is said. */
import {
  asPassage,
  isEndless,
  isTimed,
  isTriggered,
  knowsPoint,
  refersTo,
  wholeRange,
} from '../drivers/index.ts';
import type { Driver } from '../drivers/index.ts';
import type { Gate, Motion, MotionDocument } from '../motion/index.ts';
import type { RangePoint } from '../timeline/index.ts';
import type { Edited, NewId } from './operation.ts';
import { unchained } from './remove.ts';

/** px of scroll that stand for a second where a range becomes a time: a brisk hand. */
const PACE = 1500;

/** A gate where a motion has begun until now. */
export function gateFrom(motion: Motion, target: string, newId: NewId): Gate {
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

/** `wanted` may be a driver, or the word for a new gate. `length`: px of the present range. */
export function withDriver(
  d: MotionDocument,
  id: string,
  wanted: Driver | 'new gate',
  given: { target: string; length: number; newId: NewId },
): Edited {
  const motion = d.motions.find((m) => m.id === id)!;
  const gate = wanted === 'new gate' ? gateFrom(motion, given.target, given.newId) : null;
  const driver: Driver = gate ? { kind: 'gate', gate: gate.id } : (wanted as Driver);
  const put = (change: Partial<Motion>): MotionDocument => ({
    ...d,
    motions: d.motions.map((m) => (m.id === id ? { ...m, ...change, driver } : unchained(m, new Set([id])))),
    gates: withoutEmpty([...d.gates, ...(gate ? [gate] : [])], d.motions, id, driver),
  });
  const was = isTimed(motion.driver);
  if (isTimed(driver)) {
    const time = motion.time ?? { delay: '0ms', duration: `${timeFor(given.length)}ms` };
    const { delay, duration } = time;
    const document = put({ time: { delay, duration }, follow: { kind: 'none' } });
    if (was) return { document };
    const dropped =
      motion.follow.kind === 'none' ? '' : '; following was dropped, since time follows nothing';
    return {
      document,
      message: `It now plays in time, ${duration.replace('ms', ' ms')}. Its range is kept for when it is scrubbed again${dropped}.`,
    };
  }
  if (isEndless(driver))
    return {
      document: put({}),
      message:
        'The whole strip runs now. Its keyframes and its range are kept for when it has another driver.',
    };
  const knows = ({ start, end }: { start?: RangePoint | undefined; end?: RangePoint | undefined }) =>
    [start, end].every((p) => p === undefined || knowsPoint(driver, p));
  if (!knows(motion.range))
    return {
      // Ranges that are meant for one condition only were measured by the old driver too.
      document: put({ range: wholeRange(driver), ...conditionsWith(motion, () => false) }),
      message: 'Keyframes are kept; the range begins anew, since the two drivers measure differently.',
    };
  const document = put(conditionsWith(motion, knows));
  return was
    ? { document, message: 'The scroll scrubs it again. Its time is kept for when it plays in time.' }
    : { document };
}

/** ms for a motion that took so many px of scroll. */
const timeFor = (length: number): number =>
  Math.round(Math.min(2000, Math.max(200, (length / PACE) * 1000)) / 10) * 10;

type Condition = NonNullable<Motion['conditions']>[number];

/** The conditions of a motion, with their ranges where these pass. */
function conditionsWith(
  { conditions }: Motion,
  passes: (range: NonNullable<Condition['range']>) => boolean,
): Pick<Motion, 'conditions'> {
  if (!conditions) return {};
  return {
    conditions: conditions.map((c) => {
      if (!c.range || passes(c.range)) return c;
      const { range: _, ...rest } = c;
      return rest;
    }),
  };
}

/** Gates that nothing hangs on any more go with the last part that left them. */
function withoutEmpty(gates: Gate[], motions: readonly Motion[], id: string, driver: Driver): Gate[] {
  const left = motions.find((m) => m.id === id)!.driver;
  if (!isTriggered(left) || refersTo(driver, left.gate)) return gates;
  const used = motions.some((m) => m.id !== id && refersTo(m.driver, left.gate));
  return used ? gates : gates.filter((g) => g.id !== left.gate);
}
