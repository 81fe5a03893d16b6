/**
 * For browsers without scroll timelines and timed triggers: every motion as paused Web Animations that this script moves. Reads come before
 * writes, nothing runs while nothing scrolls, and stopping leaves the page as it was.
 */
import { damp, isAtRest } from '@lyvek/core/damping';
import type { DampedOffset } from '@lyvek/core/damping';
import type { FallbackMotion, FallbackPlan } from '@lyvek/core';
import { splitPart } from '@lyvek/core/part';
import { browserClock } from '../plan.ts';
import type { Clock } from '../plan.ts';
import { listLines, readRange } from './places.ts';

/** ms that a scrubbed animation lasts, so that its time is its progress in thousandths */
const WHOLE = 1000;

interface Scrubbed {
  motion: FallbackMotion;
  target: Element;
  late: number;
  animations: Animation[];
  range: ReturnType<typeof readRange>;
  state: DampedOffset;
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
  reducedMotion.addEventListener('change', restart);
  addEventListener('beforeprint', print);
  addEventListener('afterprint', print);
  restart();
  return () => {
    reducedMotion.removeEventListener('change', restart);
    removeEventListener('beforeprint', print);
    removeEventListener('afterprint', print);
    end?.();
  };
}

/** Plays it whatever readers ask for. Returns what stops it. */
export function play(plan: FallbackPlan, clock: Clock = browserClock): () => void {
  const scrubbed: Scrubbed[] = [];
  const triggers: Passed[] = plan.triggers.map((trigger) => ({
    trigger,
    parts: [],
    lines: null,
    passed: false,
    ever: false,
  }));
  const all: Animation[] = [];
  let frame = 0;
  let last = clock.now();
  let stopped = false;

  for (const motion of plan.motions)
    findTargets(motion.selector).forEach((target, i) => {
      const late = motion.late[i] ?? 0;
      const made = listAnimations(motion, target, late);
      all.push(...made);
      if (motion.on.kind === 'load') made.forEach((a) => a.play());
      else if (motion.on.kind === 'trigger') triggers[motion.on.trigger]?.parts.push(...made);
      else
        scrubbed.push({ motion, target, late, animations: made, range: null, state: { y: 0, v: 0 }, x: 0 });
    });

  const measure = () => {
    scrubbed.forEach(place);
    for (const g of triggers) g.lines = listLines(g.trigger);
    write(scrubbed);
  };
  const tick = () => {
    frame = 0;
    const now = clock.now();
    const step = Math.min(100, Math.max(1, now - last));
    last = now;
    const offsets = scrubbed.map((s) => (s.range ? toOffset(s.range) : 0));
    let moving = false;
    scrubbed.forEach((s, i) => {
      const x = offsets[i]!;
      damp(s.state, s.motion.damping, s.x, x, step);
      s.x = x;
      if (isAtRest(s.state, x)) s.state = { y: x, v: 0 };
      else moving = true;
    });
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

const toOffset = ({ scroller, inline }: { scroller: Element; inline: boolean }) =>
  Math.abs(inline ? scroller.scrollLeft : scroller.scrollTop);

/** Where its range lies now. A page that opens scrolled stands where it is; nothing plays in. */
function place(s: Scrubbed): void {
  const known = s.range !== null;
  s.range = readRange(s.motion, s.target);
  if (!known && s.range) s.x = s.state.y = toOffset(s.range);
}

function write(scrubbed: readonly Scrubbed[]): void {
  for (const { range, late, state, animations } of scrubbed) {
    if (!range) continue;
    const [start, end] = [range.start + late, range.end + late];
    const { y } = state;
    const time = y < start ? -1 : y >= end || end <= start ? WHOLE : ((y - start) / (end - start)) * WHOLE;
    for (const a of animations) if (a.currentTime !== time) a.currentTime = time;
  }
}

/** One animation a property, since each has easings of its own. */
function listAnimations(m: FallbackMotion, target: Element, late: number): Animation[] {
  const [delay, duration] = m.time ?? [0, WHOLE];
  return m.frames.map((frames) => {
    const a = target.animate(frames as Keyframe[], {
      pseudoElement: splitPart(m.selector)[1] || null,
      duration,
      delay: m.time ? delay + late : 0,
      fill: m.fill === 'none' ? 'none' : m.fill,
      composite: m.composite,
    });
    a.pause();
    a.currentTime = m.time ? 0 : -1;
    return a;
  });
}

/** The elements that a selector finds, or those that draw the pseudo-element which it means. */
function findTargets(selector: string): Element[] {
  const [host, part] = splitPart(selector);
  const found = [...document.querySelectorAll(host)];
  return part ? found.filter((e) => !/^(none|normal)$/.test(getComputedStyle(e, part).content)) : found;
}

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
