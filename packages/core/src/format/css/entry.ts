/** What one motion becomes in the animation lists of its element. */
import type { Motion } from '../../motion/index.ts';
import type { Ms } from '../../page/index.ts';
import type { KeyframesBlock } from './keyframes-css.ts';
import type { Tuned } from './tuned.ts';

/** One entry of the animation lists. */
export interface Entry {
  motion: Motion;
  blocks: KeyframesBlock[];
  timeline: string;
  range: string;
  /** the same where `scroll` is no name of a range; null where it needs none */
  common?: string | null;
  /** numbers of its own that its block begins with */
  tuned?: readonly Tuned[];
  /** of timed parts: when they play, and on whose passing; null where the scroll scrubs */
  timed: { start: Ms; duration: Ms; trigger: string; later: string | null } | null;
}
