/** Page load: timed parts that play as soon as the page is there. */
import * as z from 'zod';
import { PLAIN } from './kind.ts';
import type { DriverKind } from './kind.ts';

export interface LoadDriver {
  kind: 'load';
}

export const load = {
  ...PLAIN,
  schema: z.strictObject({ kind: z.literal('load') }),
  progress: 'timed',
  points: 'none',
  css: { needs: 'animations', why: 'It is time-based and plays as soon as the page is there.' },
  place: () => ({ reason: 'it is time-based' }),
  stageKey: () => 'load',
} satisfies DriverKind<LoadDriver>;
