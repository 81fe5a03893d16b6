/** The animation list of one element, each entry on its way to becoming a motion. */
import type { Element } from 'domhandler';
import type { Gate, Motion } from '../motion/index.ts';
import { parsePhasePoint } from '../timeline/index.ts';
import type { RangePoint } from '../timeline/index.ts';
import { decimal, parseEasing } from '../value/index.ts';
import type { Keyframe } from '../value/index.ts';
import type { Cascade, Environment, Winner } from './cascade.ts';
import { readFrames } from './keyframes.ts';
import { msOf, percentOf, simpler } from './lengths.ts';
import { mended, mistakesOf } from './mistakes.ts';
import type { Mend } from './mistakes.ts';
import type { ReadKeyframes, ReadRule } from './rules.ts';
import { moves } from './rules.ts';
import { splitTop } from './selector.ts';
import { ANIMATION_LONGHANDS, INITIAL } from './shorthand.ts';
import type { AnimationLonghand } from './shorthand.ts';
import type { ReadTimeline, Timelines } from './timelines.ts';
import type { ReadGate, Triggers } from './triggers.ts';
import { delayed, unrolled } from './unroll.ts';

export type DraftDriver =
  | { kind: 'passage'; axis: 'block' | 'inline'; insets: [string, string] }
  | { kind: 'page'; axis: 'block' | 'inline' }
  | { kind: 'gate'; trigger: string; gate: Pick<Gate, 'down' | 'up' | 'plays' | 'back'> }
  | { kind: 'load' };

/** Everything that two elements must share to be targets of one motion. */
export interface Draft {
  /** of the keyframes */
  name: string;
  driver: DraftDriver;
  range: { start: RangePoint; end: RangePoint };
  /** of a passage, the range as it was written: steps from element to element show there, also where it became meetings */
  raw?: { start: string; end: string; insets: readonly string[] };
  /** ms */
  time: { delay: number; duration: number } | null;
  keyframes: Record<string, Keyframe[]>;
  fill: Motion['fill'];
  composite: Motion['composite'];
}

export interface DraftOf {
  draft: Draft;
  /** who carries the timeline, or whose passage the gate listens to; null: the element itself, or the page */
  owner: Element | null;
  /** selectors by which rules make the owner carry it */
  ownerSelectors: readonly string[];
}

export interface Obstacle {
  reason: string;
  rule: ReadRule | null;
}
export type DraftList = { drafts: DraftOf[] } | { obstacle: Obstacle };

type Longhands = Record<AnimationLonghand, string>;

export class Drafts {
  private readonly frames = new Map<string, ReadKeyframes[]>();

  constructor(
    private readonly cascade: Cascade,
    keyframes: readonly ReadKeyframes[],
    private readonly timelines: Timelines,
    private readonly triggers: Triggers,
    private readonly mend: Mend,
  ) {
    for (const k of keyframes) this.frames.set(k.name, [...(this.frames.get(k.name) ?? []), k]);
  }

  /** Declared animation longhands with what they override. */
  declared(element: Element, env: Environment): Map<string, Winner> {
    return this.cascade.declared(element, env, moves);
  }

  /** The same, with mistakes read as they were meant where that is wished. */
  winners(element: Element, env: Environment): Map<string, Winner> {
    const won = this.declared(element, env);
    if (this.mend !== 'all' && this.mend.size === 0) return won;
    return mended(won, mistakesOf({ won, element, cascade: this.cascade, env }), this.mend);
  }

  of(element: Element, env: Environment): DraftList {
    const won = this.winners(element, env);
    const names = splitTop(won.get('animation-name')?.value ?? 'none');
    if (names.every((n) => n.toLowerCase() === 'none')) return { drafts: [] };
    const rule = won.get('animation-name')!.rule;
    const odd = [...won].find(([, w]) => /\b(inherit|revert|revert-layer)\b/i.test(w.value));
    if (odd)
      return {
        obstacle: { reason: `its ${odd[0]} comes from elsewhere (${odd[1].value})`, rule: odd[1].rule },
      };
    const drafts: DraftOf[] = [];
    for (const [i, name] of names.entries()) {
      if (name.toLowerCase() === 'none') continue;
      const values = Object.fromEntries(
        ANIMATION_LONGHANDS.map((p) => {
          const list = splitTop(won.get(p)?.value ?? INITIAL[p]);
          return [p, list[i % list.length]!];
        }),
      ) as Longhands;
      const made = this.draft(
        { ...values, 'animation-name': name.replace(/^["']|["']$/g, '') },
        element,
        env,
      );
      // An animation without keyframes plays nothing.
      if (made === null) continue;
      if ('obstacle' in made) return { obstacle: { reason: made.obstacle, rule } };
      drafts.push(made);
    }
    return { drafts: joined(drafts) };
  }

  private framesOf(name: string, env: Environment): ReadKeyframes | { obstacle: string } | null {
    const all = this.frames.get(name) ?? [];
    const unsure = all.find((k) => k.media.obstacle !== null);
    if (unsure) return { obstacle: `@keyframes ${name}: ${unsure.media.obstacle}` };
    return all
      .filter(
        (k) =>
          !k.media.never &&
          (k.media.still === null || k.media.still === env.still) &&
          k.media.queries.every((q) => env.queries.has(q)),
      )
      .reduce<ReadKeyframes | null>((best, k) => (best && best.layer > k.layer ? best : k), null);
  }

  private draft(v: Longhands, element: Element, env: Environment): DraftOf | { obstacle: string } | null {
    const frames = this.framesOf(v['animation-name'], env);
    if (frames === null || 'obstacle' in frames) return frames;
    if (v['animation-play-state'].toLowerCase() !== 'running')
      return { obstacle: 'it is paused until something else runs it' };
    const composition = v['animation-composition'].toLowerCase();
    if (composition === 'accumulate') return { obstacle: 'it accumulates, which Lyvek does not' };
    const timing = v['animation-timing-function'];
    if (!parseEasing(timing).ok) return { obstacle: `“${timing}” is not an easing known here` };
    const read = readFrames(frames, timing.toLowerCase(), (text) =>
      this.cascade.substituted(text, element, env),
    );
    if ('obstacle' in read) return read;
    const fill = v['animation-fill-mode'].toLowerCase() as Motion['fill'];
    const common = { name: v['animation-name'], fill, composite: composition as Motion['composite'] };
    const trigger = v['animation-trigger'].trim();
    const timeline = this.timelines.of(v['animation-timeline'], element, env);
    if ('obstacle' in timeline) return timeline;
    if (timeline.kind === 'none') return { obstacle: 'its timeline is none' };
    if (timeline.kind === 'auto') {
      const gate = trigger === 'none' ? null : this.triggers.of(trigger, element, env);
      return gate && 'obstacle' in gate ? gate : timed(v, read, common, gate);
    }
    if (trigger !== 'none')
      return { obstacle: 'it has a trigger and a scroll timeline, which browsers do not play together' };
    return scrubbed(v, read, common, timeline);
  }
}

/**
 * Blocks that the writer has made of one motion, because CSS keeps one easing per stop, become one again: `rise`, `rise_2` with nothing else
 * between them but their properties.
 */
function joined(list: readonly DraftOf[]): DraftOf[] {
  const out: DraftOf[] = [];
  for (const one of list) {
    const { name, keyframes, ...rest } = one.draft;
    const block = name.replace(/_\d+$/, '');
    const stems = one.draft.driver.kind === 'load' ? [block, block.replace(/-intro$/, '')] : [block];
    const at = out.findIndex(({ draft, owner }) => {
      const { name: other, keyframes: known, ...others } = draft;
      return (
        other !== name &&
        stems.includes(other) &&
        owner === one.owner &&
        JSON.stringify(others) === JSON.stringify(rest) &&
        Object.keys(keyframes).every((p) => !(p in known))
      );
    });
    if (at < 0) out.push(one);
    else {
      const { draft } = out[at]!;
      out[at] = { ...out[at]!, draft: { ...draft, keyframes: { ...draft.keyframes, ...keyframes } } };
    }
  }
  return out;
}

type Common = Pick<Draft, 'name' | 'fill' | 'composite'>;
type Frames = { keyframes: Record<string, Keyframe[]> };

function mapped(
  { keyframes }: Frames,
  change: (stops: Keyframe[]) => { stops: Keyframe[] } | { obstacle: string },
): Record<string, Keyframe[]> | string {
  const out: Record<string, Keyframe[]> = {};
  for (const [property, stops] of Object.entries(keyframes)) {
    const made = change(stops);
    if ('obstacle' in made) return made.obstacle;
    out[property] = made.stops;
  }
  return out;
}

const countOf = (css: string): number => (css.toLowerCase() === 'infinite' ? Infinity : Number(css));

function repeated(v: Longhands, read: Frames): Record<string, Keyframe[]> | string {
  const count = countOf(v['animation-iteration-count']);
  const direction = v['animation-direction'].toLowerCase();
  if (count === 1 && direction === 'normal') return read.keyframes;
  return mapped(read, (stops) => unrolled(stops, count, direction));
}

function timed(
  v: Longhands,
  read: Frames,
  common: Common,
  gate: ReadGate | null,
): DraftOf | { obstacle: string } {
  const duration = v['animation-duration'] === 'auto' ? 0 : msOf(v['animation-duration']);
  const delay = msOf(v['animation-delay']);
  const count = countOf(v['animation-iteration-count']);
  if (duration === null || delay === null) return { obstacle: 'its times could not be read' };
  if (!Number.isFinite(count)) return { obstacle: 'it plays without end' };
  if (delay < 0) return { obstacle: 'it begins before its start, by a negative delay' };
  const keyframes = repeated(v, read);
  if (typeof keyframes === 'string') return { obstacle: keyframes };
  const lasts = duration * count;
  if (lasts < 1) return { obstacle: 'it plays in time and has no duration' };
  if (lasts > 60_000 || delay > 60_000) return { obstacle: 'it plays for longer than a minute' };
  return {
    draft: {
      ...common,
      driver: gate ? { kind: 'gate', trigger: gate.name, gate: gate.gate } : { kind: 'load' },
      range: { start: 'cover 0%', end: 'cover 100%' },
      time: { delay, duration: lasts },
      keyframes,
    },
    owner: gate?.owner ?? null,
    ownerSelectors: [],
  };
}

function scrubbed(
  v: Longhands,
  read: Frames,
  common: Common,
  timeline: Extract<ReadTimeline, { kind: 'passage' | 'page' }>,
): DraftOf | { obstacle: string } {
  const duration = v['animation-duration'] === 'auto' ? null : msOf(v['animation-duration']);
  const delay = msOf(v['animation-delay']);
  const count = countOf(v['animation-iteration-count']);
  if (delay === null || (duration === null && v['animation-duration'] !== 'auto'))
    return { obstacle: 'its times could not be read' };
  if (!Number.isFinite(count))
    return { obstacle: 'it repeats without end, so the scroll cannot tell where it is' };
  const turned = repeated(v, read);
  if (typeof turned === 'string') return { obstacle: turned };
  // Without a duration of its own an animation fills its range, and delays count for nothing (Web Animations 2, §4.10).
  const share = duration === null || duration === 0 || delay === 0 ? 0 : delay / (delay + duration * count);
  if (share < 0 || share >= 1) return { obstacle: 'it begins before its start, by a negative delay' };
  if (share > 0 && !/^(both|backwards)$/.test(common.fill))
    return { obstacle: 'it has a delay, and shows the element’s own values until then' };
  if (duration === 0) return { obstacle: 'its duration is 0, so it jumps at its start' };
  const keyframes = share === 0 ? turned : mapped({ keyframes: turned }, (stops) => delayed(stops, share));
  if (typeof keyframes === 'string') return { obstacle: keyframes };
  const named = Object.values(keyframes).some((list) => list.some((k) => /^[a-z]/.test(k.at)));
  if (named && timeline.kind !== 'passage')
    return { obstacle: 'its keyframes stand at range names, and its timeline has none' };
  const range = rangeOf(v, timeline, named);
  if ('obstacle' in range) return range;
  const driver: DraftDriver =
    timeline.kind === 'page'
      ? { kind: 'page', axis: timeline.axis }
      : { kind: 'passage', axis: timeline.axis, insets: range.insets };
  return {
    draft: {
      ...common,
      driver,
      range: { start: range.start, end: range.end },
      ...(range.raw ? { raw: range.raw } : {}),
      time: null,
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
  raw?: NonNullable<Draft['raw']>;
}
type RangeRead = RangeFound | { obstacle: string };

function rangeOf(
  v: Longhands,
  timeline: Extract<ReadTimeline, { kind: 'passage' | 'page' }>,
  named: boolean,
): RangeRead {
  const point = (side: 'start' | 'end'): string | null => {
    const css = v[`animation-range-${side}`].trim();
    const text = css.toLowerCase() === 'normal' ? (side === 'start' ? '0%' : '100%') : css;
    const parsed = parsePhasePoint(text, side);
    if (!parsed.ok) return null;
    const plain = plainPoint(text, side);
    if (timeline.kind === 'page') return plain.replace(/^[a-z-]+ /, '');
    return /^[a-z]/.test(plain.replace(/^(calc|min|max|clamp)\(.*/, '')) ? plain : `cover ${plain}`;
  };
  const start = point('start');
  const end = point('end');
  if (start === null || end === null)
    return {
      obstacle: `its range “${v['animation-range-start']} ${v['animation-range-end']}” could not be read`,
    };
  const insets: [string, string] = timeline.kind === 'passage' ? timeline.insets : ['0px', '0px'];
  const plain: RangeFound = { start, end, insets };
  if (named || timeline.kind === 'page') return plain;
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
  const [low, high] = [percentOf(simpler(insets[0])), percentOf(simpler(insets[1]))];
  const e0 = /^entry-crossing (\S+)$/.exec(start);
  const e1 = /^exit-crossing (\S+)$/.exec(end);
  const [a, b] = [e0 ? percentOf(e0[1]!) : null, e1 ? percentOf(e1[1]!) : null];
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
