/** Recorded scrolling of a project. */
import { itemAt } from '@lyvek/core';
import type { Trace } from '@lyvek/core';

/** As many as the server keeps for a project. */
export const MAX_TRACES = 12;

/** Samples as a trace under a free name, counted from the first movement; null when nothing moved. Times to a tenth of a ms. */
export function traceFrom(
  samples: readonly { t: number; y: number }[],
  known: readonly Trace[],
): Trace | null {
  const first = samples.findIndex((s, i) => i > 0 && s.y !== itemAt(samples, 0).y);
  if (first < 0) return null;
  const kept = samples.slice(first - 1);
  const began = first === 1 ? itemAt(kept, 1).t - 1000 / 60 : itemAt(kept, 0).t;
  return {
    format: 'lyvek-trace',
    version: 1,
    name: freeName('Scrolling', known),
    samples: kept.map(({ t, y }) => ({ t: Math.max(0, Math.round((t - began) * 10) / 10), y })),
  };
}

export function freeName(name: string, known: readonly Trace[]): string {
  for (let n = 1; ; n++) {
    const one = `${name} ${n}`;
    if (!known.some((t) => t.name === one)) return one;
  }
}

/** The oldest goes when there are too many; one of the same name is replaced. */
export const withTrace = (known: readonly Trace[], trace: Trace): Trace[] =>
  [...known.filter((t) => t.name !== trace.name), trace].slice(-MAX_TRACES);
