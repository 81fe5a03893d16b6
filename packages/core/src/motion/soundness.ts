/** Whether an edit leaves a document that can be kept. */
import { itemAt } from '../assert/index.ts';
import type { z } from 'zod';
import { AdjustmentSchema } from './adjustment.ts';
import { MediaSchema } from './conditions.ts';
import { crossProblems } from './cross-problems.ts';
import { MotionSchema, listProblems } from './schema.ts';
import type { MotionDocument } from './document.ts';
import { TriggerSchema } from './trigger.ts';
import { PinSchema } from './pin.ts';
import { CueSchema } from './tie.ts';

const SCHEMAS = {
  motions: MotionSchema,
  pins: PinSchema,
  triggers: TriggerSchema,
  cues: CueSchema,
  adjustments: AdjustmentSchema,
  media: MediaSchema,
} as const;

/**
 * Why a document that was made from a sound one cannot be kept, in a sentence; null where it can. Looks only at what differs by identity,
 * so it costs little on a document of hundreds of motions.
 */
export function whyUnsound(before: MotionDocument, after: MotionDocument): string | null {
  for (const [list, schema] of Object.entries(SCHEMAS) as [keyof typeof SCHEMAS, z.ZodType][]) {
    if (before[list] === after[list]) continue;
    const known = new Set<object>(before[list]);
    for (const one of after[list] as { id: string; name?: string }[]) {
      if (known.has(one)) continue;
      const result = schema.safeParse(one);
      if (!result.success)
        return `${one.name ? `“${one.name}”: ` : ''}${itemAt(listProblems(result.error), 0).message}.`;
    }
  }
  const cross = crossProblems(after)[0];
  return cross ? `${cross.message}.` : null;
}
