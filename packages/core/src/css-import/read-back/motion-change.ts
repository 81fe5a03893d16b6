/** What an edit in the code changes of one motion: its fields as they are read before and after it, one by one. */
import type { Motion, MotionDocument } from '../../motion/index.ts';
import { MotionSchema } from '../../motion/index.ts';
import { asPin, asScroll, asView, isTriggered } from '../../drivers/index.ts';
import type { Part } from '../compose/compose.ts';

export type ReadSlot = Part['slots'][number];

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

type Changed = { motion: Motion } | { reason: string };

const SIDES = ['start', 'end'] as const;

function changeDriver(m: Motion, before: ReadSlot, after: ReadSlot): Changed {
  const [a, b] = [before.of.draft.driver, after.of.draft.driver];
  if (same(a, b) && before.of.owner === after.of.owner) return { motion: m };
  if (before.of.owner !== after.of.owner || a.kind !== b.kind)
    return { reason: 'it moves by another timeline now: choose that in Lyvek' };
  const view = asView(m.driver);
  if (view && 'insets' in b) {
    const driver = { ...view, axis: b.axis, insets: b.insets };
    // Insets and the ends of the range are one thing where those are meetings.
    return { motion: { ...m, driver, range: { ...after.of.draft.range } } };
  }
  const scroll = asScroll(m.driver);
  if (scroll && 'axis' in b) return { motion: { ...m, driver: { ...scroll, axis: b.axis } } };
  return { reason: 'its timeline, or its trigger, is Lyvek’s to write: change it there' };
}

function changeRange(m: Motion, before: ReadSlot, after: ReadSlot): Changed {
  const [a, b] = [before.of.draft.range, after.of.draft.range];
  if (same(a, b)) return { motion: m };
  if (asPin(m.driver)) return { reason: 'its range is counted along a pin: change it in Lyvek' };
  const range = { ...m.range };
  let { ties } = m;
  for (const side of SIDES)
    if (!same(a[side], b[side])) {
      range[side] = b[side];
      // What is said in the code no longer hangs on anything.
      if (ties?.[side]) ties = { ...ties, [side]: undefined };
    }
  const { ties: _, ...rest } = m;
  return { motion: { ...rest, ...(ties?.start || ties?.end ? { ties } : {}), range } };
}

function changeTime(m: Motion, before: ReadSlot, after: ReadSlot): Motion {
  const [a, b] = [before.of.draft.time, after.of.draft.time];
  if (!a || !b || !m.time || same(a, b)) return m;
  const delay = Number.parseFloat(m.time.delay) + b.delay - a.delay;
  return {
    ...m,
    time: {
      ...m.time,
      delay: `${delay}ms`,
      ...(a.duration === b.duration ? {} : { duration: `${b.duration}ms` }),
    },
  };
}

function changeFrames(m: Motion, before: ReadSlot, after: ReadSlot): Motion {
  const [a, b] = [before.of.draft.keyframes, after.of.draft.keyframes];
  if (same(a, b)) return m;
  // An easing over the whole range is laid on the keyframes where they are written.
  if (m.easing !== 'linear') return { ...m, easing: 'linear', keyframes: b };
  const kept = Object.entries(m.keyframes).flatMap(([property, list]) =>
    property in b
      ? [[property, same(a[property], b[property]) ? list : b[property]]]
      : property in a
        ? []
        : [[property, list]],
  );
  const added = Object.entries(b).filter(([property]) => !(property in m.keyframes));
  return { ...m, keyframes: Object.fromEntries([...kept, ...added]) as Motion['keyframes'] };
}

function changeConditions(
  m: Motion,
  before: ReadSlot,
  after: ReadSlot,
  media: MotionDocument['media'],
): Changed {
  let conditions = m.conditions ?? [];
  for (const query of new Set([...before.overrides.keys(), ...after.overrides.keys()])) {
    const [a, b] = [before.overrides.get(query), after.overrides.get(query)];
    if (same(a, b)) continue;
    const id = media.find((q) => q.query === query)?.id;
    if (id === undefined) return { reason: `“${query}” is no media condition of this take: add it in Lyvek` };
    conditions = [...conditions.filter((c) => c.media !== id), ...(b ? [{ media: id, ...b }] : [])];
  }
  const { conditions: _, ...rest } = m;
  return { motion: conditions.length ? { ...rest, conditions } : rest };
}

/** The motion with what is read otherwise after an edit; why not, where a document cannot say it. */
export function changedMotion(
  m: Motion,
  before: ReadSlot,
  after: ReadSlot,
  media: MotionDocument['media'],
): Changed {
  if (Boolean(before.of.draft.time) !== Boolean(after.of.draft.time))
    return { reason: 'it plays in time now, or by the scroll: choose that in Lyvek' };
  const driven = changeDriver(m, before, after);
  if ('reason' in driven) return driven;
  const ranged = same(driven.motion.range, m.range) ? changeRange(driven.motion, before, after) : driven;
  if ('reason' in ranged) return ranged;
  let out = changeFrames(changeTime(ranged.motion, before, after), before, after);
  const [a, b] = [before.of.draft, after.of.draft];
  if (a.fill !== b.fill) out = { ...out, fill: b.fill };
  if (a.composite !== b.composite) out = { ...out, composite: b.composite };
  if (before.reducedMotion !== after.reducedMotion) out = { ...out, reducedMotion: after.reducedMotion };
  if (before.on !== after.on) out = { ...out, on: after.on };
  if (!same(a.repeat, b.repeat)) out = withOptional(out, 'repeat', b.repeat);
  if (!same(before.stagger, after.stagger)) out = withOptional(out, 'stagger', after.stagger);
  const conditioned = changeConditions(out, before, after, media);
  if ('reason' in conditioned) return conditioned;
  if (isTriggered(m.driver) && before.of.owner !== after.of.owner)
    return { reason: 'it has another trigger' };
  const parsed = MotionSchema.safeParse(conditioned.motion);
  return parsed.success
    ? { motion: parsed.data }
    : { reason: parsed.error.issues[0]?.message ?? 'a document cannot say it' };
}

function withOptional<K extends 'repeat' | 'stagger'>(m: Motion, key: K, value: Motion[K]): Motion {
  const { [key]: _, ...rest } = m;
  return (value === undefined ? rest : { ...rest, [key]: value }) as Motion;
}
