/** A recorded way of scrolling: scroll offsets over time, as one file. */
import { z } from 'zod';

export const TraceSchema = z.strictObject({
  format: z.literal('lyvek-trace'),
  version: z.literal(1),
  name: z.string().trim().min(1).max(120),
  /** in the order of time: ms since the first one, and px */
  samples: z
    .array(z.strictObject({ t: z.number().min(0).max(3_600_000), y: z.number().finite() }))
    .min(2)
    .max(200_000)
    .superRefine((list, ctx) => {
      const at = list.findIndex((s, i) => i > 0 && s.t < list[i - 1]!.t);
      if (at > 0)
        ctx.addIssue({ code: 'custom', message: 'samples are in the order of time', path: [at, 't'] });
    }),
});
export type Trace = z.infer<typeof TraceSchema>;
