import type { Clock, SequencePlan } from './index.js';

/** Shows the pictures of sequences below a root; given to `start` as an option. Returns what stops it and brings back the page’s own pictures. */
export function playSequences(
  root: Document | Element,
  plans: readonly SequencePlan[],
  clock: Clock,
): () => void;
