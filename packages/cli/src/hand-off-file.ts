/** What lies beside an exported page, so that it can be proved and opened again. */
import * as z from 'zod';
import { DocumentSchema, LayoutSchema } from '@lyvek/core';

export const HAND_OFF_FILE = 'lyvek.json';
export const HandOffFile = z.strictObject({
  format: z.literal('lyvek-hand-off'),
  version: z.union([z.literal(1), z.literal(2)]),
  entry: z.string(),
  document: DocumentSchema,
  layout: LayoutSchema,
});
