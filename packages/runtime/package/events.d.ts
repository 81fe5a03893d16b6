import type { EventPlan } from './index.js';

/** Plays what events start below a root; given to `start` as an option. Returns what stops it. */
export function playEvents(root: Document | Element, plans: readonly EventPlan[]): () => void;
