/**
 * For browsers without scroll timelines and timed triggers: every motion as paused Web Animations that this script moves. Reads come before
 * writes, nothing runs while nothing scrolls, and stopping leaves the page as it was.
 */
import { damp, isAtRest } from '@lyvek/core/damping';
import type { DampedOffset } from '@lyvek/core/damping';
import type { FallbackMotion, FallbackPlan } from '@lyvek/core';
import { browserClock } from '../plan.ts';
import type { Clock } from '../plan.ts';
import { findTargets, listAnimations, WHOLE } from './animations.ts';
import { listLines, readRange } from './places.ts';
import type { ReadRange } from './places.ts';

interface Scrubbed {
  motion: FallbackMotion;
  target: Element;
  late: number | [start: number, end: number];
  animations: Animation[];
  range: ReadRange | null;
  /** where its scroller stands; null while it has no place */
  gauge: Gauge | null;
  state: DampedOffset;
  x: number;
  /** from where to where of its animations the range goes */
  part: [number, number];
  /** what was written last */
  time: number;
}
/** Read once a frame, however many motions hang on it. */
interface Gauge {
  scroller: Element;
  inline: boolean;
  x: number;
}
interface Passed {
  trigger: FallbackPlan['triggers'][number];
  parts: Animation[];
  lines: ReturnType<typeof listLines>;
  passed: boolean;
  ever: boolean;
}

export function start(plan: FallbackPlan, clock: Clock = browserClock): () => void {
  const reducedMotion = matchMedia('(prefers-reduced-motion: reduce)');
  let end: (() => void) | null = null;
  let printing = false;
  const restart = () => {
    end?.();
    end = reducedMotion.matches || printing ? null : play(plan, clock);
  };
  // On paper nothing is scrolled into sight: the page is printed as it was brought.
  const print = ({ type }: Event) => {
    printing = type === 'beforeprint';
    restart();
  };
  const watched = [reducedMotion, ...new Set(plan.motions.flatMap((m) => (m.when ? [m.when] : [])))].map(
    (q) => (typeof q === 'string' ? matchMedia(q) : q),
  );
  for (const query of watched) query.addEventListener('change', restart);
  addEventListener('beforeprint', print);
  addEventListener('afterprint', print);
  restart();
  return () => {
    for (const query of watched) query.removeEventListener('change', restart);
    removeEventListener('beforeprint', print);
    removeEventListener('afterprint', print);
    end?.();
  };
}

interface Cast {
  scrubbed: Scrubbed[];
  triggers: Passed[];
  all: Animation[];
}

/** Everything that moves, paused where it begins; what opens the page plays. */
function makeCast({ motions, triggers: given }: FallbackPlan): Cast {
  const triggers = given.map((trigger): Passed => ({
    trigger,
    parts: [],
    lines: null,
    passed: false,
    ever: false,
  }));
  const cast: Cast = { scrubbed: [], triggers, all: [] };
  for (const motion of motions) {
    if (motion.when && !matchMedia(motion.when).matches) continue;
    findTargets(motion.selector).forEach((target, i) => {
      const late = motion.late[i] ?? 0;
      const animations = listAnimations(motion, target, typeof late === 'number' ? late : 0);
      cast.all.push(...animations);
      if (motion.on.kind === 'load') animations.forEach((a) => a.play());
      else if (motion.on.kind === 'trigger') triggers[motion.on.trigger]?.parts.push(...animations);
      else {
        const state = { y: 0, v: 0 };
        cast.scrubbed.push({
          ...{ motion, target, late, animations, state },
          ...{ range: null, gauge: null, x: 0, part: [0, 1], time: NaN },
        });
      }
    });
  }
  return cast;
}

/** Plays it whatever readers ask for. Returns what stops it. */
export function play(plan: FallbackPlan, clock: Clock = browserClock): () => void {
  const { scrubbed, triggers, all } = makeCast(plan);
  let gauges: Gauge[] = [];
  let frame = 0;
  let last = clock.now();
  let stopped = false;

  const measure = () => {
    bare(all, () => {
      scrubbed.forEach(place);
      for (const g of triggers) g.lines = listLines(g.trigger);
    });
    gauges = listGauges(scrubbed);
    scrubbed.forEach(setPlaces);
    write(scrubbed);
  };
  const tick = () => {
    frame = 0;
    const now = clock.now();
    const step = Math.min(100, Math.max(1, now - last));
    last = now;
    for (const g of gauges) g.x = toOffset(g);
    let moving = false;
    for (const s of scrubbed) {
      const x = s.gauge?.x ?? 0;
      if (s.motion.damping.kind === 'none') s.state.y = x;
      else {
        damp(s.state, s.motion.damping, s.x, x, step);
        if (isAtRest(s.state, x)) s.state = { y: x, v: 0 };
        else moving = true;
      }
      s.x = x;
    }
    for (const g of triggers) if (g.lines) watchTrigger(g, g.lines.scroller.scrollTop);
    write(scrubbed);
    if (moving) wake();
  };
  const wake = () => {
    if (!frame && !stopped) frame = clock.request(tick);
  };
  const scrolled = () => {
    if (!frame) last = clock.now() - 1000 / 60;
    wake();
  };
  const sized = new ResizeObserver(() => {
    measure();
    wake();
  });
  sized.observe(document.documentElement);
  if (document.body) sized.observe(document.body);
  document.addEventListener('scroll', scrolled, { capture: true, passive: true });
  measure();
  wake();
  return () => {
    stopped = true;
    clock.cancel(frame);
    sized.disconnect();
    document.removeEventListener('scroll', scrolled, { capture: true });
    all.forEach((a) => a.cancel());
  };
}

/** With the animations off for a moment: what they move is not where it belongs. */
function bare(playing: readonly Animation[], work: () => void): void {
  // What runs by time would end without an effect; it hardly ever runs while places are read.
  const all = playing.filter((a) => a.playState !== 'running');
  const effects = all.map((a) => a.effect);
  for (const a of all) a.effect = null;
  work();
  all.forEach((a, i) => (a.effect = effects[i]!));
}

const toOffset = ({ scroller, inline }: { scroller: Element; inline: boolean }) =>
  Math.abs(inline ? scroller.scrollLeft : scroller.scrollTop);

/** Where its range lies now. A page that opens scrolled stands where it is; nothing plays in. */
function place(s: Scrubbed): void {
  const known = s.range !== null;
  s.range = readRange(s.motion, s.target);
  if (!known && s.range) s.x = s.state.y = toOffset(s.range);
}

/** One for each scroller and axis that something hangs on. */
function listGauges(scrubbed: readonly Scrubbed[]): Gauge[] {
  const all: Gauge[] = [];
  for (const s of scrubbed) {
    const { scroller, inline } = s.range ?? {};
    s.gauge = all.find((g) => g.scroller === scroller && g.inline === inline) ?? null;
    if (scroller && !s.gauge) all.push((s.gauge = { scroller, inline: inline === true, x: 0 }));
    s.time = NaN;
  }
  return all;
}

const hasPlaces = ({ frames }: FallbackMotion): boolean =>
  frames.some((list) => list.some((f) => typeof f.offset !== 'number'));

/** Keyframes that hang on places of the range: what lies outside of it stretches the animation, whose time then runs over a part of it. */
function setPlaces(s: Scrubbed): void {
  if (!s.range || !hasPlaces(s.motion)) return;
  const { places } = s.range;
  const all = places.flat();
  const [low, high] = [Math.min(0, ...all), Math.max(1, ...all)];
  s.part = [-low / (high - low), (1 - low) / (high - low)];
  s.motion.frames.forEach((list, i) => {
    const frames = list
      .map((f, k) => ({ ...f, offset: (places[i]![k]! - low) / (high - low) }))
      .sort((a, b) => a.offset - b.offset);
    (s.animations[i]!.effect as KeyframeEffect).setKeyframes(frames as Keyframe[]);
  });
}

function write(scrubbed: readonly Scrubbed[]): void {
  for (const s of scrubbed) {
    const { motion, range, late, state, animations, part } = s;
    if (!range) continue;
    const [begin, cease] = typeof late === 'number' ? [late, late] : late;
    const [start, end] = [range.start + begin, range.end + cease];
    const { y } = state;
    const time =
      y < start
        ? toEdge(part[0], motion.fill === 'none' || motion.fill === 'forwards' ? -1 : null, -1)
        : y >= end || end <= start
          ? toEdge(part[1], motion.fill === 'none' || motion.fill === 'backwards' ? WHOLE : null, WHOLE)
          : (part[0] + ((y - start) / (end - start)) * (part[1] - part[0])) * WHOLE;
    if (time === s.time) continue;
    s.time = time;
    for (const a of animations) a.currentTime = time;
  }
}

/** Beyond an end of the range: outside of the animation, or where that lies further out and is held, at the end’s own place. */
const toEdge = (share: number, outside: number | null, beyond: number): number =>
  outside ?? (share === 0 || share === 1 ? beyond : share * WHOLE);

/** Coming between its lines plays the parts; leaving by either end does what the trigger says. */
function watchTrigger(g: Passed, y: number): void {
  const { down, up, past } = g.lines!;
  const { plays, back } = g.trigger;
  if (!g.passed && y >= down && y < past) {
    const again = !g.ever || (plays === 'each-time' && back !== 'plays-back');
    g.passed = g.ever = true;
    for (const a of g.parts) {
      if (again) a.currentTime = 0;
      else if (plays === 'once') continue;
      a.playbackRate = 1;
      a.play();
    }
  } else if (g.passed && (y < up || y >= past)) {
    g.passed = false;
    if (plays === 'once' || back === 'keeps-end') return;
    for (const a of g.parts)
      if (back === 'plays-back') {
        a.playbackRate = -1;
        // Played from its very start backwards, an animation would begin at its end.
        if (Number(a.currentTime) > 0) a.play();
        else a.pause();
      } else {
        a.pause();
        a.currentTime = 0;
      }
  }
}
