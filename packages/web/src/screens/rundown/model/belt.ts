/** What a belt does under a hand. */
import type { Driver } from '@lyvek/core';

export type Belt = Extract<Driver, { kind: 'belt' }>;

/** A belt to begin with. */
export const BELT: Belt = { kind: 'belt', axis: 'inline', speed: 50, turns: true, push: 0.25, rests: true };

/** px per second towards the strip’s start, at a constant speed of the hand, px per second, negative upwards. */
export const beltSpeed = (b: Belt, hand: number): number =>
  b.speed * (b.turns && hand < 0 ? -1 : 1) + b.push * hand;
