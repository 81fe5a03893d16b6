/** Adjustments: what motions need of page elements: plain declarations, attributes of a drawing, text in parts. */
import * as z from 'zod';
import * as csstree from 'css-tree';
import { TEXT_ORDERS, TEXT_UNITS } from '../timeline/index.ts';
import { id, selector } from './parts.ts';

/** Says what is wrong with a declaration, or null. Custom properties take anything. */
export function declarationError(property: string, css: string): string | null {
  if (css.trim() === '') return `${property} needs a value`;
  if (property.startsWith('--')) return null;
  // Against a stronger rule of the page.
  const value = css.replace(/\s*!\s*important\s*$/i, '');
  const { error } = csstree.lexer.matchProperty(property, value);
  if (!error) return null;
  if (error.name === 'SyntaxReferenceError') return `${property} is not a property known here`;
  // Newer functions than the tables know are the browser’s to judge.
  return /\b(?:calc-size|round|mod|if|attr|sibling-\w+|progress|random|var|env)\(/.test(css)
    ? null
    : `“${css}” is not a value of ${property}`;
}

const declarations = z.record(z.string().max(80), z.string().max(1000)).superRefine((all, ctx) => {
  for (const [property, css] of Object.entries(all)) {
    const message = declarationError(property, css);
    if (message) ctx.addIssue({ code: 'custom', message, path: [property] });
  }
});
/** Attributes that drawings need; none that could run or load anything. */
const attributes = z.strictObject({ pathLength: z.string().max(20).optional() });

/** What the script moves of a text instead of the whole of it; see `timeline/text-order.ts`. */
export const SplitSchema = z.strictObject({
  by: z.enum(TEXT_UNITS),
  order: z.enum(TEXT_ORDERS),
  seed: z.number().int().min(0).max(1e6).optional(),
  /** each is seen only inside of its own box */
  mask: z.boolean().optional(),
});
export type Split = z.infer<typeof SplitSchema>;

export const AdjustmentSchema = z.strictObject({
  id,
  selector,
  declarations,
  attributes: attributes.optional(),
  split: SplitSchema.optional(),
  /** the motions and pins that need it; empty: it stands for itself */
  for: z.array(id).max(500),
});
export type Adjustment = z.infer<typeof AdjustmentSchema>;
