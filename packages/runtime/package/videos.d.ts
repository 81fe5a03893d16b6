import type { Clock, VideoPlan } from './index.js';

/** Brings videos below a root to their time; given to `start` as an option. Returns what stops it. */
export function playVideos(root: Document | Element, plans: readonly VideoPlan[], clock: Clock): () => void;
