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

/** A picture whose number in its sequence a custom property says. */
export type SequencePlan = Omit<Written['sequences'][number], 'motion'>;

/** A text whose lines, words or letters move. */
export type TextPlan = Omit<Written['texts'][number], 'motion'>;

/** A number that scripts of the page hear of. */
export type SignalPlan = Omit<Written['signals'][number], 'motion'>;

/** What parts of the script play. */
export interface PartPlans {
  marquees: MarqueePlan;
  pointers: PointerPlan;
  events: EventPlan;
  videos: VideoPlan;
  sequences: SequencePlan;
  texts: TextPlan;
}

type PartLists = { [K in keyof PartPlans]?: PartPlans[K][] | undefined };

export interface Plan extends PartLists {
  /** media conditions; where one of them changes, everything begins anew */
  media?: string[] | undefined;
  /** custom properties that scripts of the page hear of */
  signals?: SignalPlan[] | undefined;
  /** strips that a pin moves sideways: what has the focus in them is brought into sight */
  travels?: { selector: string }[] | undefined;
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
