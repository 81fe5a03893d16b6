/** The registry of effects. A new one is a file in this folder (or a row in reveal.ts) and a line here. */
import { edit } from '../edit/index.ts';
import type { Change, Operation } from '../edit/index.ts';
import { marquee } from './marquee.ts';
import { counterColumns } from './columns.ts';
import { far, near } from './depth.ts';
import { bar, count, draw, signal } from './drawing.ts';
import { openedAround } from '../page/index.ts';
import { adjust } from './effect-definition.ts';
import type { EffectContext, EffectDefinition, Fragment } from './effect-definition.ts';
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
  marquee,
  rings,
  titlePair,
  pulse,
  intro,
  leave,
  fadeOut,
];
export const effectById = (id: string): EffectDefinition | undefined => EFFECTS.find((e) => e.id === id);

/**
 * Composes an effect for an element. Inside of a scroller that stands still its view progress would stand still too, so the starting point counts
 * on that one clipping instead, and brings the adjustment for it along.
 */
export function composeEffect(effect: EffectDefinition, c: EffectContext): Fragment {
  const { layout, clipped } = openedAround(c.layout, c.element);
  if (clipped.length === 0) return effect.compose(c);
  const made = effect.compose({ ...c, layout });
  const inside = [...made.motions, ...made.pins];
  const already = (selector: string) =>
    c.document.adjustments.some((a) => a.selector === selector && a.declarations.overflow === 'clip');
  const adjustments = clipped
    .filter((selector) => inside.length > 0 && !already(selector))
    .map((selector) => adjust(c, selector, { overflow: 'clip' }, inside));
  return { ...made, adjustments: [...made.adjustments, ...adjustments] };
}

/** Adds what an effect has composed; its pin is selected, or its first motion. */
export const addFragment = (name: string, f: Fragment): Operation => {
  const [first] = [...f.pins, ...f.motions];
  return edit(`add ${name.toLowerCase()}`, withFragment(f), first ? [first.id] : []);
};

/** Joins a fragment to a document, behind what is there. */
export const withFragment =
  (f: Fragment): Change =>
  (d) => ({
    ...d,
    motions: [...d.motions, ...f.motions],
    pins: [...d.pins, ...f.pins],
    triggers: [...d.triggers, ...f.triggers],
    adjustments: [...d.adjustments, ...f.adjustments],
  });
