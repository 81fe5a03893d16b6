/** `@keyframes` as the document has them: per property, with the easing that leads from each stop. */
import { present } from '../../assert/index.ts';
import { decimal, parseEasing, valueError } from '../../value/index.ts';
import type { Keyframe } from '../../value/index.ts';
import { PHASES } from '../../timeline/index.ts';
import type { ReadKeyframes } from '../cascade/rules.ts';
import { shortened } from '../source/source.ts';

export type Frames = { keyframes: Record<string, Keyframe[]> } | { obstacle: string };

const NAMED = new RegExp(`^(${PHASES.join('|')})\\s+(-?\\d*\\.?\\d+)%$`);

/** A keyframe selector as the document writes it; null for one that browsers drop. */
function findPlace(selector: string): string | null {
  if (selector === 'from') return '0%';
  if (selector === 'to') return '100%';
  const share = /^\+?(\d*\.?\d+)%$/.exec(selector);
  if (share) return Number(share[1]) <= 100 ? `${decimal(Number(share[1]))}%` : null;
  const named = NAMED.exec(selector);
  return named ? `${named[1]} ${decimal(Number(named[2]))}%` : null;
}

const easingText = (css: string) => (css === 'linear' ? undefined : css);

/** What does not hang on an element is read once: of a stagger all elements play the same. */
const known = new WeakMap<ReadKeyframes, Map<string, Frames>>();
const hasVariables = new WeakMap<ReadKeyframes, boolean>();
const isFixed = (frames: ReadKeyframes): boolean => {
  let some = hasVariables.get(frames);
  if (some === undefined) {
    some = frames.keyframes.some((s) => s.declarations.some((d) => /\(/.test(d.value)));
    hasVariables.set(frames, some);
  }
  return !some;
};

/** `timing`: the easing of stops without their own. `put`: fills in custom properties. */
export function readFrames(
  frames: ReadKeyframes,
  timing: string,
  put: (text: string, property: string) => string | null,
): Frames {
  if (!isFixed(frames)) return read(frames, timing, put);
  const byTiming = known.get(frames) ?? present(known.set(frames, new Map()).get(frames));
  const made = byTiming.get(timing) ?? read(frames, timing, put);
  byTiming.set(timing, made);
  return made;
}

function read(
  frames: ReadKeyframes,
  timing: string,
  put: (text: string, property: string) => string | null,
): Frames {
  const keyframes: Record<string, Keyframe[]> = {};
  const places = new Map<string, Map<string, number>>();
  let start = timing;
  for (const { selectors, declarations } of frames.keyframes) {
    const toEasing = declarations.findLast((d) => d.property === 'animation-timing-function');
    const easing = toEasing && parseEasing(toEasing.value).ok ? toEasing.value : timing;
    const added = declarations.find((d) => d.property === 'animation-composition' && d.value !== 'replace');
    if (added) return { obstacle: `a keyframe of ${frames.name} adds where the others replace` };
    for (const selector of selectors) {
      const at = findPlace(selector);
      if (at === null) continue;
      if (at === '0%') start = easing;
      for (const d of declarations) {
        if (d.important || d.property.startsWith('animation-')) continue;
        const value = put(d.value, d.property);
        if (value === null)
          return { obstacle: `“${shortened(d.value, 40)}” in ${frames.name} refers to nothing` };
        const wrong = valueError(d.property, value);
        if (wrong) return { obstacle: `${frames.name}: ${wrong}` };
        const list = (keyframes[d.property] ??= []);
        const seen = places.get(d.property) ?? present(places.set(d.property, new Map()).get(d.property));
        const stop: Keyframe = { at, value, ...(easingText(easing) ? { easing } : {}) };
        const index = seen.get(at) ?? list.length;
        seen.set(at, index);
        list[index] = stop;
      }
    }
  }
  const lists = Object.values(keyframes);
  if (lists.length === 0) return { obstacle: `${frames.name} changes nothing` };
  for (const list of lists) list.sort((a, b) => order(a.at) - order(b.at));
  const last = (k: Keyframe) => k.at === '100%';
  // The easing of a last stop leads nowhere.
  for (const list of lists) for (const stop of list) if (last(stop)) delete stop.easing;
  // Where only some properties have a start, the browser adds the others to that keyframe; without one the animation’s own easing leads on.
  if (start !== 'linear')
    for (const list of lists)
      if (!list.some((k) => k.at === '0%' || /^[a-z]/.test(k.at)))
        list.unshift({ at: '0%', value: '', easing: start });
  return { keyframes };
}

/** Shares first, then what stands at range names, in the order in which they were written. */
const order = (at: string) => (/^[a-z]/.test(at) ? 1000 : Number.parseFloat(at));
