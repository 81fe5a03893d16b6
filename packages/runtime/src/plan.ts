/** What the script plays. The writer makes it beside the CSS; see core’s format room. */
import type { Plan as Written } from '@lyvek/core';
import type { Damping } from '@lyvek/core/damping';

/** A strip that moves endlessly. */
export type MarqueePlan = Omit<Written['marquees'][number], 'motion'>;

/** What the pointer moves. */
export type PointerPlan = Omit<Written['pointers'][number], 'motion'>;

/** What an event starts. */
export type EventPlan = Omit<Written['events'][number], 'motion'>;

/** A video whose time a custom property says. */
export type VideoPlan = Omit<Written['videos'][number], 'motion'>;

export interface Plan {
  /** media conditions; where one of them changes, everything begins anew */
  media?: string[];
  /** custom properties that scripts of the page hear of */
  signals?: { property: string; selector: string }[];
  marquees?: MarqueePlan[];
  pointers?: PointerPlan[];
  events?: EventPlan[];
  videos?: VideoPlan[];
  /** strips that a pin moves sideways: what has the focus in them is brought into sight */
  travels?: { selector: string }[];
  damping: { names: string[]; selector: string; damping: Exclude<Damping, { kind: 'none' }> }[];
}

/** The frame clock. Tests bring their own. */
export interface Clock {
  /** ms */
  now(): number;
  request(frame: () => void): number;
  cancel(id: number): void;
}

export const browserClock: Clock = {
  now: () => performance.now(),
  request: (frame) => requestAnimationFrame(frame),
  cancel: (id) => cancelAnimationFrame(id),
};

/** The document that something is played in, of which it may be a part. */
export const toDocument = (root: Document | Element): Document =>
  root instanceof Document ? root : root.ownerDocument;
