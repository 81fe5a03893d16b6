/** Edits of a document as the workbench makes them, with ids of its own. */
import { duplicated as makeCopies, withTarget as retargeted } from '@lyvek/core';
import type { MotionDocument } from '@lyvek/core';

export { withCue, withTrigger, withMotion, without as withoutMotions, withPin } from '@lyvek/core';

export const newId = (kind: string): string =>
  `${kind}_${crypto.randomUUID().replaceAll('-', '').slice(0, 12)}`;

export const withTarget = (id: string, selector: string) => retargeted(id, selector, newId);

export const duplicated = (d: MotionDocument, ids: readonly string[]) => makeCopies(d, ids, newId);
