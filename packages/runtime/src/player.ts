/**
 * Plays what CSS alone cannot, and leaves everything else to the browser’s own timelines. Starting twice on one root is starting once;
 * stopping leaves the page as it was. Few pages need its parts, so whoever plays them brings them along.
 */
import { playDamped } from './damping.ts';
import { browserClock, toDocument } from './plan.ts';
import type { Clock, PartPlans, Plan } from './plan.ts';
import { watchSheets } from './sheets.ts';
import { playSignals } from './signal.ts';
import { playTravels } from './travel.ts';

type Root = Document | Element;
type Play<P> = (root: Root, plans: readonly P[], clock: Clock) => () => void;

/** What plays the parts of a plan; what nothing plays stands as the page has it. */
export type Parts = { [K in keyof PartPlans]?: Play<PartPlans[K]> | undefined };

export interface Options extends Parts {
  clock?: Clock | undefined;
}

/** Plays a plan whatever readers ask for; for previews, where that is chosen by hand. Returns what stops it. */
export function playWith(root: Root, plan: Plan, { clock = browserClock, ...parts }: Options): () => void {
  const stops = Object.keys(parts).flatMap((name) =>
    playPart(name as keyof PartPlans, { root, plan, parts, clock }),
  );
  if (plan.damping.length) stops.push(playDamped(root, plan.damping, clock));
  if (plan.travels?.length) stops.push(playTravels(root, plan.travels));
  if (plan.signals?.length) stops.push(playSignals(root, plan.signals, clock));
  return () => stops.forEach((stop) => stop());
}

interface Played {
  root: Root;
  plan: Plan;
  parts: Parts;
  clock: Clock;
}

function playPart<K extends keyof PartPlans>(name: K, { root, plan, parts, clock }: Played): (() => void)[] {
  const play = parts[name] as Play<PartPlans[K]> | undefined;
  const plans = plan[name] as PartPlans[K][] | undefined;
  return play && plans?.length ? [play(root, plans.filter(holds), clock)] : [];
}

const holds = (plan: PartPlans[keyof PartPlans]): boolean =>
  !('when' in plan) || plan.when === undefined || matchMedia(plan.when).matches;

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
    const { media, signals } = plan;
    // Without a picture a canvas would be empty.
    const sequences = plan.sequences?.map((s) => ({ ...s, still: true }));
    const still = { media, signals, damping: [], ...(events && { events }), ...(sequences && { sequences }) };
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
