/** Small pieces of the document's schema that several of its parts share. */
import { z } from 'zod';
import { parseLength } from '../page/index.ts';

export const id = z.string().regex(/^[a-z]_[A-Za-z0-9_-]{1,40}$/, 'an id such as m_card2');
export const selector = z.string().trim().min(1).max(2000);
export const name = z.string().trim().min(1).max(120);

/** A length or percentage as CSS, calc() included. */
export const length = z
  .string()
  .max(400)
  .superRefine((css, ctx) => {
    const parsed = parseLength(css);
    if (!parsed.ok) ctx.addIssue({ code: 'custom', message: parsed.error });
  });
