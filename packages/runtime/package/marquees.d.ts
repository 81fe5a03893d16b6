import type { Clock, MarqueePlan } from './index.js';

/** Plays marquees below a root; given to `start` as an option. Returns what stops them. */
export function playMarquees(
  root: Document | Element,
  plans: readonly MarqueePlan[],
  clock: Clock,
): () => void;
