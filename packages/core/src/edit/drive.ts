/** Changing what drives a motion: keyframes stay, times and ranges are converted, and what was lost is said. */
import { present } from '../assert/index.ts';
import { splitPart } from '../page/index.ts';
import {
  asView,
  isEndless,
  isPointed,
  isTimed,
  isTriggered,
  knowsPoint,
  refersTo,
  wholeRange,
} from '../drivers/index.ts';
import type { Driver } from '../drivers/index.ts';
import type { Trigger, Motion, MotionDocument } from '../motion/index.ts';
import type { RangePoint } from '../timeline/index.ts';
import type { Edited, NewId, Operation } from './operation.ts';
import { unchained } from './remove.ts';

/** px of scroll that stand for a second where a range becomes a time: a brisk hand. */
const PACE = 1500;

/** A trigger where a motion has begun until now. */
export function triggerFrom(motion: Motion, target: string, newId: NewId): Trigger {
  const { driver, range } = motion;
  const view = asView(driver);
  const start = view && range.start !== 'scroll 0%' ? range.start : 'entry 30%';
  return {
    id: newId('g'),
    name: motion.name,
    on: true,
    subject: view && view.subject !== 'self' ? view.subject : splitPart(target)[0],
    down: start,
    up: null,
    ...(view?.insets.some((css) => Number.parseFloat(css) !== 0) ? { insets: view.insets } : {}),
    plays: 'each-time',
    back: 'plays-back',
  };
}

/** `wanted` may be a driver, or the word for a new trigger. `length`: px of the present range. */
export function withDriver(
  d: MotionDocument,
  id: string,
  wanted: Driver | 'new trigger',
  given: { target: string; length: number; newId: NewId },
): Edited {
  const motion = present(d.motions.find((m) => m.id === id));
  const trigger = wanted === 'new trigger' ? triggerFrom(motion, given.target, given.newId) : null;
  const driver: Driver = trigger ? { kind: 'trigger', trigger: trigger.id } : (wanted as Driver);
  const put = (change: Partial<Motion>): MotionDocument => ({
    ...d,
    motions: d.motions.map((m) => (m.id === id ? { ...m, ...change, driver } : unchained(m, new Set([id])))),
    triggers: withoutEmpty([...d.triggers, ...(trigger ? [trigger] : [])], d.motions, id, driver),
  });
  const was = isTimed(motion.driver);
  if (isTimed(driver)) {
    const time = motion.time ?? { delay: '0ms', duration: `${timeFor(given.length)}ms` };
    const { delay, duration } = time;
    const document = put({ time: { delay, duration }, damping: { kind: 'none' } });
    if (was) return { document };
    const dropped =
      motion.damping.kind === 'none'
        ? ''
        : '; its damping was removed, since time has no scroll input to damp';
    return {
      document,
      message: `It is time-based now, ${duration.replace('ms', ' ms')}. Its range is kept in case it is scrubbed again${dropped}.`,
    };
  }
  if (isEndless(driver))
    return {
      document: put({}),
      message:
        'The whole strip runs now. Its keyframes and its range are kept for when it has another driver.',
    };
  if (isPointed(driver))
    return {
      document: put({}),
      message: 'It follows the pointer now. Its range is kept for when the scroll drives it again.',
    };
  const knows = ({ start, end }: { start?: RangePoint | undefined; end?: RangePoint | undefined }) =>
    [start, end].every((p) => p === undefined || knowsPoint(driver, p));
  if (!knows(motion.range))
    return {
      // Ranges that are meant for one condition only were measured by the old driver too.
      document: put({ range: wholeRange(driver), ...conditionsWith(motion, () => false) }),
      message: 'Keyframes are kept; the range is reset, since the two drivers measure differently.',
    };
  const document = put(conditionsWith(motion, knows));
  return was
    ? { document, message: 'It is scrubbed again. Its timing is kept in case it becomes time-based.' }
    : { document };
}

/** Gives a motion another driver; the sentence says what was converted. */
export const setDriver = (
  id: string,
  wanted: Driver | 'new trigger',
  given: { target: string; length: number; newId: NewId },
): Operation => ({
  label: 'change the driver',
  scope: 'whole',
  apply: (d) => withDriver(d, id, wanted, given),
});

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

/** Triggers that nothing hangs on any more go with the last part that left them. */
function withoutEmpty(
  triggers: Trigger[],
  motions: readonly Motion[],
  id: string,
  driver: Driver,
): Trigger[] {
  const left = present(motions.find((m) => m.id === id)).driver;
  if (!isTriggered(left) || refersTo(driver, left.trigger)) return triggers;
  const used = motions.some((m) => m.id !== id && refersTo(m.driver, left.trigger));
  return used ? triggers : triggers.filter((g) => g.id !== left.trigger);
}
