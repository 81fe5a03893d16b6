/** Signals: numbers that motions send to scripts of the page. What one is called is part of its custom property. */
import type { Motion } from '../motion/index.ts';
import { withMotion } from './put.ts';
import { editWhole } from './operation.ts';
import type { Operation } from './operation.ts';

const SIGNAL = '--signal';

export const isSignal = (property: string): boolean => /^--signal(?:-[\w-]+)?$/.test(property);

/** `--signal-sway` is `sway`; the plain one has no name. */
export const signalName = (property: string): string => property.slice(SIGNAL.length + 1);
export const signalProperty = (name: string): string => (name === '' ? SIGNAL : `${SIGNAL}-${name}`);

/** Whether a signal can be called so: letters, digits and hyphens; empty for the plain one. */
export const isSignalName = (name: string): boolean => /^(?:[a-z0-9][\w-]{0,39})?$/i.test(name);

/** A name that no signal of these motions has, from a number on. */
export function freeSignal(motions: readonly Motion[]): string {
  const taken = new Set(motions.flatMap((m) => Object.keys(m.keyframes)));
  let property = SIGNAL;
  for (let i = 2; taken.has(property); i++) property = signalProperty(String(i));
  return property;
}

const renamed = <T>(record: Readonly<Record<string, T>>, from: string, to: string): Record<string, T> =>
  Object.fromEntries(Object.entries(record).map(([key, value]) => [key === from ? to : key, value]));

/** Calls a motion’s signal otherwise, under its conditions too. */
export const renameSignal = (id: string, from: string, name: string): Operation =>
  editWhole(
    'rename the signal',
    withMotion(id, (m) => {
      const to = signalProperty(name);
      if (to in m.keyframes) return m;
      const conditions = m.conditions?.map((c) =>
        c.keyframes ? { ...c, keyframes: renamed(c.keyframes, from, to) } : c,
      );
      const thresholds = m.thresholds?.map((t) => (t.property === from ? { ...t, property: to } : t));
      return {
        ...m,
        keyframes: renamed(m.keyframes, from, to),
        ...(conditions ? { conditions } : {}),
        ...(thresholds ? { thresholds } : {}),
      };
    }),
  );

export type Threshold = NonNullable<Motion['thresholds']>[number];

/** What is said of a signal’s thresholds, instead of what was. */
export const setThresholds = (id: string, property: string, own: readonly Threshold[]): Operation =>
  editWhole(
    'set the thresholds',
    withMotion(id, (m) => {
      const { thresholds = [], ...rest } = m;
      const next = [...thresholds.filter((t) => t.property !== property), ...own];
      return next.length ? { ...rest, thresholds: next } : rest;
    }),
  );

/** A new threshold in the middle of what a signal runs through, left again a tenth of that below. */
export function newThreshold(
  property: string,
  known: readonly Threshold[],
  [low, high]: [number, number],
): Threshold {
  const names = new Set(known.map((t) => t.name));
  let n = known.length + 1;
  while (names.has(`step-${n}`)) n++;
  const tidy = (x: number) => Number(x.toPrecision(3));
  const at = tidy((low + high) / 2);
  return { property, name: `step-${n}`, at, back: Math.min(at, tidy(at - (high - low) / 10)) };
}
