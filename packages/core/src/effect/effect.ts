/** The registry of effects. A new one is a file in this folder (or a row in reveal.ts) and a line here. */
import type { MotionDocument } from '../motion/index.ts';
import { belt } from './belt.ts';
import { counterColumns } from './columns.ts';
import { far, near } from './depth.ts';
import { bar, count, draw, signal } from './drawing.ts';
import type { EffectDefinition, Fragment } from './effect-definition.ts';
import { hold } from './hold.ts';
import { fadeOut, leave } from './leave.ts';
import { reveals } from './reveal.ts';
import { rings } from './rings.ts';
import { stack } from './stack.ts';
import { sway } from './sway.ts';
import { intro, pulse, titlePair } from './timed.ts';
import { travel } from './travel.ts';

export const EFFECTS: readonly EffectDefinition[] = [
  ...reveals,
  far,
  near,
  sway,
  hold,
  travel,
  draw,
  bar,
  count,
  signal,
  stack,
  counterColumns,
  belt,
  rings,
  titlePair,
  pulse,
  intro,
  leave,
  fadeOut,
];
export const effectById = (id: string): EffectDefinition | undefined => EFFECTS.find((e) => e.id === id);

/** Joins a fragment to a document, behind what is there. */
export const withFragment =
  (f: Fragment) =>
  (d: MotionDocument): MotionDocument => ({
    ...d,
    motions: [...d.motions, ...f.motions],
    pins: [...d.pins, ...f.pins],
    gates: [...d.gates, ...f.gates],
    adjustments: [...d.adjustments, ...f.adjustments],
  });
