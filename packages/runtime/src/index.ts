/**
 * The script that goes with a hand-off: it plays what CSS alone cannot, and leaves everything else to the browser’s own timelines.
 * Importing it touches nothing; starting twice on one root is starting once; stopping leaves the page as it was.
 */
import { playMarquees } from './marquee.ts';
import { playDamped } from './damping.ts';
import { browserClock } from './plan.ts';
import { playSignals } from './signal.ts';
import { playTravels } from './travel.ts';
import type { Clock, Plan } from './plan.ts';

export type { MarqueePlan, Clock, Plan } from './plan.ts';
export type { SignalDetail } from './signal.ts';

/** Plays a plan whatever readers ask for; for previews, where that is chosen by hand. Returns what stops it. */
export const play = (root: Document | Element, plan: Plan, clock: Clock = browserClock): (() => void) =>
  playAll(root, plan, clock);

function playAll(root: Document | Element, plan: Plan, clock: Clock): () => void {
  const stops = [
    ...(plan.damping.length ? [playDamped(root, plan.damping, clock)] : []),
    ...(plan.marquees?.length ? [playMarquees(root, plan.marquees.filter(holds), clock)] : []),
    ...(plan.travels?.length ? [playTravels(root, plan.travels)] : []),
    ...(plan.signals?.length ? [playSignals(root, plan.signals, clock)] : []),
  ];
  return () => stops.forEach((stop) => stop());
}

const holds = ({ when }: { when?: string }) => when === undefined || matchMedia(when).matches;

const running = new WeakMap<Document | Element, () => void>();

export interface Options {
  clock?: Clock;
}

/** Plays a plan below a root, as long as readers do not ask for reduced motion. Returns what stops it. */
export function start(
  root: Document | Element,
  plan: Plan,
  { clock = browserClock }: Options = {},
): () => void {
  const known = running.get(root);
  if (known) return known;
  const preference = matchMedia('(prefers-reduced-motion: reduce)');
  const watched = [preference, ...(plan.media ?? []).map((query) => matchMedia(query))];
  let end: (() => void) | null = null;
  let printing = false;
  const restart = () => {
    end?.();
    // A signal is no motion by itself: what it moves is for its listener to decide.
    const reducedMotion = preference.matches || printing;
    end = playAll(root, reducedMotion ? { ...plan, damping: [], marquees: [], travels: [] } : plan, clock);
  };
  const print = (e: Event) => {
    printing = e.type === 'beforeprint';
    restart();
  };
  const PRINTS = ['beforeprint', 'afterprint'];
  PRINTS.forEach((type) => addEventListener(type, print));
  const stop = () => {
    PRINTS.forEach((type) => removeEventListener(type, print));
    watched.forEach((query) => query.removeEventListener('change', restart));
    end?.();
    end = null;
    running.delete(root);
  };
  running.set(root, stop);
  watched.forEach((query) => query.addEventListener('change', restart));
  restart();
  return stop;
}
