/**
 * Plays what CSS alone cannot, and leaves everything else to the browser’s own timelines. Starting twice on one root is starting once;
 * stopping leaves the page as it was. Marquees and pointers are in few pages, so whoever plays them brings them along.
 */
import { playDamped } from './damping.ts';
import { browserClock, toDocument } from './plan.ts';
import type { Clock, EventPlan, MarqueePlan, Plan, PointerPlan, VideoPlan } from './plan.ts';
import { watchSheets } from './sheets.ts';
import { playSignals } from './signal.ts';
import { playTravels } from './travel.ts';

type Root = Document | Element;
type Play<P> = (root: Root, plans: readonly P[], clock: Clock) => () => void;

export interface Options {
  clock?: Clock | undefined;
  /** plays marquees; without it there are none */
  marquees?: Play<MarqueePlan>;
  /** plays what the pointer moves; without it, that stands as the page has it */
  pointers?: Play<PointerPlan>;
  /** plays what events start; without it, that stands as the page has it */
  events?: Play<EventPlan>;
  /** brings videos to their time; without it, they stay at their start */
  videos?: Play<VideoPlan>;
}

/** Plays a plan whatever readers ask for; for previews, where that is chosen by hand. Returns what stops it. */
export function playWith(
  root: Root,
  plan: Plan,
  { clock = browserClock, marquees, pointers, events, videos }: Options,
): () => void {
  const stops = [
    ...(plan.damping.length ? [playDamped(root, plan.damping, clock)] : []),
    ...(plan.marquees && marquees ? [marquees(root, plan.marquees.filter(holds), clock)] : []),
    ...(plan.pointers && pointers ? [pointers(root, plan.pointers.filter(holds), clock)] : []),
    ...(plan.events && events ? [events(root, plan.events.filter(holds), clock)] : []),
    ...(plan.videos && videos ? [videos(root, plan.videos, clock)] : []),
    ...(plan.travels?.length ? [playTravels(root, plan.travels)] : []),
    ...(plan.signals?.length ? [playSignals(root, plan.signals, clock)] : []),
  ];
  return () => stops.forEach((stop) => stop());
}

const holds = ({ when }: { when?: string }) => when === undefined || matchMedia(when).matches;

/** What plays below a root, by its plan, for as many as have started it. */
interface Run {
  owners: number;
  stop(): void;
}
const running = new WeakMap<Root, Map<Plan, Run>>();

/**
 * Plays a plan below a root, as long as readers do not ask for reduced motion. Returns what stops it. Started again on the same root, the same
 * plan plays once, until all who started it have stopped it.
 */
export function start(root: Root, plan: Plan, options: Options = {}): () => void {
  const runs = running.get(root) ?? new Map<Plan, Run>();
  running.set(root, runs);
  const run = runs.get(plan) ?? { owners: 0, stop: keepPlaying(root, plan, options) };
  runs.set(plan, run);
  run.owners++;
  let owned = true;
  return () => {
    if (owned && --run.owners === 0) {
      runs.delete(plan);
      run.stop();
    }
    owned = false;
  };
}

/** Begins anew when what readers ask for, or what a style sheet says, changes, and rests while the page is printed. */
function keepPlaying(root: Root, plan: Plan, options: Options): () => void {
  const preference = matchMedia('(prefers-reduced-motion: reduce)');
  const watched = [preference, ...(plan.media ?? []).map((query) => matchMedia(query))];
  let end: (() => void) | null = null;
  let printing = false;
  const restart = () => {
    end?.();
    // A signal is no motion by itself: what it moves is for its listener to decide.
    const reducedMotion = preference.matches || printing;
    // What somebody asks for happens, at once; on paper nothing does.
    const events = printing
      ? []
      : plan.events?.map((e) => (e.keeps ? e : { ...e, delay: 0, duration: 0, late: [] }));
    const still = {
      ...plan,
      damping: [],
      marquees: [],
      pointers: [],
      videos: [],
      travels: [],
      ...(events && { events }),
    };
    end = playWith(root, reducedMotion ? still : plan, options);
  };
  const print = (e: Event) => {
    printing = e.type === 'beforeprint';
    restart();
  };
  const PRINTS = ['beforeprint', 'afterprint'];
  PRINTS.forEach((type) => addEventListener(type, print));
  watched.forEach((query) => query.addEventListener('change', restart));
  restart();
  const names = plan.damping.flatMap((d) => d.names);
  const { request } = options.clock ?? browserClock;
  const unwatch = names.length ? watchSheets(toDocument(root), names, restart, request) : null;
  return () => {
    unwatch?.();
    PRINTS.forEach((type) => removeEventListener(type, print));
    watched.forEach((query) => query.removeEventListener('change', restart));
    end?.();
    end = null;
  };
}
