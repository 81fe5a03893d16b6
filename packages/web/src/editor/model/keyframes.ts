/** Keyframes across motions: which are chosen, and moving or deleting them together.  */
import { createStore } from 'zustand/vanilla';
import { isNamedPlace, keyframeOffset, percent } from '@lyvek/core';
import type { Layout, Motion } from '@lyvek/core';
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

/** Shares at which a motion has keyframes between its ends. */
export const listKeyframes = ({ keyframes }: Motion): number[] => {
  const all = Object.values(keyframes).flatMap((list) =>
    list.flatMap((k) => (isNamedPlace(k.at) ? [] : [keyframeOffset(k.at)])),
  );
  return [...new Set(all)].filter((p) => p > 0 && p < 1).sort((a, b) => a - b);
};

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

/** One motion with its chosen keyframes so many px further on. No keyframe passes another. */
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
        list.map((k, i) => {
          if (!moves(k.at, property)) return k;
          const before = list.slice(0, i).findLast((o) => !moves(o.at, property));
          const behind = list.slice(i + 1).find((o) => !moves(o.at, property));
          const low = before ? keyframeOffset(before.at) + APART : 0;
          const high = behind ? keyframeOffset(behind.at) - APART : 1;
          return { ...k, at: percent(Math.min(high, Math.max(low, keyframeOffset(k.at) + by)), 2) };
        }),
      ]),
    ),
  };
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
