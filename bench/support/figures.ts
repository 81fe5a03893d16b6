/** One figure of a bench: printed as a line and kept for comparison. Ratios of one run, or frames; never bare times of a machine. */
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';

export interface Figure {
  name: string;
  value: number;
  unit: string;
  accept: number | null;
  aim: number | null;
  better: 'lower' | 'higher';
}

const FILE = 'bench/results.json';

/** Prints a figure and puts it into the results, replacing an older one of the same name. */
export function report(figure: Figure): void {
  const value = Number(figure.value.toPrecision(4));
  const limits = [
    figure.accept !== null && `accept ${figure.accept}`,
    figure.aim !== null && `aim ${figure.aim}`,
  ]
    .filter(Boolean)
    .join(', ');
  console.log(
    `${figure.name}: ${value} ${figure.unit}${limits ? ` (${limits}, ${figure.better} is better)` : ''}`,
  );
  let all: Figure[] = [];
  try {
    all = JSON.parse(readFileSync(FILE, 'utf8')) as Figure[];
  } catch {
    // The first figure of a fresh clone.
  }
  mkdirSync(dirname(FILE), { recursive: true });
  writeFileSync(
    FILE,
    `${JSON.stringify([...all.filter((f) => f.name !== figure.name), { ...figure, value }], null, 1)}\n`,
  );
}

export const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[values.length >> 1]!;
export const percentile = (values: readonly number[], p: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * p))]!;

/** Ratios of paired runs A/B in turn, so that a drifting machine hits both; the median counts. */
export function pairedRatio(a: () => void, b: () => void, rounds = 41): number {
  const time = (work: () => void) => {
    const began = performance.now();
    work();
    return performance.now() - began;
  };
  for (let i = 0; i < 12; i++) {
    a();
    b();
  }
  return median(Array.from({ length: rounds }, () => time(a) / time(b)));
}
