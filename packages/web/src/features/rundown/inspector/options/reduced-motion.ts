/** What is left of a motion for readers who ask for reduced motion. */
import type { Motion } from '@lyvek/core';

export const REDUCED_MOTION: readonly { value: Motion['reducedMotion']; text: string; note: string }[] = [
  { value: 'fade', text: 'only fades', note: 'keeps opacity, drops movement' },
  { value: 'drop', text: 'does not play', note: 'shown in its final state' },
  { value: 'keep', text: 'plays anyway', note: 'for motions that carry meaning' },
];
