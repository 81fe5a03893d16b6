/**
 * Marquees. The browser runs them by itself, as endless animations over one period; the script only sets their direction, and pushes them while
 * the page is scrolled. Nothing of it runs while nothing scrolls.
 */
import { damp, isAtRest } from '@lyvek/core/damping';
import type { DampedOffset } from '@lyvek/core/damping';
import { toDocument } from './plan.ts';
import type { MarqueePlan, Clock } from './plan.ts';
import { boxed, cleared, lay } from './strip.ts';
import type { Laid } from './strip.ts';

interface Marquee {
  plan: MarqueePlan;
  strip: HTMLElement;
  laid: Laid | null;
  /** what its copies were laid for */
  size: string;
  animation: Animation | null;
  state: DampedOffset;
  /** 1 forwards, −1 backwards */
  turn: number;
  /** things that hold it still: the pointer, the focus, the page, being out of sight */
  held: Set<string>;
  end: () => void;
}

/** ms for one period where a marquee has no speed of its own */
const UNIT = 1000;
/** Periods either way of where a marquee begins: days. */
const ENDLESS = 20_000;

const AWAY = 'out of sight';

/** Where a strip stood when it was last let go, as a share of its period. */
const left = new WeakMap<Element, number>();

export function playMarquees(
  root: Document | Element,
  plans: readonly MarqueePlan[],
  clock: Clock,
): () => void {
  const doc = toDocument(root);
  const page = doc.scrollingElement ?? doc.documentElement;
  const marquees: Marquee[] = plans.flatMap((plan) =>
    [...root.querySelectorAll<HTMLElement>(plan.selector)].map((strip) => makeMarquee(strip, plan)),
  );
  if (marquees.length === 0) return () => undefined;
  let x = page.scrollTop;
  let last = -Infinity;
  let frame = 0;
  let stopped = false;
  marquees.forEach((b) => (b.state.y = x));

  const tick = () => {
    frame = 0;
    const now = clock.now();
    const step = Math.min(now - last, 100) || 1000 / 60;
    last = now;
    const to = page.scrollTop;
    let moving = false;
    for (const b of marquees) {
      const from = b.state.y;
      damp(b.state, b.plan.damping, x, to, step);
      if (isAtRest(b.state, to)) b.state = { y: to, v: 0 };
      else moving = true;
      push(b, b.state.y - from);
      if (b.plan.reverses && to !== x) turnTo(b, Math.sign(to - x));
    }
    x = to;
    if (moving) wake();
  };
  const wake = () => {
    if (!frame && !stopped) frame = clock.request(tick);
  };
  const scrolled = () => {
    if (!frame) last = clock.now() - 1000 / 60;
    wake();
  };
  doc.addEventListener('scroll', scrolled, { capture: true, passive: true });
  const sized = new ResizeObserver(() => marquees.filter((b) => b.size !== computeSize(b)).forEach(run));
  const seen = new IntersectionObserver(
    (entries) =>
      entries.forEach((e) => {
        const b = marquees.find((one) => one.strip === e.target)!;
        hold(b, AWAY, !e.isIntersecting);
      }),
    { rootMargin: '200px' },
  );
  sized.observe(page);
  for (const b of marquees) {
    run(b);
    sized.observe(b.strip);
    seen.observe(b.strip);
  }
  return () => {
    stopped = true;
    clock.cancel(frame);
    sized.disconnect();
    seen.disconnect();
    doc.removeEventListener('scroll', scrolled, { capture: true });
    marquees.forEach((b) => b.end());
  };
}

const computeSize = ({ strip }: Marquee) =>
  `${strip.offsetWidth} ${strip.offsetHeight} ${strip.parentElement?.offsetWidth} ${innerWidth}`;

/** ms that one period lasts */
const lasting = ({ plan, laid }: Marquee) =>
  plan.speed ? Math.abs((laid!.period / plan.speed) * 1000) : UNIT;
const share = (b: Marquee) => (Number(b.animation!.currentTime) / lasting(b)) % 1;

function push(b: Marquee, px: number): void {
  if (!b.animation || !b.plan.push || !px || (b.held.size && !b.held.has(AWAY))) return;
  b.animation.currentTime =
    Number(b.animation.currentTime) + ((b.plan.push * px) / Math.abs(b.laid!.period)) * lasting(b);
}

function turnTo(b: Marquee, turn: number): void {
  if (turn === b.turn) return;
  b.turn = turn;
  b.animation?.updatePlaybackRate(Math.sign(b.plan.speed) * turn);
}

function hold(b: Marquee, by: string, on: boolean): void {
  on ? b.held.add(by) : b.held.delete(by);
  if (b.animation) b.held.size ? b.animation.pause() : b.animation.play();
}

/** Lays the strip out anew and goes on where it stood. */
function run(b: Marquee): void {
  const at = b.animation && b.laid ? share(b) : (left.get(b.strip) ?? 0);
  b.animation?.cancel();
  b.laid = lay(b.strip, b.plan.axis);
  b.animation = null;
  if (!b.laid) return;
  b.size = computeSize(b);
  const { period, lead } = b.laid;
  const to = (periods: number) => {
    const px = `${-periods * period}px`;
    return { translate: b.plan.axis === 'inline' ? `${px} 0` : `0 ${px}` };
  };
  const duration = lasting(b);
  b.animation = b.strip.animate([to(lead), to(lead + 1)], {
    duration,
    iterations: 2 * ENDLESS,
    composite: 'add',
  });
  b.animation.currentTime = (ENDLESS + at) * duration;
  b.animation.playbackRate = Math.sign(b.plan.speed) * b.turn;
  if (b.held.size) b.animation.pause();
}

function makeMarquee(strip: HTMLElement, plan: MarqueePlan): Marquee {
  const unboxed = boxed(strip);
  const b: Marquee = {
    plan,
    strip,
    laid: null,
    size: '',
    animation: null,
    state: { y: 0, v: 0 },
    turn: 1,
    held: new Set(),
    end: () => {
      if (b.animation && b.laid) left.set(strip, share(b));
      b.animation?.cancel();
      for (const [type, f] of listeners) strip.removeEventListener(type, f);
      cleared(strip);
      unboxed();
    },
  };
  const listeners: [string, () => void][] = [
    ['marquee-rest', () => hold(b, 'page', true)],
    ['marquee-run', () => hold(b, 'page', false)],
    ...(plan.pauses
      ? ([
          ['pointerenter', () => hold(b, 'pointer', true)],
          ['pointerleave', () => hold(b, 'pointer', false)],
          ['focusin', () => hold(b, 'focus', true)],
          ['focusout', () => hold(b, 'focus', false)],
        ] as [string, () => void][])
      : []),
  ];
  for (const [type, f] of listeners) strip.addEventListener(type, f);
  return b;
}
