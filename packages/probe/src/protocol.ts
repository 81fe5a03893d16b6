/**
 * What the workbench and the probe inside an imported page say to each other, over a private port. The page is hostile: it shares
 * the probe's realm, so the workbench checks every message by these schemas, and by size and rate.
 */
import * as z from 'zod';
import { LayoutSchema, MAX_ELEMENTS, RiddenSchema } from '@lyvek/core';
import type { HtmlPatch, MeasureRequest, Plan, ScheduledLook, RidePath, Viewport } from '@lyvek/core';
import type { Wanted } from './look.ts';

const finite = z.number().finite();
const element = z.number().int().min(-1).max(MAX_ELEMENTS);

/** From the probe. */
export const FromProbe = z.discriminatedUnion('type', [
  /** the page is there: loaded, or waited for long enough */
  z.strictObject({ type: z.literal('ready'), late: z.boolean(), frames: z.number().int().min(0).max(1000) }),
  z.strictObject({ type: z.literal('layout'), id: z.number().int(), layout: LayoutSchema }),
  z.strictObject({
    type: z.literal('styled'),
    id: z.number().int(),
    refused: z.array(z.string().max(200)).max(200),
  }),
  /** where the page now stands; `seq` is the newest command that had landed by then */
  z.strictObject({ type: z.literal('scrolled'), seq: z.number().int(), x: finite, y: finite }),
  /** the page's size has changed since it was measured */
  z.strictObject({ type: z.literal('resized') }),
  z.strictObject({ type: z.literal('hover'), element }),
  /** `aside`: choose it beside the selection, for instance as another element’s view progress */
  z.strictObject({ type: z.literal('picked'), element, additive: z.boolean(), aside: z.boolean() }),
  z.strictObject({ type: z.literal('zoom'), delta: finite }),
  /** hosts whose files the page asked for in vain: it may reach its own only */
  z.strictObject({ type: z.literal('blocked'), hosts: z.array(z.string().max(100)).max(20) }),
  /** what a selector matches, and selectors that match the given element and others like it */
  z.strictObject({
    type: z.literal('found'),
    selector: z.string().max(2000),
    count: z.number().int().min(0),
    /** measured ones */
    elements: z.array(element).max(500),
    error: z.string().max(200).nullable(),
    like: z.array(z.strictObject({ selector: z.string().max(2000), count: z.number().int() })).max(6),
  }),
  /** what was shown at a scroll offset */
  z.strictObject({
    type: z.literal('looked'),
    id: z.number().int(),
    look: z.strictObject({
      y: finite,
      height: finite.optional(),
      restless: z.boolean().optional(),
      values: z.array(z.array(z.string().max(2000)).max(60).nullable()).max(20_000),
    }),
  }),
  /** how many pictures of a sequence can be loaded, and the size of the first */
  z.strictObject({
    type: z.literal('counted'),
    id: z.number().int(),
    count: z.number().int().min(0).max(2000),
    width: z.number().int().min(0).max(100_000),
    height: z.number().int().min(0).max(100_000),
  }),
  /** where a line of a drawing runs */
  z.strictObject({
    type: z.literal('drawn'),
    id: z.number().int(),
    path: z
      .strictObject({
        data: z.string().max(20_000),
        matrix: z.array(finite).length(6),
        points: z.array(z.tuple([finite, finite])).max(100),
      })
      .nullable(),
  }),
  /** the page was scrolled along a path, and this is how its frames went */
  z.strictObject({ type: z.literal('rode'), id: z.number().int(), ridden: RiddenSchema }),
  z.strictObject({ type: z.literal('pong'), id: z.number().int() }),
  z.strictObject({ type: z.literal('failed'), message: z.string().max(400) }),
]);
export type FromProbe = z.infer<typeof FromProbe>;

/** To the probe. */
export type ToProbe =
  /** `at`: once its window has this size */
  | { type: 'measure'; id: number; request: MeasureRequest; at?: Viewport }
  | {
      type: 'style';
      id: number;
      pieces: { id: string; css: string; stays: boolean }[];
      /** ids of all pieces; null: the same as before */
      order: string[] | null;
      patch: HtmlPatch;
      plan: Plan;
      /** something that the script plays was written anew */
      again: boolean;
      /** keyframes of code that is in step with this: a page that has them all plays it by itself; null: it is not */
      written: string[] | null;
    }
  | { type: 'scroll'; seq: number; x: number; y: number }
  /** how small the page is shown, so that one notch of the wheel stays one notch of the page */
  | { type: 'scale'; scale: number }
  /** timed parts by the names of their animations: `at` ms since their start, null gives them back to the page */
  | { type: 'time'; names: string[]; at: number | null; rate: number; run: boolean }
  /** holds a custom property at a value, whatever the scroll says; null lets go */
  | { type: 'hold'; selector: string; property: string; value: string | null }
  /** the pointer at shares of the viewport, as if it were there; null: it has left */
  | { type: 'point'; at: { x: number; y: number } | null }
  /** asks how many pictures of a sequence there are */
  | { type: 'count'; id: number; files: string }
  /** asks where a line of a drawing runs */
  | { type: 'draw'; id: number; selector: string }
  | { type: 'find'; selector: string; element: number }
  /** scrolls, waits until the animations have heard of it, and reads computed values */
  | { type: 'look'; id: number; at: ScheduledLook; wanted: Wanted[] }
  /** scrolls along a path and watches every frame, then `rest` ms more */
  | { type: 'ride'; id: number; path: RidePath; rest: number }
  /** the page hears its own clicks and keys; or picks are heard here again */
  | { type: 'use'; on: boolean }
  | { type: 'ping'; id: number };

export { HELLO } from './words.ts';
export * from './pairing.ts';
