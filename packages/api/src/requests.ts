/** What requests bring that is read by core’s own readers: apart, so that a browser that only asks does not load these. */
import * as z from 'zod';
import { DocumentSchema, PresetBodySchema } from '@lyvek/core';
import { Name, RevisionOf } from './shapes.ts';

export const NewPreset = z.strictObject({ name: Name, body: PresetBodySchema });
export const NewTake = z.strictObject({
  name: Name.optional(),
  document: DocumentSchema,
  madeFrom: RevisionOf.optional(),
});
