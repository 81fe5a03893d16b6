import type { Clock, PointerPlan } from './index.js';

/** Plays what the pointer moves below a root; given to `start` as an option. Returns what stops it. */
export function playPointers(
  root: Document | Element,
  plans: readonly PointerPlan[],
  clock: Clock,
): () => void;
