/** Small pieces of the document's schema that several of its parts share. */
import * as z from 'zod';
import { parseLength } from '../page/index.ts';

export { id, inset, selector } from '../drivers/parts.ts';
export const name = z.string().trim().min(1).max(120);

/** A length or percentage as CSS, calc() included. */
export const length = z
  .string()
  .max(400)
  .superRefine((css, ctx) => {
    const parsed = parseLength(css);
    if (!parsed.ok) ctx.addIssue({ code: 'custom', message: parsed.error });
  });
