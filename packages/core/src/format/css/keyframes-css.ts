/** `@keyframes` of a motion. CSS keeps one easing per stop, so properties whose easings differ at a stop get blocks of their own. */
import { itemAt } from '../../assert/index.ts';
import type { Motion } from '../../motion/index.ts';
import { keyframeOffset, withWholeEasing } from '../../value/index.ts';
import type { Keyframe } from '../../value/index.ts';
import { portable } from './portable.ts';
import { computeDistance, withDistance } from './tuned.ts';
import type { Tuned } from './tuned.ts';

interface Stop {
  easing: string;
  /** property and value; empty for an end that was left out: the browser adds it with the element's own value, and it too has an easing */
  declarations: [string, string][];
  /** some property leaves it out */
  open: boolean;
}

/** One keyframe as it is written. */
export interface Frame {
  /** `from`, `to` or `45%` */
  place: string;
  declarations: readonly (readonly [property: string, value: string])[];
  /** where it is not the element’s */
  easing: string | null;
}

export interface KeyframesBlock {
  name: string;
  frames: readonly Frame[];
  /** the same as text; blocks of the same text can share a name */
  text: string;
  css: string;
  /** the element’s, for every keyframe that does not say another; it also leads from a beginning that only the browser knows */
  easing: string;
  tuned: Tuned[];
}

/** The block under a name. */
export const named = (block: KeyframesBlock, name: string): KeyframesBlock =>
  block.name === name ? block : { ...block, name, css: `@keyframes ${name} {\n${block.text}\n}` };

/** Keyframes that declare the same are one rule. */
export function framesText(frames: readonly Frame[]): string {
  const byText = new Map<string, string[]>();
  for (const { place, declarations, easing } of frames) {
    const lines = declarations.map(([property, value]) => `${property}: ${value};`);
    const text = [...lines, ...(easing === null ? [] : [`animation-timing-function: ${easing};`])].join(' ');
    byText.set(text, [...(byText.get(text) ?? []), place]);
  }
  return [...byText].map(([text, places]) => `  ${places.join(', ')} { ${text} }`).join('\n');
}

/** Blocks named `name`, `name_2` …, which no motion is called; `only` leaves out every other property. */
export function keyframesCss(
  motion: Motion,
  name: string,
  only?: (property: string) => boolean,
): KeyframesBlock[] {
  const groups: Map<string, Stop>[] = [];
  const tuned: Tuned[] = [];
  for (const [property, list] of Object.entries(motion.keyframes)) {
    if (only && !only(property)) continue;
    const distance = motion.tunable ? computeDistance(property, list) : null;
    if (distance !== null) tuned.push([`--${name}-distance`, distance]);
    const text = (value: string) =>
      distance === null ? portable(property, value) : withDistance(value, distance, `--${name}-distance`);
    const keyframes = withWholeEasing(list, motion.easing);
    const group =
      groups.find((g) => agrees(g, withStart(keyframes))) ?? itemAt(groups, groups.push(new Map()) - 1);
    for (const stop of withStart(keyframes)) {
      const known = group.get(stop.at) ?? { easing: toEasing(stop), declarations: [], open: false };
      if (!stop.value) known.open = true;
      else known.declarations.push([property, text(stop.value)]);
      group.set(stop.at, known);
    }
  }
  return groups.map((keyframes, i) => {
    const stops = [...keyframes].sort(byPlace);
    const easing = mainEasing(stops);
    const frames = makeFrames(stops, easing);
    const block = {
      name: '',
      css: '',
      easing,
      tuned: i === 0 ? tuned : [],
      frames,
      text: framesText(frames),
    };
    return named(block, i === 0 ? name : `${name}_${i + 1}`);
  });
}

/** Of the beginning that was left out, which has no other place; else the one that most keyframes have, and of those the first. */
function mainEasing(stops: readonly [string, Stop][]): string {
  const leading = stops.filter(([at]) => keyframeOffset(at) !== 1).map(([, s]) => s);
  const first = stops.find(([at]) => keyframeOffset(at) === 0)?.[1];
  if (leading.length === 0 || first?.open) return first?.easing ?? 'linear';
  const count = (easing: string) => leading.filter((s) => s.easing === easing).length;
  return leading.reduce(
    (best, s) => (count(s.easing) > count(best) ? s.easing : best),
    itemAt(leading, 0).easing,
  );
}

/** `from` and `to` where there is nothing between. */
function makeFrames(stops: readonly [string, Stop][], whole: string): Frame[] {
  const written = stops.filter(([, s]) => s.declarations.length > 0);
  const isPlain = written.every(([at]) => [0, 1].includes(keyframeOffset(at)) && !/[a-z]/.test(at));
  return written.map(([at, { declarations, easing }]) => ({
    place: isPlain ? (keyframeOffset(at) === 0 ? 'from' : 'to') : at,
    declarations,
    easing: easing === whole || keyframeOffset(at) === 1 ? null : easing,
  }));
}

const withStart = (keyframes: readonly Keyframe[]): Keyframe[] =>
  keyframes.some((s) => keyframeOffset(s.at) === 0)
    ? [...keyframes]
    : [{ at: '0%', value: '' }, ...keyframes];
const toEasing = (k: Keyframe) => k.easing ?? 'linear';
const byPlace = ([a]: [string, Stop], [b]: [string, Stop]) => keyframeOffset(a) - keyframeOffset(b);

/** The last stop's easing leads nowhere and never disagrees. */
function agrees(group: Map<string, Stop>, keyframes: readonly Keyframe[]): boolean {
  const places = new Set(keyframes.map((s) => s.at));
  if (places.size !== keyframes.length) return group.size === 0;
  return keyframes.every((s) => {
    const known = group.get(s.at);
    if (!known || keyframeOffset(s.at) === 1) return true;
    // A beginning that is left out has the element’s easing, which is then the one of the first keyframe too.
    return known.easing === toEasing(s);
  });
}
