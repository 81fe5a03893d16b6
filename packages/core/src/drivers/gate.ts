/** A gate: it starts timed parts when its line is passed. */
import { z } from 'zod';
import { PLAIN } from './kind.ts';
import type { DriverKind } from './kind.ts';
import { id } from './parts.ts';

export interface GateDriver {
  kind: 'gate';
  gate: string;
}

export const gate = {
  ...PLAIN,
  schema: z.strictObject({ kind: z.literal('gate'), gate: id }),
  progress: 'timed',
  points: 'none',
  css: { needs: 'triggers', why: 'A gate is a timeline trigger.' },
  place: () => ({ reason: 'it plays in time' }),
  references: (driver) => [{ list: 'gates', id: driver.gate }],
  withReferences: (driver, rename) => ({ ...driver, gate: rename(driver.gate) }),
  stageKey: (driver) => `gate ${driver.gate}`,
} satisfies DriverKind<GateDriver>;
