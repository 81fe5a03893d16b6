/** A trial: a gesture run over the page, simulated or measured, with its frames and with all that is needed to run it again. */
import * as z from 'zod';
import { COST_PARTS, ENGINES } from '../budget/index.ts';
import { TraceSchema } from '../gesture/index.ts';
import { ViewportSchema } from '../page/index.ts';
import { DIRECTIONS } from './ride.ts';

export const TRIAL_KINDS = ['simulated', 'here', 'lab'] as const;
export type TrialKind = (typeof TRIAL_KINDS)[number];

export const TrialSetupSchema = z.strictObject({
  gesture: z.string().max(40),
  /** constants of the gesture that are not its own */
  values: z.record(z.string().max(40), z.number()).default({}),
  trace: TraceSchema.optional(),
  clock: z.string().max(20),
  direction: z.enum(DIRECTIONS),
  viewport: ViewportSchema,
  device: z.string().max(40),
  /** browser of the lab; Chromium where none is named */
  engine: z.enum(ENGINES).optional(),
  /** what it was measured on, where that is a device in somebody’s hand */
  on: z.string().max(60).optional(),
  /** how long the hand takes from end to end of the page, ms; the time limit of a measured trial goes with it */
  lasts: z.number().min(0).max(3_600_000).optional(),
  /** measured runs besides a warm-up; the median one is kept */
  repeats: z.number().int().min(1).max(9).default(3),
});
export type TrialSetup = z.infer<typeof TrialSetupSchema>;

/** Of the offsets: beyond what any browser lays out; of the rest: longer than any trial, ms. */
const MAX_OFFSET = 34e6;
const MAX_MS = 1e8;
const column = z.array(z.number().min(-MAX_MS).max(MAX_MS)).max(400_000);
const offsets = z.array(z.number().min(0).max(MAX_OFFSET)).max(400_000);
export const TrialFramesSchema = z
  .strictObject({
    /** ms since the first frame, scroll offset in px */
    t: column,
    y: offsets,
    /** ms per part */
    ...(Object.fromEntries(COST_PARTS.map((p) => [p, column])) as Record<
      (typeof COST_PARTS)[number],
      typeof column
    >),
    /** ms from the frame before, where it was measured */
    interval: column.optional(),
  })
  .refine((f) => Object.values(f).every((c) => c === undefined || c.length === f.t.length), {
    message: 'all columns of frames are equally long',
  });
export type TrialFrames = z.infer<typeof TrialFramesSchema>;

/** Something that a browser told of: a long animation frame with what was in it, a layout shift, missed frames. */
export const TrialEventSchema = z.strictObject({
  kind: z.enum(['long-frame', 'shift', 'dropped']),
  t: z.number().finite(),
  y: z.number().finite(),
  /** ms; of shifts the score; of dropped frames how many */
  size: z.number().finite(),
  what: z.string().max(400),
});
export type TrialEvent = z.infer<typeof TrialEventSchema>;

export const TrialResultSchema = z.strictObject({
  format: z.literal('lyvek-trial'),
  version: z.literal(1),
  kind: z.enum(TRIAL_KINDS),
  setup: TrialSetupSchema,
  frames: TrialFramesSchema,
  events: z.array(TrialEventSchema).max(5000),
  /** whole-run milliseconds of the other repeats, to judge the spread */
  spread: z.array(z.number().finite()).max(9),
  /** plain sentences: what makes it doubtful, what could not be measured */
  notes: z.array(z.string().max(400)).max(40),
  /** of simulated ones: how far off the predicted cost may be, as a share */
  band: z.number().min(0).max(100).optional(),
});
export type TrialResult = z.infer<typeof TrialResultSchema>;
