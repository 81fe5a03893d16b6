/** A strip that moves endlessly, at a speed that listens to the scroll. */
import * as z from 'zod';
import type { Axis } from '../page/index.ts';
import type { Range } from '../timeline/index.ts';
import { PLAIN } from './kind.ts';
import type { DriverKind } from './kind.ts';
import { axis } from './parts.ts';
import { view } from './view.ts';
import type { ViewDriver } from './view.ts';

/**
 * `speed` is in px per second towards the strip's start, negative the other way; `turns`: it runs backwards while the page was last
 * scrolled upwards; `push`: the share of the followed scroll that it moves on top; `rests` under the pointer and while something in it
 * has the focus.
 */
export interface MarqueeDriver {
  kind: 'marquee';
  axis: Axis;
  speed: number;
  reverses: boolean;
  push: number;
  pauses: boolean;
}

/** It runs all the time; its place is where its strip can be seen. */
const SEEN: ViewDriver = { kind: 'view', subject: 'self', axis: 'block', insets: ['0px', '0px'] };
const WHOLE: Range = { start: 'cover 0%', end: 'cover 100%' };

export const marquee = {
  ...PLAIN,
  schema: z.strictObject({
    kind: z.literal('marquee'),
    axis,
    speed: z.number().min(-4000).max(4000),
    reverses: z.boolean(),
    push: z.number().min(-10).max(10),
    pauses: z.boolean(),
  }),
  progress: 'endless',
  points: 'none',
  playsReduced: false,
  css: { needs: 'script', why: 'A marquee is the script’s.' },
  place: (_driver, _range, target, layout) => view.place(SEEN, WHOLE, target, layout),
  content: (driver) => driver,
  withContent: (_own, preset) => preset,
} satisfies DriverKind<MarqueeDriver>;
