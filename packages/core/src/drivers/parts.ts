/** Small pieces of the document's schema that drivers are made of. */
import * as z from 'zod';
import { parseLength } from '../page/index.ts';

export const id = z.string().regex(/^[a-z]_[A-Za-z0-9_-]{1,40}$/, 'an id such as m_card2');
export const selector = z.string().trim().min(1).max(2000);
export const axis = z.enum(['block', 'inline']);
export const inset = z.string().refine((css) => css === 'auto' || parseLength(css).ok, 'a length, or auto');
