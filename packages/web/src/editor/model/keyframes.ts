/** Keyframes across motions: which are chosen, and moving or deleting them together.  */
import { createStore } from 'zustand/vanilla';
import { isNamedPlace, itemAt, keyframeOffset, lastItem, percent } from '@lyvek/core';
import type { Keyframe as Keyed, Layout, Motion } from '@lyvek/core';
import type { Bar } from './bars.ts';
import { computeCurves, withKeyframeIn } from './curves.ts';

export interface Keyframe {
  motion: string;
  /** share of its range */
  share: number;
  /** of this property only, as chosen in the sheet; of all of them, as chosen in the lanes */
  property?: string;
}

/** What is chosen, and the scroll offset that the pointer is at on the ruler. */
export const keyframeStore = createStore<{ chosen: readonly Keyframe[]; hover: number | null }>(() => ({
  chosen: [],
  hover: null,
}));

const SAME = 5e-4;
const near = (a: number, b: number) => Math.abs(a - b) < SAME;

/** Shares at which a motion has keyframes, its ends included. */
export const listKeyframes = ({ keyframes }: Motion): number[] => {
  const all = Object.values(keyframes).flatMap((list) =>
    list.flatMap((k) => (isNamedPlace(k.at) ? [] : [keyframeOffset(k.at)])),
  );
  return [...new Set(all)].sort((a, b) => a - b);
};
export const isInner = (share: number): boolean => share > 0 && share < 1;

export const isChosen = (
  chosen: readonly Keyframe[],
  motion: string,
  share: number,
  property?: string,
): boolean =>
  chosen.some(
    (b) =>
      b.motion === motion &&
      near(b.share, share) &&
      (property === undefined || b.property === undefined || b.property === property),
  );

/** Chooses one keyframe of one property, as the sheet does; null: none. */
export const chooseKeyframe = (keyframe: Keyframe | null): void =>
  keyframeStore.setState({ chosen: keyframe ? [keyframe] : [] });

/** What is chosen is of what is selected: selecting something else lets go of it. */
export function keepKeyframes(motions: readonly string[]): void {
  const { chosen } = keyframeStore.getState();
  const left = chosen.filter((b) => motions.includes(b.motion));
  if (left.length < chosen.length) keyframeStore.setState({ chosen: left });
}

export const keyframeRow = (bar: Bar, share: number): number =>
  bar.placed.start + (bar.placed.end - bar.placed.start) * share;

/** Keyframes whose places on the scroll lie between two offsets. */
export const keyframesBetween = (bars: readonly Bar[], a: number, b: number): Keyframe[] =>
  bars.flatMap((bar) =>
    listKeyframes(bar.motion).flatMap((share) => {
      const at = keyframeRow(bar, share);
      return at >= Math.min(a, b) - 0.5 && at <= Math.max(a, b) + 0.5
        ? [{ motion: bar.motion.id, share }]
        : [];
    }),
  );

/** Click: this one; ctrl: it too, or no longer; shift: everything between the last one and it. */
export function choose(
  keyframe: Keyframe,
  how: { ctrl: boolean; shift: boolean },
  bars: readonly Bar[],
): void {
  const { chosen } = keyframeStore.getState();
  const known = isChosen(chosen, keyframe.motion, keyframe.share);
  const toOffset = (b: Keyframe) => {
    const bar = bars.find((x) => x.motion.id === b.motion);
    return bar ? keyframeRow(bar, b.share) : null;
  };
  const last = chosen.at(-1);
  const [from, to] = [last && toOffset(last), toOffset(keyframe)];
  const next = how.ctrl
    ? known
      ? chosen.filter((b) => b.motion !== keyframe.motion || !near(b.share, keyframe.share))
      : [...chosen, keyframe]
    : how.shift && typeof from === 'number' && to !== null
      ? [...keyframesBetween(bars, from, to).filter((b) => b !== last), keyframe]
      : [keyframe];
  keyframeStore.setState({ chosen: next });
}

/** How far apart two keyframes of one property stay. */
const APART = 0.005;

/**
 * One keyframe of a property at another share of the range. Where it was the first or the last of the range, its value holds from there
 * to the end that it left.
 */
export function placedKeyframe(list: readonly Keyed[], index: number, share: number): Keyed[] {
  const keyframe = itemAt(list, index);
  const moved = { ...keyframe, at: percent(Math.min(1, Math.max(0, share)), 2) };
  return withHeldEnds(
    list,
    list.map((k, i) => (i === index ? moved : k)),
  );
}

/** Of the keyframes after `placedKeyframe` the one that was moved, not the end that holds its value now; undefined where nothing has changed. */
export function findPlaced(
  before: readonly Keyed[],
  after: readonly Keyed[],
  index: number,
): Keyed | undefined {
  const made = after.filter((k) => !before.includes(k));
  return index === 0 ? made.at(-1) : made[0];
}

/** Ends that were there before are there again, with the value of what is now the first or the last. */
export function withHeldEnds(before: readonly Keyed[], after: readonly Keyed[]): Keyed[] {
  const out = [...after].sort((a, b) => keyframeOffset(a.at) - keyframeOffset(b.at));
  const had = (at: string) => before.some((k) => k.at === at);
  const has = (at: string) => out.some((k) => k.at === at);
  if (had('0%') && !has('0%')) out.unshift({ at: '0%', value: itemAt(out, 0).value });
  if (had('100%') && !has('100%')) out.push({ at: '100%', value: lastItem(out).value });
  return out;
}

/** One motion with its chosen keyframes so many px further on. No keyframe passes another; the end that one leaves keeps its value. */
export function movedKeyframes(bar: Bar, chosen: readonly Keyframe[], px: number): Motion {
  const { motion, placed } = bar;
  const by = px / Math.max(1, placed.end - placed.start);
  const moves = (at: string, property: string) =>
    !isNamedPlace(at) && isChosen(chosen, motion.id, keyframeOffset(at), property);
  return {
    ...motion,
    keyframes: Object.fromEntries(
      Object.entries(motion.keyframes).map(([property, list]) => [
        property,
        withHeldEnds(
          list,
          list.map((k, i) => {
            if (!moves(k.at, property)) return k;
            const before = list.slice(0, i).findLast((o) => !moves(o.at, property));
            const behind = list.slice(i + 1).find((o) => !moves(o.at, property));
            const low = before ? keyframeOffset(before.at) + APART : 0;
            const high = behind ? keyframeOffset(behind.at) - APART : 1;
            return { ...k, at: percent(Math.min(high, Math.max(low, keyframeOffset(k.at) + by)), 2) };
          }),
        ),
      ]),
    ),
  };
}

/** Where a chosen keyframe of a motion lies after the chosen ones were moved. */
export function followShare(before: Motion, after: Motion, { share, property }: Keyframe): number {
  for (const [name, list] of Object.entries(before.keyframes)) {
    const i = list.findIndex((k) => !isNamedPlace(k.at) && near(keyframeOffset(k.at), share));
    if (i < 0 || (property !== undefined && property !== name)) continue;
    const now = after.keyframes[name] ?? [];
    // The start that it left is held by a keyframe of its own.
    const held =
      now.length > list.length && now[1]?.value === list[0]?.value && now[0]?.value === now[1]?.value;
    const there = now[held ? i + 1 : i];
    if (there) return keyframeOffset(there.at);
  }
  return share;
}

/** One motion without its chosen keyframes; a property keeps at least one. */
export const withoutKeyframes = (m: Motion, chosen: readonly Keyframe[]): Motion => ({
  ...m,
  keyframes: Object.fromEntries(
    Object.entries(m.keyframes).map(([property, list]) => {
      const left = list.filter(
        (k) => isNamedPlace(k.at) || !isChosen(chosen, m.id, keyframeOffset(k.at), property),
      );
      return [property, left.length ? left : list];
    }),
  ),
});

/** One motion with a keyframe in each property where the page stands; nothing is seen of it until it is moved. */
export const withKeyframeAt = (bar: Bar, offset: number, layout: Layout): Motion => {
  const share = (offset - bar.placed.start) / (bar.placed.end - bar.placed.start);
  return {
    ...bar.motion,
    keyframes: Object.fromEntries(
      computeCurves(bar.motion, bar.element, layout).map((c) => [c.property, withKeyframeIn(c, share)]),
    ),
  };
};
