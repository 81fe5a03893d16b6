/** One animation with its timeline, or with its trigger, as a draft; or the reason why it cannot be said as one. */
import { itemAt } from '../../assert/index.ts';
import { parsePhasePoint } from '../../timeline/index.ts';
import type { RangePoint } from '../../timeline/index.ts';
import { decimal } from '../../value/index.ts';
import type { Keyframe } from '../../value/index.ts';
import { RepeatSchema, unrolledLists } from '../../motion/index.ts';
import type { Repeat } from '../../motion/index.ts';
import type { AnimationDraft, DraftDriver, DraftOf, Longhands } from './draft.ts';
import { toMs, toPercent, simpler } from './lengths.ts';
import type { ReadTimeline } from './timelines.ts';
import type { ReadTrigger } from './triggers.ts';
import { delayed, unrolled } from '../../value/index.ts';

type Common = Pick<AnimationDraft, 'name' | 'fill' | 'composite'>;
type Frames = { keyframes: Record<string, Keyframe[]> };

function mapped(
  { keyframes }: Frames,
  change: (list: Keyframe[]) => { keyframes: Keyframe[] } | { obstacle: string },
): Record<string, Keyframe[]> | string {
  const out: Record<string, Keyframe[]> = {};
  for (const [property, list] of Object.entries(keyframes)) {
    const made = change(list);
    if ('obstacle' in made) return made.obstacle;
    out[property] = made.keyframes;
  }
  return out;
}

const toCount = (css: string): number => (css.toLowerCase() === 'infinite' ? Infinity : Number(css));

/** Keyframes of one time through, and how often; or an obstacle. */
type Repeated = { keyframes: Record<string, Keyframe[]>; repeat?: Repeat } | string;

/** Whole repeats stay repeats where a document can say them; what begins backwards, or ends midway, is written out. */
function repeated(v: Longhands, read: Frames, isDelayed = false): Repeated {
  const count = toCount(v['animation-iteration-count']);
  const direction = v['animation-direction'].toLowerCase();
  if (count === 1 && direction === 'normal') return read;
  const repeat = RepeatSchema.safeParse({ count, alternate: direction === 'alternate' });
  if (/^(normal|alternate)$/.test(direction) && repeat.success && !isDelayed) {
    const out = unrolledLists(read.keyframes, 'linear', repeat.data);
    if ('lists' in out) return { ...read, repeat: repeat.data };
  }
  const keyframes = mapped(read, (list) => unrolled(list, count, direction));
  return typeof keyframes === 'string' ? keyframes : { keyframes };
}

export function timed(
  v: Longhands,
  read: Frames,
  common: Common,
  trigger: ReadTrigger | null,
): DraftOf | { obstacle: string } | null {
  const duration = v['animation-duration'] === 'auto' ? 0 : toMs(v['animation-duration']);
  const delay = toMs(v['animation-delay']);
  const count = toCount(v['animation-iteration-count']);
  // Over as it begins, and nothing of it stays.
  if (duration === 0 && delay === 0 && !trigger && common.fill === 'none') return null;
  if (duration === null || delay === null) return { obstacle: 'its times could not be read' };
  if (!Number.isFinite(count)) return { obstacle: 'it plays without end' };
  if (delay < 0) return { obstacle: 'it begins before its start, by a negative delay' };
  const played = repeated(v, read);
  if (typeof played === 'string') return { obstacle: played };
  const lasts = duration * count;
  if (lasts < 1) return { obstacle: 'it is time-based and has no duration' };
  if (lasts > 60_000 || delay > 60_000) return { obstacle: 'it plays for longer than a minute' };
  return {
    draft: {
      ...common,
      driver: trigger ? { kind: 'trigger', name: trigger.name, lines: trigger.lines } : { kind: 'load' },
      range: { start: 'cover 0%', end: 'cover 100%' },
      // A repeat counts times of its duration.
      time: { delay, duration: played.repeat ? duration : lasts },
      ...played,
    },
    owner: trigger?.owner ?? null,
    ownerSelectors: [],
  };
}

export function scrubbed(
  v: Longhands,
  read: Frames,
  common: Common,
  timeline: Extract<ReadTimeline, { kind: 'view' | 'scroll' }>,
): DraftOf | { obstacle: string } {
  const duration = v['animation-duration'] === 'auto' ? null : toMs(v['animation-duration']);
  const delay = toMs(v['animation-delay']);
  const count = toCount(v['animation-iteration-count']);
  if (delay === null || (duration === null && v['animation-duration'] !== 'auto'))
    return { obstacle: 'its times could not be read' };
  if (!Number.isFinite(count))
    return { obstacle: 'it repeats without end, so the scroll cannot tell where it is' };
  // Without a duration of its own an animation fills its range, and delays count for nothing (Web Animations 2, §4.10).
  const share = duration === null || duration === 0 || delay === 0 ? 0 : delay / (delay + duration * count);
  if (share < 0 || share >= 1) return { obstacle: 'it begins before its start, by a negative delay' };
  if (share > 0 && !/^(both|backwards)$/.test(common.fill))
    return { obstacle: 'it has a delay, and shows the element’s own values until then' };
  if (duration === 0) return { obstacle: 'its duration is 0, so it jumps at its start' };
  const turned = repeated(v, read, share > 0);
  if (typeof turned === 'string') return { obstacle: turned };
  const { keyframes: all, repeat } = turned;
  const keyframes = share === 0 ? all : mapped({ keyframes: all }, (list) => delayed(list, share));
  if (typeof keyframes === 'string') return { obstacle: keyframes };
  const named = Object.values(keyframes).some((list) => list.some((k) => /^[a-z]/.test(k.at)));
  if (named && timeline.kind !== 'view')
    return { obstacle: 'its keyframes are at range names, and its timeline has none' };
  const range = readRange(v, timeline, named);
  if ('obstacle' in range) return range;
  const driver: DraftDriver =
    timeline.kind === 'scroll'
      ? { kind: 'scroll', axis: timeline.axis }
      : { kind: 'view', axis: timeline.axis, insets: range.insets };
  return {
    draft: {
      ...common,
      driver,
      range: { start: range.start, end: range.end },
      ...(range.raw ? { raw: range.raw } : {}),
      time: null,
      ...(repeat ? { repeat } : {}),
      keyframes,
    },
    owner: timeline.owner,
    ownerSelectors: timeline.selectors,
  };
}

interface RangeFound {
  start: RangePoint;
  end: RangePoint;
  insets: [string, string];
  raw?: NonNullable<AnimationDraft['raw']>;
}
type RangeRead = RangeFound | { obstacle: string };

function readRange(
  v: Longhands,
  timeline: Extract<ReadTimeline, { kind: 'view' | 'scroll' }>,
  named: boolean,
): RangeRead {
  const point = (side: 'start' | 'end'): string | null => {
    const css = v[`animation-range-${side}`].trim();
    const text = css.toLowerCase() === 'normal' ? (side === 'start' ? '0%' : '100%') : css;
    const parsed = parsePhasePoint(text, side);
    if (!parsed.ok) return null;
    const plain = plainPoint(text, side);
    if (timeline.kind === 'scroll') return plain.replace(/^[a-z-]+ /, '');
    return /^[a-z]/.test(plain.replace(/^(calc|min|max|clamp)\(.*/, '')) ? plain : `cover ${plain}`;
  };
  const start = point('start');
  const end = point('end');
  if (start === null || end === null)
    return {
      obstacle: `its range “${v['animation-range-start']} ${v['animation-range-end']}” could not be read`,
    };
  const insets: [string, string] = timeline.kind === 'view' ? timeline.insets : ['0px', '0px'];
  const plain: RangeFound = { start, end, insets };
  if (named || timeline.kind === 'scroll') return plain;
  const raw = { start, end, insets };
  return { ...(asMeetings(start, end, insets) ?? plain), raw };
}

/** With its offset, and calc() without need for it taken off. */
function plainPoint(css: string, side: 'start' | 'end'): string {
  const word = /^[a-z-]+(?![\w(-])/i.exec(css)?.[0].toLowerCase();
  const offset = word === undefined ? css : css.slice(word.length).trim();
  const text = offset === '' ? (side === 'start' ? '0%' : '100%') : simpler(offset);
  return word === undefined ? text : `${word} ${text}`;
}

/** Two crossings between insets are two meetings, exactly (see format/range-css.ts). */
function asMeetings(start: string, end: string, insets: readonly [string, string]): RangeFound | null {
  const [low, high] = [toPercent(simpler(insets[0])), toPercent(simpler(insets[1]))];
  const e0 = /^entry-crossing (\S+)$/.exec(start);
  const e1 = /^exit-crossing (\S+)$/.exec(end);
  const [a, b] = [e0 ? toPercent(itemAt(e0, 1)) : null, e1 ? toPercent(itemAt(e1, 1)) : null];
  if (low === null || high === null || (low === 0 && high === 0)) return null;
  const fromStart =
    a !== null && a >= 0 && a <= 100 ? { edge: `${decimal(a)}%`, line: `${decimal(100 - high)}%` } : null;
  const fromEnd =
    b !== null && b >= 0 && b <= 100 ? { edge: `${decimal(b)}%`, line: `${decimal(low)}%` } : null;
  const isPageEnd = (p: string) => p.startsWith('scroll ');
  const from = fromStart ?? (isPageEnd(start) ? start : null);
  const to = fromEnd ?? (isPageEnd(end) ? end : null);
  // A page end hangs on no inset.
  return from && to && (fromStart || fromEnd) ? { start: from, end: to, insets: ['0px', '0px'] } : null;
}
