/** Scroll that one bar of the budget band stands for. */
import type { Px } from '@lyvek/core';
import type { View } from './view.ts';

const SIZES = [50, 100, 200, 500, 1000, 2000, 5000, 10_000];
/** A round number that is at least four rows high. */
export const bucketSize = (view: View): Px => SIZES.find((s) => s / view.per >= 4) ?? 20_000;
