/** Triggers in the document: a place whose passing starts timed parts. */
import * as z from 'zod';
import { parseMeeting, parsePhasePoint } from '../timeline/index.ts';
import { id, inset, name, selector } from './parts.ts';

const percentage = z.string().regex(/^-?\d+(\.\d+)?%$/, 'a percentage such as 25%');
export const MeetingSchema = z.strictObject({ edge: percentage, line: percentage }).superRefine((m, ctx) => {
  const parsed = parseMeeting(m);
  if (!parsed.ok) ctx.addIssue({ code: 'custom', message: parsed.error });
});
export const phasePoint = (side: 'start' | 'end') =>
  z
    .string()
    .max(200)
    .superRefine((css, ctx) => {
      const parsed = parsePhasePoint(css, side);
      if (!parsed.ok) ctx.addIssue({ code: 'custom', message: parsed.error });
    });
const line = z.union([phasePoint('start'), MeetingSchema]);

export const TriggerSchema = z.strictObject({
  id,
  name,
  on: z.boolean(),
  /** the element whose view progress the lines are places of */
  subject: selector,
  /** where it starts its parts going down */
  down: line,
  /** where it heeds the way up; null: the same line */
  up: line.nullable(),
  /** where, further down, it counts as left, and is entered again on the way up; none: it is never left downwards */
  past: line.nullable().optional(),
  /** shrink the part of the viewport that phases count in */
  insets: z.tuple([inset, inset]).optional(),
  /** what starts it instead of its lines, which are kept: a click, the pointer over its subject, or the focus in it */
  event: z.enum(['click', 'hover', 'focus']).optional(),
  plays: z.enum(['once', 'each-time']),
  /** what happens when it is left */
  back: z.enum(['keeps-end', 'plays-back', 'returns']),
});
export type Trigger = z.infer<typeof TriggerSchema>;

const ms = z
  .string()
  .regex(/^\d+(\.\d+)?ms$/, 'a time such as 640ms')
  .refine((t) => Number.parseFloat(t) <= 60_000, 'at most a minute');

/** When a part plays: counted from its trigger or from page load, or from the end of another part. */
export const TimeSchema = z.strictObject({
  delay: ms,
  duration: ms.refine((t) => Number.parseFloat(t) >= 1, 'at least 1ms'),
  /** the part whose end the delay counts from */
  after: id.optional(),
});
export type Time = z.infer<typeof TimeSchema>;
