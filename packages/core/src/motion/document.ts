/** The document: all motions of one take of one page. */
import type * as z from 'zod';
import { driverSelectors } from '../drivers/index.ts';
import { splitPart } from '../page/part.ts';
import type { DocumentShape, MotionSchema } from './schema.ts';

export type Motion = z.infer<typeof MotionSchema>;
export type MotionDocument = z.infer<typeof DocumentShape>;

/** Something read from a page otherwise than before. */
export interface Correction {
  /** motions that are read now, with what they need */
  read: MotionDocument;
  /** those that were read instead */
  instead: Motion[];
}

export const emptyDocument = (): MotionDocument => ({
  format: 'lyvek-document',
  version: 2,
  motions: [],
  pins: [],
  triggers: [],
  cues: [],
  adjustments: [],
  media: [],
  properties: [],
  importedRules: [],
  accepted: [],
});

/** Every selector that a layout has to know for a document: targets, subjects and scrollers. */
export function collectSelectors(document: MotionDocument): string[] {
  const all = new Set<string>();
  for (const m of document.motions) {
    all.add(m.targets.selector).add(splitPart(m.targets.selector)[0]);
    for (const s of driverSelectors(m.driver)) all.add(s);
  }
  for (const p of document.pins) {
    all.add(p.stage);
    if (p.distance.kind === 'travel') all.add(p.distance.strip);
  }
  for (const g of document.triggers) all.add(g.subject);
  for (const a of document.adjustments) all.add(a.selector);
  return [...all];
}
