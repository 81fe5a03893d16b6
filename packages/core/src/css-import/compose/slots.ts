/** Animation lists of one element under several conditions, brought together as motions that differ under some of them. */
import { itemAt } from '../../assert/index.ts';
import type { Motion } from '../../motion/index.ts';
import type { AnimationDraft, DraftOf } from '../animations/draft.ts';

/** A media condition of the page: all of its queries have to hold. */
export interface PageMedia {
  key: string;
  queries: readonly string[];
}

export type Override = Pick<
  NonNullable<Motion['conditions']>[number],
  'on' | 'range' | 'stagger' | 'keyframes'
>;

export interface AnimationSlot {
  of: DraftOf;
  on: boolean;
  overrides: Map<string, Override>;
  reducedMotion: Motion['reducedMotion'];
}

/** What differs under a condition, with both ends of its range where one of them differs. */
export const wholeOverride = ({ of }: AnimationSlot, o: Override): Override =>
  o.range ? { ...o, range: { ...of.draft.range, ...o.range } as AnimationDraft['range'] } : o;

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/** What may differ between forms of one motion is its range and its values; everything else makes it another one. */
function isSameMotion(a: DraftOf, b: DraftOf): boolean {
  const form = ({ draft: d }: DraftOf) => [
    d.driver,
    d.time,
    d.repeat,
    d.fill,
    d.composite,
    Object.keys(d.keyframes),
  ];
  return a.owner === b.owner && same(form(a), form(b));
}

const isKin = (name: string, base: string) => name === base || name.startsWith(`${base}-`);

/** For each entry of a list the slot whose form it is, or null for a motion of its own. Every slot is used once. */
function aligned(list: readonly DraftOf[], slots: readonly AnimationSlot[]): (AnimationSlot | null)[] {
  const free = new Set(slots);
  const timeline = (test: (s: AnimationSlot, i: number) => boolean): AnimationSlot | null => {
    const found = slots.find((s, i) => free.has(s) && test(s, i));
    if (found) free.delete(found);
    return found ?? null;
  };
  const out: (AnimationSlot | null)[] = list.map((one) =>
    timeline((s) => s.of.draft.name === one.draft.name && isSameMotion(s.of, one)),
  );
  return list.map(
    (one, i) =>
      out[i] ??
      timeline((s) => isKin(one.draft.name, s.of.draft.name) && isSameMotion(s.of, one)) ??
      (list.length === slots.length ? timeline((s, k) => k === i && isSameMotion(s.of, one)) : null),
  );
}

const seen = (slot: AnimationSlot, below: readonly string[]): { on: boolean; draft: AnimationDraft } => {
  let { on } = slot;
  let { draft } = slot.of;
  for (const key of below) {
    const o = slot.overrides.get(key);
    if (!o) continue;
    on = o.on ?? on;
    draft = {
      ...draft,
      range: { ...draft.range, ...o.range } as AnimationDraft['range'],
      keyframes: { ...draft.keyframes, ...o.keyframes },
    };
  }
  return { on, draft };
};

function difference(
  from: { on: boolean; draft: AnimationDraft },
  to: AnimationDraft | null,
): Override | null {
  if (to === null) return from.on ? { on: false } : null;
  const out: Override = {};
  if (!from.on) out.on = true;
  const range: Partial<AnimationDraft['range']> = {};
  for (const side of ['start', 'end'] as const)
    if (!same(from.draft.range[side], to.range[side])) range[side] = to.range[side];
  if (Object.keys(range).length) out.range = range;
  const keyframes = Object.fromEntries(
    Object.entries(to.keyframes).filter(([property, list]) => !same(list, from.draft.keyframes[property])),
  );
  if (Object.keys(keyframes).length) out.keyframes = keyframes;
  return Object.keys(out).length ? out : null;
}

/**
 * `lists`: what the element plays under each media condition, its queries and those it implies holding; `below` are the conditions that hold
 * whenever this one does. Null where an order of motions differs, which a document cannot say.
 */
export function listSlots(
  base: readonly DraftOf[],
  lists: readonly { media: PageMedia; below: readonly string[]; list: readonly DraftOf[] }[],
): AnimationSlot[] | null {
  const slots: AnimationSlot[] = base.map((of) => ({
    of,
    on: true,
    overrides: new Map(),
    reducedMotion: 'drop',
  }));
  for (const { media, below, list } of lists) {
    const found = aligned(list, slots);
    const known = found.filter((s) => s !== null);
    if (known.some((s, i) => i > 0 && slots.indexOf(s) < slots.indexOf(itemAt(known, i - 1)))) return null;
    for (const slot of slots) {
      const i = found.indexOf(slot);
      const change = difference(seen(slot, below), i < 0 ? null : itemAt(list, i).draft);
      if (change) slot.overrides.set(media.key, change);
    }
    // A motion of its own comes where it stands in this list: after what comes before it.
    let before = -1;
    for (const [i, of] of list.entries()) {
      const known = found[i];
      if (known) before = slots.indexOf(known);
      else
        slots.splice(++before, 0, {
          of,
          on: false,
          overrides: new Map([[media.key, { on: true }]]),
          reducedMotion: 'drop',
        });
    }
  }
  return slots;
}

/** Whether slots say, where these conditions hold together, just what the element plays there. `keys` in the order of the document. */
export function agrees(
  slots: readonly AnimationSlot[],
  keys: readonly string[],
  list: readonly DraftOf[],
): boolean {
  const found = aligned(list, slots);
  return (
    found.every((slot) => slot !== null) &&
    slots.every((slot) => {
      const i = found.indexOf(slot);
      return difference(seen(slot, keys), i < 0 ? null : itemAt(list, i).draft) === null;
    })
  );
}

/** Where some conditions hold: their keys, in the order of the document, and what the element plays for readers who ask for reduced motion. */
export interface StillList {
  keys: readonly string[];
  list: readonly DraftOf[];
}

/**
 * Says of each motion what is left of it for readers who ask for reduced motion. False where it is not the same everywhere, or where
 * something else is played then: only the page’s own CSS can say that.
 */
export function readReducedMotion(
  slots: readonly AnimationSlot[],
  everywhere: readonly StillList[],
): boolean {
  const said = new Map<AnimationSlot, Motion['reducedMotion']>();
  for (const { keys, list } of everywhere) {
    const left = [...list];
    for (const slot of slots) {
      const { on, draft } = seen(slot, keys);
      if (!on) continue;
      const find = (wanted: AnimationDraft) =>
        left.findIndex(
          (s) =>
            isSameMotion(s, { ...slot.of, draft: wanted }) &&
            difference({ on: true, draft: wanted }, s.draft) === null,
        );
      const exact = find(draft);
      const fade = draft.keyframes.opacity
        ? find({ ...draft, keyframes: { opacity: draft.keyframes.opacity } })
        : -1;
      const at = exact >= 0 ? exact : fade;
      const here = at < 0 ? 'drop' : exact >= 0 ? 'keep' : 'fade';
      if ((said.get(slot) ?? here) !== here) return false;
      said.set(slot, here);
      if (at >= 0) left.splice(at, 1);
    }
    if (left.length > 0) return false;
  }
  for (const [slot, here] of said) slot.reducedMotion = here;
  return true;
}
