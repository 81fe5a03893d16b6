/** The script with all that it can play, for previews and tests; a hand-off takes along what it needs. */
import { playEvents } from './events.ts';
import { playMarquees } from './marquee.ts';
import { playPointers } from './pointer.ts';
import { playSequences } from './sequence.ts';
import { playTexts } from './text/text.ts';
import { playVideos } from './video.ts';
import type { Clock, Plan } from './plan.ts';
import { playWith, start as startWith } from './player.ts';
import type { Options } from './player.ts';

export type {
  EventPlan,
  SequencePlan,
  TextPlan,
  VideoPlan,
  MarqueePlan,
  PointerPlan,
  Clock,
  Plan,
} from './plan.ts';
export type { Options } from './player.ts';
export { browserClock } from './plan.ts';
export { playTexts };
export type { SignalDetail, ThresholdDetail } from './signal.ts';

const PARTS = {
  marquees: playMarquees,
  pointers: playPointers,
  events: playEvents,
  videos: playVideos,
  sequences: playSequences,
  texts: playTexts,
};

/**
 * Plays a plan whatever readers ask for; for previews, where that is chosen by hand. Texts are taken apart before the page is measured, so by others.
 * Returns what stops it.
 */
export const play = (root: Document | Element, plan: Plan, clock?: Clock): (() => void) =>
  playWith(root, plan, { clock, ...PARTS, texts: undefined });

/** Plays a plan below a root, as long as readers do not ask for reduced motion. Returns what stops it. */
export const start = (root: Document | Element, plan: Plan, options: Options = {}): (() => void) =>
  startWith(root, plan, { ...PARTS, ...options });
