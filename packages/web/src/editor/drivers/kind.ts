/** What the interface says and draws of each kind of driver. */
import type { ReactNode } from 'react';
import type { Driver, Hold, Motion, MotionDocument, PinnedLayout } from '@lyvek/core';

export interface DriverWords {
  /** beside the name of a motion */
  short: string;
  /** of several motions */
  several: string;
  /** where two takes differ in it */
  noun: string;
  /** what a search finds it by, in every word that somebody may bring */
  found: string;
  /** in the legend over the lanes; absent where it has no lanes */
  legend?: string;
  /** what its range points are shares of, where they are no phases */
  extent?: { start: string; end: string; of: string };
}

/** A bar in the lanes: the middle of its column, and its rows. */
export interface BarPlace {
  x: number;
  y0: number;
  y1: number;
}

export interface DriverBar {
  draw(place: BarPlace, hold: Hold | null): ReactNode;
  /** px from the middle of its column to its label */
  label: number;
  /** it has a range whose ends are dragged, and keyframes in it */
  hasRange: boolean;
  /** values may stay constant for a stretch in its middle, drawn as a waist */
  holds: boolean;
}

export interface DriverChoice {
  value: string;
  text: string;
  note?: string;
  driver: Driver | 'new trigger';
}

/** What a choice of a driver depends on. */
export interface ChoiceContext {
  driver: Driver;
  document: MotionDocument;
  layout: PinnedLayout;
  /** the motion’s first target, and the element that is picked in the page, or −1 */
  element: number;
  picked: number;
}

/** How it is drawn. */
export interface DriverDrawing {
  Sign(props: { label?: string }): ReactNode;
  bar: DriverBar;
}

/** How a motion comes to have it. */
export interface DriverChoices<D extends Driver = Driver> {
  /** “Driven by …” */
  phrase(driver: D, document: MotionDocument, layout: PinnedLayout): string;
  /** which of the choices it is */
  toChoice(driver: D): string;
  /** those of this kind, in the order in which they are offered */
  listChoices(given: ChoiceContext): DriverChoice[];
  /** further settings under the choices */
  Options?(props: { motion: Motion; driver: D }): ReactNode;
}
