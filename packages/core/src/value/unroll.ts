/** Repeats, directions and delays of animations, written out as keyframes (Web Animations 2, §4.6 to 4.8). */
import { itemAt, lastItem } from '../assert/index.ts';
import { keyframeOffset } from './track.ts';
import type { Keyframe } from './track.ts';
import { decimal } from './value-type.ts';

const KEYWORDS: Record<string, [number, number, number, number]> = {
  ease: [0.25, 0.1, 0.25, 1],
  'ease-in': [0.42, 0, 1, 1],
  'ease-out': [0, 0, 0.58, 1],
  'ease-in-out': [0.42, 0, 0.58, 1],
};

/** The same curve backwards: 1 − e(1 − t). Null for one that has no such form. */
export function reversedEasing(css: string): string | null {
  const text = css.trim().toLowerCase();
  if (text === 'linear') return 'linear';
  const inner = /^([a-z-]+)\((.*)\)$/s.exec(text);
  const args = (inner?.[2] ?? '').split(',').map((a) => a.trim());
  const bezier = KEYWORDS[text] ?? (inner?.[1] === 'cubic-bezier' ? args.map(Number) : null);
  if (bezier) {
    const [a, b, c, d] = bezier as [number, number, number, number];
    return `cubic-bezier(${[1 - c, 1 - d, 1 - a, 1 - b].map(decimal).join(', ')})`;
  }
  if (text === 'step-start') return 'steps(1, end)';
  if (text === 'step-end') return 'steps(1, start)';
  if (inner?.[1] === 'steps') {
    const other: Record<string, string> = {
      start: 'end',
      end: 'start',
      'jump-start': 'jump-end',
      'jump-end': 'jump-start',
    };
    const jump = args[1] ?? 'end';
    return `steps(${args[0]}, ${other[jump] ?? jump})`;
  }
  if (inner?.[1] === 'linear') {
    const points = args.map((a) => {
      const words = a.split(/\s+/);
      const value = Number(words.find((w) => !w.endsWith('%')));
      return { value, places: words.filter((w) => w.endsWith('%')).map((w) => Number.parseFloat(w)) };
    });
    return `linear(${points
      .reverse()
      .map((p) => [decimal(1 - p.value), ...p.places.reverse().map((x) => `${decimal(100 - x)}%`)].join(' '))
      .join(', ')})`;
  }
  return null;
}

const sorted = (keyframes: readonly Keyframe[]) =>
  [...keyframes].sort((a, b) => keyframeOffset(a.at) - keyframeOffset(b.at));
const pct = (share: number) => `${decimal(Number((share * 100).toFixed(4)))}%`;

function reversed(keyframes: readonly Keyframe[]): Keyframe[] | null {
  const forward = sorted(keyframes);
  const out: Keyframe[] = [];
  // A beginning that only the browser knows would become the end, and is left out there.
  const known = forward.filter((s) => s.value !== '');
  for (let i = forward.length - 1; i >= forward.length - known.length; i--) {
    // The easing of a stop leads to the next one; backwards it is that of the stop before.
    const easing = i > 0 ? reversedEasing(itemAt(forward, i - 1).easing ?? 'linear') : 'linear';
    if (easing === null) return null;
    const at = pct(1 - keyframeOffset(itemAt(forward, i).at));
    out.push({ at, value: itemAt(forward, i).value, ...(easing === 'linear' ? {} : { easing }) });
  }
  return out;
}

/** Just before a joint at which the value jumps. */
const BEFORE = 1e-6;
const MAX_TURNS = 40;

export type Unrolled = { keyframes: Keyframe[] } | { obstacle: string };

/** Stops of one property for an animation that is repeated or turned. `whole`: it has stops at 0 % and 100 %. */
export function unrolled(keyframes: readonly Keyframe[], count: number, direction: string): Unrolled {
  if (count === 1 && direction === 'normal') return { keyframes: [...keyframes] };
  if (keyframes.some((s) => /^[a-z]/.test(s.at)))
    return { obstacle: 'it repeats or reverses keyframes that are at range names' };
  if (!Number.isInteger(count) || count < 1 || count > MAX_TURNS)
    return { obstacle: `it is repeated ${count} times, which cannot be written out` };
  const back = reversed(keyframes);
  if (!back) return { obstacle: 'its easing cannot be turned round' };
  const turns = (i: number) =>
    direction === 'reverse' ||
    (direction === 'alternate' && i % 2 === 1) ||
    (direction === 'alternate-reverse' && i % 2 === 0);
  if (count === 1) return { keyframes: turns(0) ? back : [...keyframes] };
  const forward = sorted(keyframes);
  if (
    keyframeOffset(itemAt(forward, 0).at) > 0 ||
    itemAt(forward, 0).value === '' ||
    keyframeOffset(lastItem(forward).at) < 1
  )
    return { obstacle: 'it is repeated, and its first or last keyframe is missing' };
  const out: Keyframe[] = [];
  for (let i = 0; i < count; i++) {
    const part = turns(i) ? back : forward;
    part.forEach((stop, k) => {
      const place = (i + keyframeOffset(stop.at)) / count;
      const last = out.at(-1);
      if (k === 0 && last) {
        const { value, easing } = stop;
        if (last.value === value) out.pop();
        else last.at = pct(place - BEFORE);
        out.push({ at: pct(place), value, ...(easing ? { easing } : {}) });
      } else out.push({ ...stop, at: pct(place) });
    });
  }
  return { keyframes: out };
}

/** Stops that wait for a share of the range before they begin. */
export function delayed(keyframes: readonly Keyframe[], share: number): Unrolled {
  if (share === 0) return { keyframes: [...keyframes] };
  const first = itemAt(sorted(keyframes), 0);
  if (keyframeOffset(first.at) > 0)
    return { obstacle: 'it waits before it begins, and its first keyframe is missing' };
  return {
    keyframes: [
      { at: '0%', value: first.value },
      ...sorted(keyframes).map((s) => ({ ...s, at: pct(share + keyframeOffset(s.at) * (1 - share)) })),
    ],
  };
}
