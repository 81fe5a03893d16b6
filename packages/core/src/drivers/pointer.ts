/** The pointer: how far across an area it stands, from its left or top edge to the other one. */
import * as z from 'zod';
import type { Range } from '../timeline/index.ts';
import { PLAIN } from './kind.ts';
import type { DriverKind } from './kind.ts';
import { selector } from './parts.ts';
import { view } from './view.ts';
import type { ViewDriver } from './view.ts';

/** What a finger does: nothing, the same as a pointer while it touches the screen, or nothing but the way in which the device is held. */
export const TOUCHES = ['none', 'drag', 'tilt'] as const;

/**
 * Progress 0 to 1 along `axis` of the area `over`: the viewport, the target itself, or the one element that a selector finds. Half of it is the
 * middle. `rest`: where it goes when the pointer leaves, null where it stays. `share`: a custom property whose number says by how much of the way each
 * target is moved out of where it rests, 1 where it says nothing; none: all of it.
 */
export interface PointerDriver {
  kind: 'pointer';
  axis: 'x' | 'y';
  over: string;
  rest: number | null;
  touch: (typeof TOUCHES)[number];
  share?: string | undefined;
}

/** Words of `over` that are no selectors. */
const AREAS = ['viewport', 'self'];
const isElement = (over: string): boolean => !AREAS.includes(over);

/** It has no place along the scroll; it shows where its target can be seen. */
const SEEN: ViewDriver = { kind: 'view', subject: 'self', axis: 'block', insets: ['0px', '0px'] };
const WHOLE: Range = { start: 'cover 0%', end: 'cover 100%' };

export const pointer = {
  ...PLAIN,
  schema: z.strictObject({
    kind: z.literal('pointer'),
    axis: z.enum(['x', 'y']),
    over: selector,
    rest: z.number().min(0).max(1).nullable(),
    touch: z.enum(TOUCHES),
    share: z
      .string()
      .regex(/^--[\w-]+$/, 'a custom property such as --depth')
      .optional(),
  }),
  progress: 'pointed',
  points: 'none',
  playsReduced: false,
  css: { needs: 'script', why: 'CSS does not know where the pointer is.' },
  place: (_driver, _range, target, layout) => view.place(SEEN, WHOLE, target, layout),
  selectors: ({ over }) => (isElement(over) ? [over] : []),
  withSelectors: (driver, rename) =>
    isElement(driver.over) ? { ...driver, over: rename(driver.over) } : driver,
  // What it is over belongs to one page.
  content: ({ over, ...driver }) => ({ ...driver, over: isElement(over) ? 'viewport' : over }),
  withContent: (own, preset) => {
    const over = isElement(preset.over) ? 'viewport' : preset.over;
    return { ...preset, over: over === 'viewport' && isElement(own.over) ? own.over : over };
  },
} satisfies DriverKind<PointerDriver>;
