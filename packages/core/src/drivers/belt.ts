/** A strip that moves endlessly, at a speed that listens to the scroll. */
import { z } from 'zod';
import type { Axis } from '../page/index.ts';
import type { Range } from '../timeline/index.ts';
import { PLAIN } from './kind.ts';
import type { DriverKind } from './kind.ts';
import { axis } from './parts.ts';
import { passage } from './passage.ts';
import type { PassageDriver } from './passage.ts';

/**
 * `speed` is in px per second towards the strip's start, negative the other way; `turns`: it runs backwards while the page was last
 * scrolled upwards; `push`: the share of the followed scroll that it moves on top; `rests` under the pointer and while something in it
 * has the focus.
 */
export interface BeltDriver {
  kind: 'belt';
  axis: Axis;
  speed: number;
  turns: boolean;
  push: number;
  rests: boolean;
}

/** It runs all the time; its place is where its strip can be seen. */
const SEEN: PassageDriver = { kind: 'passage', subject: 'self', axis: 'block', insets: ['0px', '0px'] };
const WHOLE: Range = { start: 'cover 0%', end: 'cover 100%' };

export const belt = {
  ...PLAIN,
  schema: z.strictObject({
    kind: z.literal('belt'),
    axis,
    speed: z.number().min(-4000).max(4000),
    turns: z.boolean(),
    push: z.number().min(-10).max(10),
    rests: z.boolean(),
  }),
  progress: 'endless',
  points: 'none',
  playsReduced: false,
  css: { needs: 'script', why: 'A belt is the script’s.' },
  place: (_driver, _range, target, layout) => passage.place(SEEN, WHOLE, target, layout),
  content: (driver) => driver,
  withContent: (_own, preset) => preset,
} satisfies DriverKind<BeltDriver>;
