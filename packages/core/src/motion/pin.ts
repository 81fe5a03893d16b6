/** Pins in the document: a section held still for a distance of scroll. */
import * as z from 'zod';
import { id, length, name, selector } from './parts.ts';

const distance = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('length'), value: length }),
  /** as long as a strip’s travel; `rate` 2 moves it twice as fast as the hand */
  z.strictObject({ kind: z.literal('travel'), strip: selector, rate: z.number().min(0.05).max(20) }),
]);

export const PinSchema = z.strictObject({
  id,
  name,
  on: z.boolean(),
  /** the section that is held */
  stage: selector,
  /** which of its edges is held, and how far inside the viewport */
  sticky: z.strictObject({ by: z.enum(['top', 'bottom']), inset: length }),
  distance,
  /** how far it reaches under the section before and over the one after */
  overlap: z.tuple([length, length]),
  /** stacking order among its neighbours; null leaves it to the page */
  layer: z.number().int().min(-1000).max(1000).nullable(),
  /** what differs where a media condition holds */
  conditions: z
    .array(z.strictObject({ media: id, on: z.boolean().optional(), distance: distance.optional() }))
    .max(20)
    .optional(),
});
export type Pin = z.infer<typeof PinSchema>;
