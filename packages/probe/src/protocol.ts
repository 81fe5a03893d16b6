/**
 * What the workbench and the probe inside an imported page say to each other, over a private port. The page is hostile: it shares
 * the probe's realm, so the workbench checks every message by these schemas, and by size and rate.
 */
import { z } from 'zod';
import { LayoutSchema, RiddenSchema } from '@lyvek/core';
import type { HtmlPatch, Plan, PlannedLook, RidePath } from '@lyvek/core';
import type { Wanted } from './look.ts';

const finite = z.number().finite();
const element = z.number().int().min(-1).max(6000);

/** From the probe. */
export const FromProbe = z.discriminatedUnion('is', [
  /** the page is there: loaded, or waited for long enough */
  z.strictObject({ is: z.literal('ready'), late: z.boolean(), frames: z.number().int().min(0).max(1000) }),
  z.strictObject({ is: z.literal('layout'), id: z.number().int(), layout: LayoutSchema }),
  z.strictObject({
    is: z.literal('styled'),
    id: z.number().int(),
    refused: z.array(z.string().max(200)).max(200),
  }),
  /** where the page now stands; `seq` is the newest command that had landed by then */
  z.strictObject({ is: z.literal('scrolled'), seq: z.number().int(), x: finite, y: finite }),
  /** the page's size has changed since it was measured */
  z.strictObject({ is: z.literal('resized') }),
  z.strictObject({ is: z.literal('hover'), element }),
  /** `aside`: choose it beside the selection, for instance as another element’s view progress */
  z.strictObject({ is: z.literal('picked'), element, additive: z.boolean(), aside: z.boolean() }),
  z.strictObject({ is: z.literal('zoom'), delta: finite }),
  /** hosts whose files the page asked for in vain: it may reach its own only */
  z.strictObject({ is: z.literal('blocked'), hosts: z.array(z.string().max(100)).max(20) }),
  /** what a selector matches, and selectors that match the given element and others like it */
  z.strictObject({
    is: z.literal('found'),
    selector: z.string().max(2000),
    count: z.number().int().min(0),
    /** measured ones */
    elements: z.array(element).max(500),
    error: z.string().max(200).nullable(),
    like: z.array(z.strictObject({ selector: z.string().max(2000), count: z.number().int() })).max(6),
  }),
  /** what was shown at a scroll offset */
  z.strictObject({
    is: z.literal('looked'),
    id: z.number().int(),
    look: z.strictObject({
      y: finite,
      values: z.array(z.array(z.string().max(2000)).max(60).nullable()).max(20_000),
    }),
  }),
  /** the page was scrolled along a path, and this is how its frames went */
  z.strictObject({ is: z.literal('rode'), id: z.number().int(), ridden: RiddenSchema }),
  z.strictObject({ is: z.literal('pong'), id: z.number().int() }),
  z.strictObject({ is: z.literal('failed'), message: z.string().max(400) }),
]);
export type FromProbe = z.infer<typeof FromProbe>;

/** To the probe. */
export type ToProbe =
  | { do: 'measure'; id: number; selectors: string[] }
  | {
      do: 'style';
      id: number;
      pieces: { id: string; css: string; stays: boolean }[];
      order: string[];
      patch: HtmlPatch;
      plan: Plan;
      /** something that the script plays was written anew */
      again: boolean;
    }
  | { do: 'scroll'; seq: number; x: number; y: number }
  /** how small the page is shown, so that one notch of the wheel stays one notch of the page */
  | { do: 'scale'; scale: number }
  /** timed parts by the names of their animations: `at` ms since their start, null gives them back to the page */
  | { do: 'time'; names: string[]; at: number | null; rate: number; run: boolean }
  /** holds a custom property at a value, whatever the scroll says; null lets go */
  | { do: 'hold'; selector: string; property: string; value: string | null }
  | { do: 'find'; selector: string; element: number }
  /** scrolls, waits until the animations have heard of it, and reads computed values */
  | { do: 'look'; id: number; at: PlannedLook; wanted: Wanted[] }
  /** scrolls along a path and watches every frame, then `rest` ms more */
  | { do: 'ride'; id: number; path: RidePath; rest: number }
  /** the page hears its own clicks and keys; or picks are heard here again */
  | { do: 'use'; on: boolean }
  | { do: 'ping'; id: number };

export { HELLO } from './words.ts';
export * from './pairing.ts';
