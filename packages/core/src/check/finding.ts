/** What a check is and what it finds. */
import { z } from 'zod';
import type { GestureDefinition } from '../feel/index.ts';
import type { Instance, Motion, MotionDocument, Take } from '../motion/index.ts';
import type { Px } from '../page/index.ts';

export type Severity = 'wrong' | 'doubtful';

/** The project's own thresholds. Chosen by us unless a source is given. */
export const LimitsSchema = z.strictObject({
  /** frames in range under the chosen gesture, at least */
  framesInRange: z.number().int().min(0).max(1000).default(8),
});
export type Limits = z.infer<typeof LimitsSchema>;
export const DEFAULT_LIMITS: Limits = LimitsSchema.parse({});

export interface CheckContext {
  document: MotionDocument;
  take: Take;
  gesture: GestureDefinition;
  /** frames per second */
  refresh: number;
  limits: Limits;
}

export interface Fix {
  label: string;
  /** the motion as it should be; everything else of the document stays */
  motion: Motion;
  /** declarations that an element of the page needs besides */
  adjust?: { selector: string; declarations: Record<string, string> };
}

/** The document with a finding mended. */
export function withFix(document: MotionDocument, { motion, adjust }: Fix): MotionDocument {
  const motions = document.motions.map((m) => (m.id === motion.id ? motion : m));
  if (!adjust) return { ...document, motions };
  const ids = new Set(document.adjustments.map((a) => a.id));
  let n = 1;
  while (ids.has(`a_fix-${n}`)) n++;
  const made = { id: `a_fix-${n}`, ...adjust, for: [motion.id] };
  return { ...document, motions, adjustments: [...document.adjustments, made] };
}

export interface Finding {
  check: string;
  motion: string;
  element: number;
  severity: Severity;
  /** scroll offset where it shows */
  at: Px;
  /** two or three words for a lane label */
  brief: string;
  sentence: string;
  fix: Fix | null;
}

export interface CheckDefinition {
  id: string;
  name: string;
  /** why a reader of the page cares */
  why: string;
  /** looks at one motion on one element */
  look(instance: Instance, context: CheckContext): Finding | null;
}

export const pxText = (px: Px): string => `${english.format(Math.round(px))} px`;
const english = new Intl.NumberFormat('en');
export const maxOf = (instance: Instance, take: Take): Px =>
  take.layout.scrollers[instance.placed.scroller]!.max[instance.placed.axis];
