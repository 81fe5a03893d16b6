/** What a gesture is: a way of scrolling. */
import type { Ms, Px } from '../page/index.ts';

/** A number that a gesture is made with, with its bounds and where it comes from. */
export interface Constant {
  name: string;
  value: number;
  unit: string;
  min: number;
  max: number;
  source: string;
}
export type Values<K extends string = string> = Readonly<Record<K, number>>;

/** A hand at work: how far it has scrolled. */
export interface Hand {
  /** px after which the gesture repeats itself; start offsets within it count as equally likely */
  period: Px;
  /** px travelled since the start, at a time in ms; grows without end, and never shrinks */
  distance(t: Ms): Px;
}

export interface GestureDefinition<K extends string = string> {
  id: string;
  name: string;
  /** one sentence for people */
  what: string;
  /** goes by whole screens, so that hardly any motion is seen on its way, however long its range */
  leaps?: boolean;
  constants: Readonly<Record<K, Constant>>;
  /** with these values of its constants, on a scrollport this high */
  hand(values: Values<K>, port: Px): Hand;
}

/** Keeps the names of the constants for `hand`, and forgets them for the registry. */
export const defineGesture = <K extends string>(d: GestureDefinition<K>): GestureDefinition =>
  d as unknown as GestureDefinition;
