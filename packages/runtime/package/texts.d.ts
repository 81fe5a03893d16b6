import type { Clock, TextPlan } from './index.js';

/** Takes texts below a root apart; given to `start` as an option. Returns what brings them back as they were. */
export function playTexts(root: Document | Element, plans: readonly TextPlan[], clock: Clock): () => void;
