/**
 * Media conditions of a document. Ranges, values and on/off of a motion, on/off and distance of a pin may differ where one holds. Of
 * several that hold, the later one in the document’s list has the last word, as in CSS.
 */
import { present } from '../assert/index.ts';
import * as z from 'zod';
import { mediaMatches, parseMedia } from '../page/index.ts';
import type { MediaFacts } from '../page/index.ts';
import type { Motion, MotionDocument } from './document.ts';
import { id, name } from './parts.ts';
import type { Pin } from './pin.ts';
import { withTies } from './tie.ts';

export const MediaSchema = z.strictObject({
  id,
  name,
  query: z
    .string()
    .max(400)
    .superRefine((query, ctx) => {
      const parsed = parseMedia(query);
      if (!parsed.ok) ctx.addIssue({ code: 'custom', message: parsed.error });
    }),
});
export type Media = z.infer<typeof MediaSchema>;

type Conditioned = Pick<MotionDocument, 'media'>;

/** Ids of the conditions that hold, in the order in which they have their say. */
export const activeMedia = (d: Conditioned, facts: MediaFacts): string[] =>
  d.media.filter((m) => mediaMatches(m.query, facts)).map((m) => m.id);

const memory = new WeakMap<object, Map<string, object>>();

/** The same object for the same motion and conditions, so that what was computed from it stays known. */
function remembered<T extends { conditions?: readonly { media: string }[] | undefined }>(
  one: T,
  active: readonly string[],
  make: (one: T) => T,
): T {
  const own = active.filter((id) => one.conditions?.some((c) => c.media === id));
  if (own.length === 0) return one;
  const known = memory.get(one) ?? present(memory.set(one, new Map()).get(one));
  const key = own.join(' ');
  const made = (known.get(key) as T | undefined) ?? make(one);
  known.set(key, made);
  return made;
}

const inOrder = <C extends { media: string }>(
  list: readonly C[] | undefined,
  active: readonly string[],
): C[] => active.flatMap((id) => list?.filter((c) => c.media === id) ?? []);

/** One motion while these conditions hold. */
export function motionUnder(motion: Motion, active: readonly string[]): Motion {
  const out: Motion = { ...motion };
  for (const c of inOrder(motion.conditions, active)) {
    if (c.on !== undefined) out.on = c.on;
    if (c.stagger) out.stagger = c.stagger;
    else if (c.stagger === null) delete out.stagger;
    if (c.keyframes) out.keyframes = { ...out.keyframes, ...c.keyframes };
    for (const side of ['start', 'end'] as const) {
      const point = c.range?.[side];
      if (point === undefined) continue;
      out.range = { ...out.range, [side]: point };
      // What is said for this condition no longer hangs on anything.
      if (out.ties?.[side]) out.ties = { ...out.ties, [side]: undefined };
    }
  }
  if (out.ties && !out.ties.start && !out.ties.end) delete out.ties;
  return out;
}

function pinUnder(pin: Pin, active: readonly string[]): Pin {
  const out: Pin = { ...pin };
  for (const c of inOrder(pin.conditions, active)) {
    if (c.on !== undefined) out.on = c.on;
    if (c.distance) out.distance = c.distance;
  }
  return out;
}

const views = new WeakMap<MotionDocument, Map<string, MotionDocument>>();

/** The document as it is while these conditions hold; the same object where they change nothing. */
export function underMedia(d: MotionDocument, active: readonly string[]): MotionDocument {
  if (active.length === 0) return d;
  const known = views.get(d) ?? present(views.set(d, new Map()).get(d));
  const key = active.join(' ');
  const made = known.get(key) ?? make(d, active);
  known.set(key, made);
  return made;
}

function make(d: MotionDocument, active: readonly string[]): MotionDocument {
  const motions = d.motions.map((m) => remembered(m, active, (one) => motionUnder(one, active)));
  const pins = d.pins.map((p) => remembered(p, active, (one) => pinUnder(one, active)));
  const same = motions.every((m, i) => m === d.motions[i]) && pins.every((p, i) => p === d.pins[i]);
  return same ? d : withTies({ ...d, motions, pins });
}

type Override = NonNullable<Motion['conditions']>[number];
const alike = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/** The condition that a part of a motion is written for: the topmost active one that has it, else the one that is being edited. */
function findOwner(
  conditions: readonly { media: string }[] | undefined,
  active: readonly string[],
  scope: string | null,
  has: (c: never) => boolean,
): string | null {
  if (scope !== null) return scope;
  return inOrder(conditions, active).findLast((c) => has(c as never))?.media ?? null;
}

const put = <C extends { media: string }>(
  list: readonly C[] | undefined,
  media: string,
  change: (c: C) => C,
): C[] => {
  const known = list?.find((c) => c.media === media) ?? ({ media } as C);
  const rest = list?.filter((c) => c.media !== media) ?? [];
  return [...rest, change(known)];
};

function withStagger({ stagger: _, ...rest }: Motion, stagger: Motion['stagger']): Motion {
  return stagger ? { ...rest, stagger } : rest;
}

function foldMotion(
  base: Motion,
  view: Motion,
  next: Motion,
  active: readonly string[],
  scope: string | null,
): Motion {
  let out: Motion = {
    ...withStagger(next, base.stagger),
    on: base.on,
    range: base.range,
    keyframes: base.keyframes,
  };
  if (base.ties && !next.ties && !view.ties) out.ties = base.ties;
  const write = (media: string, change: (c: Override) => Override) => {
    out = { ...out, conditions: put(out.conditions, media, change) };
  };
  if (next.on !== view.on) {
    const at = findOwner(base.conditions, active, scope, (c: Override) => c.on !== undefined);
    if (at === null) out.on = next.on;
    else write(at, (c) => ({ ...c, on: next.on }));
  }
  if (!alike(next.stagger, view.stagger)) {
    const at = findOwner(base.conditions, active, scope, (c: Override) => c.stagger !== undefined);
    if (at === null) out = withStagger(out, next.stagger);
    else write(at, (c) => ({ ...c, stagger: next.stagger ?? null }));
  }
  for (const side of ['start', 'end'] as const) {
    const point = next.range[side];
    if (alike(point, view.range[side])) continue;
    const at = findOwner(base.conditions, active, scope, (c: Override) => c.range?.[side] !== undefined);
    if (at === null) out.range = { ...out.range, [side]: point };
    else write(at, (c) => ({ ...c, range: { ...c.range, [side]: point } }));
  }
  for (const property of new Set([...Object.keys(view.keyframes), ...Object.keys(next.keyframes)])) {
    const list = next.keyframes[property];
    if (alike(list, view.keyframes[property])) continue;
    const at = findOwner(
      base.conditions,
      active,
      scope,
      (c: Override) => c.keyframes?.[property] !== undefined,
    );
    // A property is there under every condition or under none: only its values differ.
    if (!list) {
      const { [property]: _, ...rest } = out.keyframes;
      out = {
        ...out,
        keyframes: rest,
        ...(out.conditions ? { conditions: out.conditions.map((c) => withoutProperty(c, property)) } : {}),
      };
    } else if (at === null || !(property in base.keyframes))
      out.keyframes = { ...out.keyframes, [property]: list };
    else write(at, (c) => ({ ...c, keyframes: { ...c.keyframes, [property]: list } }));
  }
  return out;
}

function withoutProperty(c: Override, property: string): Override {
  if (!c.keyframes || !(property in c.keyframes)) return c;
  const { [property]: _, ...rest } = c.keyframes;
  const { keyframes: __, ...others } = c;
  return Object.keys(rest).length ? { ...others, keyframes: rest } : others;
}

function foldPin(base: Pin, view: Pin, next: Pin, active: readonly string[], scope: string | null): Pin {
  let out: Pin = { ...next, on: base.on, distance: base.distance };
  for (const part of ['on', 'distance'] as const) {
    if (alike(next[part], view[part])) continue;
    const at = findOwner(
      base.conditions,
      active,
      scope,
      (c: NonNullable<Pin['conditions']>[number]) => c[part] !== undefined,
    );
    out =
      at === null
        ? { ...out, [part]: next[part] }
        : { ...out, conditions: put(out.conditions, at, (c) => ({ ...c, [part]: next[part] })) };
  }
  return out;
}

/**
 * A change made to the document as it is seen under some conditions, taken back into the document itself. What differs is written where the
 * seen value comes from, or for the condition `scope`; everything that cannot differ is written for all.
 */
export function editedUnder(
  d: MotionDocument,
  active: readonly string[],
  scope: string | null,
  change: (seen: MotionDocument) => MotionDocument,
): MotionDocument {
  const view = underMedia(d, active);
  const next = change(view);
  if (view === d && scope === null) return next;
  if (next === view) return d;
  const base = new Map([...d.motions, ...d.pins].map((x) => [x.id, x]));
  const seen = new Map([...view.motions, ...view.pins].map((x) => [x.id, x]));
  const fold = <T extends Motion | Pin>(
    one: T,
    how: (base: T, view: T, next: T, active: readonly string[], scope: string | null) => T,
  ): T => {
    const [was, looked] = [base.get(one.id) as T | undefined, seen.get(one.id) as T | undefined];
    if (!was || !looked) return one;
    return looked === one ? was : how(was, looked, one, active, scope);
  };
  return {
    ...next,
    motions: next.motions.map((m) => fold(m, foldMotion)),
    pins: next.pins.map((p) => fold(p, foldPin)),
  };
}

/** What of a motion or a pin is written for a condition, in words for people. */
export const overridden = (c: Override | NonNullable<Pin['conditions']>[number]): string[] => [
  ...(c.on === undefined ? [] : [c.on ? 'on' : 'off']),
  ...('range' in c && c.range?.start !== undefined ? ['start'] : []),
  ...('range' in c && c.range?.end !== undefined ? ['end'] : []),
  ...('stagger' in c && c.stagger !== undefined ? ['stagger'] : []),
  ...('distance' in c && c.distance ? ['distance'] : []),
  ...('keyframes' in c && c.keyframes ? Object.keys(c.keyframes) : []),
];

/** Ids that conditions refer to and the document lacks, by path. */
export function mediaProblems(
  d: Pick<MotionDocument, 'motions' | 'pins' | 'media'>,
): [path: (string | number)[], message: string][] {
  const known = new Set(d.media.map((m) => m.id));
  return (['motions', 'pins'] as const).flatMap((list) =>
    d[list].flatMap((one, i) =>
      (one.conditions ?? []).flatMap((c, k): [(string | number)[], string][] => {
        const path = [list, i, 'conditions', k, 'media'];
        if (!known.has(c.media)) return [[path, `no media condition has the id ${c.media}`]];
        return present(one.conditions).findIndex((x) => x.media === c.media) < k
          ? [[path, 'this condition is given twice']]
          : [];
      }),
    ),
  );
}
