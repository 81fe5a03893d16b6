import type { Clock } from './index.js';

/** Everything that moves, as data that Lyvek writes; nothing of it is meant to be written by hand. */
export interface FallbackPlan {
  motions: object[];
  triggers: object[];
}

/**
 * Plays everything in the document, in browsers without scroll timelines, as long as readers do not ask for reduced motion. Returns what stops it
 * and leaves the page as it was.
 */
export function start(plan: FallbackPlan, clock?: Clock): () => void;
