/** Scroll that one bar of the budget band stands for. */
import type { Px } from '@lyvek/core';
import { roundStep } from './view.ts';
import type { View } from './view.ts';

/** A round number that is at least four rows high. */
export const bucketSize = (view: View): Px => Math.max(50, roundStep(4 * view.per));
