/** What a marquee does under a hand. */
import type { Driver } from '@lyvek/core';

export type Marquee = Extract<Driver, { kind: 'marquee' }>;

/** A marquee to begin with. */
export const MARQUEE: Marquee = {
  kind: 'marquee',
  axis: 'inline',
  speed: 50,
  reverses: true,
  push: 0.25,
  pauses: true,
};

/** px per second towards the strip’s start, at a constant speed of the hand, px per second, negative upwards. */
export const marqueeSpeed = (b: Marquee, hand: number): number =>
  b.speed * (b.reverses && hand < 0 ? -1 : 1) + b.push * hand;
