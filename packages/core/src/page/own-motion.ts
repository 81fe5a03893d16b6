/** What the page moves by itself: animations of its own rules and scripts, and styles that its scripts write while it is scrolled. It is left alone. */
import * as z from 'zod';
import { MAX_PX } from './sense.ts';

const px = z.number().min(-MAX_PX).max(MAX_PX);

export const OwnMotionSchema = z.strictObject({
  /** index in `elements` */
  element: z.number().int().min(0),
  properties: z.array(z.string().max(80)).min(1).max(40),
  /** `writes`: a script sets styles as the page is scrolled */
  by: z.enum(['rules', 'script', 'writes']),
  drives: z.enum(['scroll', 'time']),
  /** it adds to what is there, so that others are seen too */
  adds: z.boolean().optional(),
  /** stretch of the page’s scroll over which it moves something that is seen */
  start: px,
  end: px,
});
export type OwnMotion = z.infer<typeof OwnMotionSchema>;

/** Whose it is, in words. */
export const ownMotionWords = ({ by, drives }: Pick<OwnMotion, 'by' | 'drives'>): string =>
  ({
    rules: `the page’s own rules, ${drives === 'scroll' ? 'by scroll' : 'in time'}`,
    script: `a script of the page, ${drives === 'scroll' ? 'by scroll' : 'in time'}`,
    writes: 'a script of the page that writes styles as it scrolls',
  })[by];
