/** Shorthands as lists of longhands (CSS Animations 1 and 2, Scroll-driven Animations 1). */
import { itemAt, present } from '../../assert/index.ts';
import * as csstree from 'css-tree';
import { PHASES } from '../../timeline/index.ts';
import { parseEasing } from '../../value/index.ts';
import { splitTop } from '../../text/index.ts';

/** Longhands that make up one animation; each holds a list, which is repeated for as long as there are names. */
export const INITIAL = {
  'animation-name': 'none',
  'animation-duration': 'auto',
  'animation-timing-function': 'ease',
  'animation-delay': '0s',
  'animation-iteration-count': '1',
  'animation-direction': 'normal',
  'animation-fill-mode': 'none',
  'animation-play-state': 'running',
  'animation-timeline': 'auto',
  'animation-range-start': 'normal',
  'animation-range-end': 'normal',
  'animation-composition': 'replace',
  'animation-trigger': 'none',
} as const;
export type AnimationLonghand = keyof typeof INITIAL;
export const ANIMATION_LONGHANDS = Object.keys(INITIAL) as AnimationLonghand[];

/** What the shorthand `animation` puts back to its initial value without ever setting it. */
export const RESET_ONLY: readonly AnimationLonghand[] = [
  'animation-timeline',
  'animation-range-start',
  'animation-range-end',
];

const TIME = /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?m?s$/i;
const isTime = (word: string) => TIME.test(word) || /^calc\(.*\d(ms|s)\b.*\)$/i.test(word);
const FILL = /^(forwards|backwards|both)$/i;
const DIRECTION = /^(normal|reverse|alternate|alternate-reverse)$/i;
const PLAY = /^(running|paused)$/i;
const COUNT = /^(infinite|\d+\.?\d*|\.\d+)$/i;

/** One entry of `animation`; null where a word has no meaning, which makes the whole declaration invalid. */
function makeEntry(css: string): Partial<Record<AnimationLonghand, string>> | null {
  const out: Partial<Record<AnimationLonghand, string>> = {};
  const put = (key: AnimationLonghand, value: string): boolean => {
    if (key in out) return false;
    out[key] = value;
    return true;
  };
  let times = 0;
  for (const word of splitTop(css, ' ')) {
    const taken =
      (isTime(word) && times < 2 && put(times++ === 0 ? 'animation-duration' : 'animation-delay', word)) ||
      (/^auto$/i.test(word) && times === 0 && ++times && put('animation-duration', 'auto')) ||
      (parseEasing(word).ok && put('animation-timing-function', word)) ||
      (COUNT.test(word) && put('animation-iteration-count', word)) ||
      (DIRECTION.test(word) && put('animation-direction', word)) ||
      (FILL.test(word) && put('animation-fill-mode', word)) ||
      (PLAY.test(word) && put('animation-play-state', word)) ||
      (/^(none|"[^"]*"|'[^']*'|-?[_a-zA-Z\u0080-\uffff\\-][\w\u0080-\uffff\\-]*)$/.test(word) &&
        put('animation-name', word.replace(/^["']|["']$/g, '')));
    if (!taken) return null;
  }
  return out;
}

/** Longhand lists of `animation: …`; null where it is not valid. */
export function expandAnimation(css: string): Record<AnimationLonghand, string> | null {
  const entries = splitTop(css).map(makeEntry);
  if (entries.some((e) => e === null)) return null;
  const { 'animation-composition': _, 'animation-trigger': __, ...reset } = INITIAL;
  const out = { ...reset } as Record<AnimationLonghand, string>;
  for (const key of Object.keys(reset) as AnimationLonghand[])
    if (!RESET_ONLY.includes(key)) out[key] = entries.map((e) => present(e)[key] ?? INITIAL[key]).join(', ');
  return out;
}

const isPhase = (word: string) => (PHASES as readonly string[]).includes(word.toLowerCase());

/** One entry of `animation-range` as its two points; null where it is not valid. */
export function rangePoints(css: string): [start: string, end: string] | null {
  const points: string[] = [];
  for (const word of splitTop(css, ' ')) {
    // A word that names no range makes the whole declaration invalid.
    if (/^[a-z-]+$/i.test(word) && !isPhase(word) && word.toLowerCase() !== 'normal') return null;
    const last = points.at(-1);
    if (last !== undefined && isPhase(last) && !isPhase(word) && word.toLowerCase() !== 'normal')
      points[points.length - 1] = `${last} ${word}`;
    else points.push(word);
  }
  const [start, end, more] = points;
  if (start === undefined || more !== undefined) return null;
  if (end !== undefined) return [start, end];
  // One name alone stands for all of it; one place alone is a start.
  return [
    start,
    /^[a-z-]+/i.test(start) && isPhase(itemAt(start.split(' '), 0)) ? itemAt(start.split(' '), 0) : 'normal',
  ];
}

export function expandRange(css: string): Partial<Record<AnimationLonghand, string>> | null {
  const points = splitTop(css).map(rangePoints);
  if (points.some((p) => p === null)) return null;
  return {
    'animation-range-start': points.map((p) => present(p)[0]).join(', '),
    'animation-range-end': points.map((p) => present(p)[1]).join(', '),
  };
}

const AXIS = /^(block|inline|x|y)$/i;

/** `view-timeline: --a block 10% 0px, --b` and `scroll-timeline: --s inline` */
export function expandTimeline(kind: 'view' | 'scroll', css: string): Record<string, string> {
  const entries = splitTop(css).map((one) => {
    const words = splitTop(one, ' ');
    return {
      name: words.find((w) => w.startsWith('--') || w === 'none') ?? 'none',
      axis: words.find((w) => AXIS.test(w))?.toLowerCase() ?? 'block',
      inset: words.filter((w) => !w.startsWith('--') && w !== 'none' && !AXIS.test(w)).join(' ') || 'auto',
    };
  });
  const of = (f: (e: (typeof entries)[number]) => string) => entries.map(f).join(', ');
  return {
    [`${kind}-timeline-name`]: of((e) => e.name),
    [`${kind}-timeline-axis`]: of((e) => e.axis),
    ...(kind === 'view' ? { 'view-timeline-inset': of((e) => e.inset) } : {}),
  };
}

/** Longhands of any declaration that matters here; null for an invalid one, which the cascade passes over. */
export function expand(property: string, css: string): Record<string, string> | null {
  switch (property) {
    case 'animation':
      return expandAnimation(css);
    case 'animation-range':
      return expandRange(css) as Record<string, string> | null;
    case 'animation-range-start':
    case 'animation-range-end':
      return splitTop(css).every((p) => rangePoints(p)) ? { [property]: css } : null;
    case 'animation-timeline':
      return splitTop(css).every((t) =>
        /^(auto|none|--[^\s()]+|(view|scroll)\([^()]*(\([^()]*\)[^()]*)*\))$/i.test(t),
      )
        ? { [property]: css }
        : null;
    case 'view-timeline':
      return expandTimeline('view', css);
    case 'scroll-timeline':
      return expandTimeline('scroll', css);
    case 'overflow': {
      const [x = 'visible', y = x] = splitTop(css, ' ');
      return { 'overflow-x': x, 'overflow-y': y };
    }
    case 'animation-timing-function':
      return splitTop(css).every((e) => parseEasing(e).ok) ? { [property]: css } : null;
    case 'animation-duration':
    case 'animation-delay':
      return splitTop(css).every((t) => isTime(t) || t === 'auto') ? { [property]: css } : null;
    case 'animation-fill-mode':
    case 'animation-direction':
    case 'animation-play-state':
    case 'animation-iteration-count':
    case 'position':
      return csstree.lexer.matchProperty(property, css).error ? null : { [property]: css };
    default:
      return { [property]: css };
  }
}
