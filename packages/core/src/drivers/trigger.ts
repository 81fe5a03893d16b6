/** A trigger: it starts timed parts when its line is passed. */
import * as z from 'zod';
import { PLAIN } from './kind.ts';
import type { DriverKind } from './kind.ts';
import { id } from './parts.ts';

export interface TriggerDriver {
  kind: 'trigger';
  trigger: string;
}

export const trigger = {
  ...PLAIN,
  schema: z.strictObject({ kind: z.literal('trigger'), trigger: id }),
  progress: 'timed',
  points: 'none',
  css: { needs: 'triggers', why: 'A trigger is a timeline trigger.' },
  place: () => ({ reason: 'it is time-based' }),
  references: (driver) => [{ list: 'triggers', id: driver.trigger }],
  withReferences: (driver, rename) => ({ ...driver, trigger: rename(driver.trigger) }),
  stageKey: (driver) => `trigger ${driver.trigger}`,
} satisfies DriverKind<TriggerDriver>;
