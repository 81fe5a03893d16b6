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
  /** empty for an end that was left out: the browser adds it with the element's own value, and it too has an easing */
  declarations: string[];
}

export interface KeyframesBlock {
  name: string;
  css: string;
  /** leads from a beginning that only the browser knows; stops say so where theirs is another */
  easing: string;
  tuned: Tuned[];
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
    const distance = computeDistance(property, list);
    if (distance !== null) tuned.push([`--${name}-distance`, distance]);
    const text = (value: string) =>
      distance === null ? portable(property, value) : withDistance(value, distance, `--${name}-distance`);
    const keyframes = withWholeEasing(list, motion.easing);
    const group =
      groups.find((g) => agrees(g, withStart(keyframes))) ?? itemAt(groups, groups.push(new Map()) - 1);
    for (const stop of withStart(keyframes)) {
      const known = group.get(stop.at) ?? { easing: toEasing(stop), declarations: [] };
      if (stop.value) known.declarations.push(`${property}: ${text(stop.value)};`);
      group.set(stop.at, known);
    }
  }
  return groups.map((keyframes, i) => {
    const blockName = i === 0 ? name : `${name}_${i + 1}`;
    const first = [...keyframes].find(([at]) => keyframeOffset(at) === 0)?.[1];
    const easing = first && first.declarations.length === 0 ? first.easing : 'linear';
    return {
      name: blockName,
      easing,
      tuned: i === 0 ? tuned : [],
      css: `@keyframes ${blockName} {\n${[...keyframes]
        .filter(([, s]) => s.declarations.length)
        .sort(byPlace)
        .map((stop) => keyframeCss(stop, easing))
        .join('\n')}\n}`,
    };
  });
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
    // A beginning that is left out takes the easing of a first keyframe of others in Chromium, and the animation’s in other browsers.
    const isShared = known.declarations.length > 0 === (s.value !== '');
    return known.easing === toEasing(s) && (isShared || known.easing === 'linear');
  });
}

function keyframeCss([at, stop]: [string, Stop], whole: string): string {
  const easing =
    stop.easing === whole || keyframeOffset(at) === 1 ? [] : [`animation-timing-function: ${stop.easing};`];
  return `  ${at} { ${[...stop.declarations, ...easing].join(' ')} }`;
}
