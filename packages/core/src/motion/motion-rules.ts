/** What a motion must keep to beyond the form of its parts. */
import { isNamedPlace } from '../timeline/index.ts';
import { isTimed, pointKind } from '../drivers/index.ts';
import type { Driver } from '../drivers/index.ts';
import type { Range, Stagger } from '../timeline/index.ts';
import { isLinear, keyframeOffset, parseEasing, passesOnce } from '../value/index.ts';
import type { Keyframe } from '../value/index.ts';
import { unrolledLists } from './repeat.ts';
import type { Repeat } from './repeat.ts';

interface Ruled {
  driver: Driver;
  range: Range;
  keyframes: Record<string, Keyframe[]>;
  easing: string;
  time?: unknown;
  repeat?: Repeat | undefined;
  stagger?: Stagger | undefined;
}
type Problem = { path: string[]; message: string };

/** An easing over the whole range has to be written between stops, since CSS has none over all of them. */
function easingProblem({ easing, keyframes }: Ruled): string | null {
  const whole = parseEasing(easing);
  if (!whole.ok || isLinear(whole.value)) return null;
  const lists = Object.values(keyframes);
  const any = (test: (k: Keyframe) => boolean) => lists.some((list) => list.some(test));
  const ended = lists.every((k) => k.some((s) => s.at === '0%') && k.some((s) => s.at === '100%'));
  if (!ended) return 'an easing over the whole range needs keyframes at 0% and at 100%';
  if (any((s) => s.easing?.startsWith('step') ?? false))
    return 'an easing over the whole range cannot be joined with steps between keyframes';
  if (any((s) => isNamedPlace(s.at)))
    return 'an easing over the whole range needs every keyframe at a share of it, not at a range name';
  // Beyond the ends there is nothing to come back to: it may swing over them.
  const isInner = (s: Keyframe) => keyframeOffset(s.at) > 0 && keyframeOffset(s.at) < 1;
  if (any((s) => isInner(s) && !passesOnce(whole.value, keyframeOffset(s.at))))
    return 'an easing that swings back over a keyframe cannot be written as CSS: move the keyframe or soften the easing';
  return null;
}

/** Why a motion cannot be eased so over its whole range or time, in words; null where it can. */
export const whyNotEased = (m: Ruled, easing: string): string | null => easingProblem({ ...m, easing });

export function motionProblems(m: Ruled): Problem[] {
  const out: Problem[] = [];
  const put = (path: string[], message: string | null) => {
    if (message) out.push({ path, message });
  };
  put(['easing'], easingProblem(m));
  const repeated = m.repeat && unrolledLists(m.keyframes, m.easing, m.repeat);
  if (repeated && 'obstacle' in repeated) put(['repeat'], repeated.obstacle);
  if (m.stagger?.order === 'property' && m.stagger.property === undefined)
    put(['stagger', 'property'], 'an order by property needs the name of one, such as --i');
  const named = Object.values(m.keyframes).some((k) => k.some((s) => isNamedPlace(s.at)));
  const points = pointKind(m.driver);
  if (named && points !== 'phases') put(['keyframes'], 'keyframes at range names need a view progress');
  if (isTimed(m.driver) && !m.time) put(['time'], 'a timed motion needs a delay and a duration');
  if (points === 'extent')
    for (const side of ['start', 'end'] as const)
      if (typeof m.range[side] !== 'string')
        put(['range', side], 'only a view progress has an element that could meet a line');
  return out;
}
