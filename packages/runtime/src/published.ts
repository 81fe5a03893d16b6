/** The types that are published are written by hand; the compiler holds them against what they describe. */
import type * as Fallback from '../package/fallback.d.ts';
import type * as Published from '../package/index.d.ts';
import type * as Marquees from '../package/marquees.d.ts';
import type * as Events from '../package/events.d.ts';
import type * as Videos from '../package/videos.d.ts';
import type * as Texts from '../package/texts.d.ts';
import type * as Sequences from '../package/sequences.d.ts';
import type * as Pointers from '../package/pointers.d.ts';
import type { start as startFallback } from './fallback/index.ts';
import type { playMarquees } from './marquee.ts';
import type { EventPlan, MarqueePlan, Plan, PointerPlan, SequencePlan, TextPlan, VideoPlan } from './plan.ts';
import type { playSequences } from './sequence.ts';
import type { playTexts } from './text/text.ts';
import type { playVideos } from './video.ts';
import type { playEvents } from './events.ts';
import type { Options, start } from './player.ts';
import type { playPointers } from './pointer.ts';
import type { SignalDetail, ThresholdDetail } from './signal.ts';

type Both<A, B> = [A, B] extends [B, A] ? true : never;
type FallbackPlan = Parameters<typeof startFallback>[0];

/** Each is `never`, and so no `true`, where one side can no longer stand for the other. */
export const ALIKE: [
  Both<Published.Plan, Plan>,
  Both<Published.MarqueePlan, MarqueePlan>,
  Both<Published.PointerPlan, PointerPlan>,
  Both<Published.EventPlan, EventPlan>,
  Both<Published.VideoPlan, VideoPlan>,
  Both<Published.TextPlan, TextPlan>,
  Both<typeof Texts.playTexts, typeof playTexts>,
  Both<Published.SequencePlan, SequencePlan>,
  Both<Published.Options, Options>,
  Both<Published.SignalDetail, SignalDetail>,
  Both<Published.ThresholdDetail, ThresholdDetail>,
  Both<typeof Published.start, typeof start>,
  Both<typeof Marquees.playMarquees, typeof playMarquees>,
  Both<typeof Pointers.playPointers, typeof playPointers>,
  Both<typeof Events.playEvents, typeof playEvents>,
  Both<typeof Videos.playVideos, typeof playVideos>,
  Both<typeof Sequences.playSequences, typeof playSequences>,
  // What it holds is nobody’s to write.
  FallbackPlan extends Fallback.FallbackPlan ? true : never,
] = [
  true,
  true,
  true,
  true,
  true,
  true,
  true,
  true,
  true,
  true,
  true,
  true,
  true,
  true,
  true,
  true,
  true,
  true,
];
