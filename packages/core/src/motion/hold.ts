/**
 * Arrival, rest and departure: a stretch in the middle of a motion where every value holds still. It is nothing but two stops of the same
 * value; here they are found, moved, put in and taken out for all properties at once.
 */
import { itemAt, lastItem } from '../assert/index.ts';
import { isNamedPlace, percent } from '../timeline/index.ts';
import type { Keyframe } from '../value/index.ts';
import type { Motion } from './document.ts';

/** Shares of the range between which it rests. */
export interface Hold {
  from: number;
  to: number;
}

const toShare = (k: Keyframe) => Number.parseFloat(k.at) / 100;
const SAME = 1e-6;

/** Stretches over which one property keeps its value. */
function pauses(list: readonly Keyframe[]): Hold[] {
  return list.slice(1).flatMap((k, i) => {
    const before = itemAt(list, i);
    return before.value === k.value && toShare(k) > toShare(before) + SAME
      ? [{ from: toShare(before), to: toShare(k) }]
      : [];
  });
}

/** The first stretch, inside of its range, over which all of its properties rest; null where there is none. */
export function findHold({ keyframes }: Pick<Motion, 'keyframes'>): Hold | null {
  const lists = Object.values(keyframes);
  const [first, ...others] = lists;
  if (!first || lists.some((l) => l.some((k) => isNamedPlace(k.at)))) return null;
  const same = (a: Hold, b: Hold) => Math.abs(a.from - b.from) < SAME && Math.abs(a.to - b.to) < SAME;
  return (
    pauses(first).find(
      (p) => p.from > SAME && p.to < 1 - SAME && others.every((l) => pauses(l).some((q) => same(p, q))),
    ) ?? null
  );
}

const at = (share: number): string => percent(share, 2);

/** Stops before a rest keep their shares of the way there, those behind it of the way on. */
function moved(list: readonly Keyframe[], was: Hold, is: Hold): Keyframe[] {
  const place = (share: number) =>
    share <= was.from + SAME
      ? (share / was.from) * is.from
      : share >= was.to - SAME
        ? is.to + ((share - was.to) / (1 - was.to)) * (1 - is.to)
        : is.from + ((share - was.from) / (was.to - was.from)) * (is.to - is.from);
  return list.map((k) => ({ ...k, at: at(place(toShare(k))) }));
}

/**
 * Puts a rest into one property: at its only inner stop, if it has just one, else between arriving at its last value and going back the
 * way it came.
 */
function rested(list: readonly Keyframe[], { from, to }: Hold): Keyframe[] {
  const inner = list.filter((k) => toShare(k) > SAME && toShare(k) < 1 - SAME);
  const still = (k: Keyframe): Keyframe[] => [
    { at: at(from), value: k.value },
    { ...k, at: at(to) },
  ];
  if (inner.length === 1) return list.flatMap((k) => (k === inner[0] ? still(k) : [k]));
  const arrival = list.map((k) => ({ ...k, at: at(toShare(k) * from) }));
  const back = list
    .toReversed()
    .slice(1)
    .map((k) => ({ at: at(to + (1 - toShare(k)) * (1 - to)), value: k.value }));
  const last = lastItem(list);
  return [
    ...arrival.slice(0, -1),
    { at: at(from), value: last.value },
    { at: at(to), value: last.value },
    ...back,
  ];
}

/** A motion that rests from here to there; the bounds keep at least a hundredth of the range before, behind and between. */
export function withHold(m: Motion, wanted: Hold): Motion {
  const from = Math.min(0.98, Math.max(0.01, wanted.from));
  const to = Math.min(0.99, Math.max(from + 0.01, wanted.to));
  const was = findHold(m);
  return {
    ...m,
    keyframes: Object.fromEntries(
      Object.entries(m.keyframes).map(([p, list]) => [
        p,
        was ? moved(list, was, { from, to }) : rested(list, { from, to }),
      ]),
    ),
  };
}

/** Without its rest: with one stop in its middle, or, where it went back the way it had come, only arriving. */
export function withoutHold(m: Motion): Motion {
  const was = findHold(m);
  if (!was) return m;
  const middle = was.from / (was.from + 1 - was.to);
  return {
    ...m,
    keyframes: Object.fromEntries(
      Object.entries(m.keyframes).map(([p, list]) => {
        const arrival = list.filter((k) => toShare(k) <= was.from + SAME);
        const departure = list.filter((k) => toShare(k) >= was.to - SAME);
        const back = departure.map((k) => k.value).toReversed();
        const there = arrival.map((k) => k.value);
        if (back.length === there.length && back.every((v, i) => v === there[i]))
          return [p, arrival.map((k) => ({ ...k, at: at(toShare(k) / was.from) }))];
        return [
          p,
          [
            ...arrival.slice(0, -1).map((k) => ({ ...k, at: at((toShare(k) / was.from) * middle) })),
            ...departure.map((k) => ({
              ...k,
              at: at(middle + ((toShare(k) - was.to) / (1 - was.to)) * (1 - middle)),
            })),
          ],
        ];
      }),
    ),
  };
}
