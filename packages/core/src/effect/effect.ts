/** The registry of effects. A new one is a file in this folder (or a row in reveal.ts) and a line here. */
import { edit, freeName } from '../edit/index.ts';
import type { Change, Operation } from '../edit/index.ts';
import { alongPath } from './along-path.ts';
import { marquee } from './marquee.ts';
import { counterColumns } from './columns.ts';
import { far, near } from './depth.ts';
import { bar, count, draw, drawInTurn, signal } from './drawing.ts';
import { itemAt } from '../assert/index.ts';
import { findMatches, isSvgShape, openedAround } from '../page/index.ts';
import { adjust } from './effect-definition.ts';
import type { EffectContext, EffectDefinition, Fragment } from './effect-definition.ts';
import { hold } from './hold.ts';
import { fadeOut, leave } from './leave.ts';
import { reveals } from './reveal.ts';
import { morph } from './morph.ts';
import { highlight, iris } from './stops.ts';
import { pointerDrift } from './pointer.ts';
import { ring } from './ring.ts';
import { rings } from './rings.ts';
import { stack } from './stack.ts';
import { sway } from './sway.ts';
import { textReveals } from './text.ts';
import { intro, pulse, titlePair } from './timed.ts';
import { pictureSequence } from './sequence.ts';
import { scrubVideo } from './video.ts';
import { travel } from './travel.ts';

export const EFFECTS: readonly EffectDefinition[] = [
  ...reveals,
  iris,
  ...textReveals,
  far,
  near,
  sway,
  pointerDrift,
  hold,
  travel,
  draw,
  drawInTurn,
  alongPath,
  morph,
  bar,
  highlight,
  ring,
  count,
  signal,
  scrubVideo,
  pictureSequence,
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
  if (clipped.length === 0) return withShapeOrigins(c, effect.compose(c));
  const made = effect.compose({ ...c, layout });
  const inside = [...made.motions, ...made.pins];
  const already = (selector: string) =>
    c.document.adjustments.some((a) => a.selector === selector && a.declarations.overflow === 'clip');
  const adjustments = clipped
    .filter((selector) => inside.length > 0 && !already(selector))
    .map((selector) => adjust(c, selector, { overflow: 'clip' }, inside));
  return withShapeOrigins(c, { ...made, adjustments: [...made.adjustments, ...adjustments] });
}

/** What turns and grows about an element’s middle; on shapes of drawings only where their own box counts. */
const TURNS = ['rotate', 'scale', 'transform'];
export const SHAPE_ORIGIN = { 'transform-box': 'fill-box', 'transform-origin': '50% 50%' };
export const needsShapeOrigin = (property: string): boolean => TURNS.includes(property);

function withShapeOrigins(c: EffectContext, made: Fragment): Fragment {
  const shapes = made.motions.filter(
    ({ targets: { selector }, keyframes }) =>
      Object.keys(keyframes).some(needsShapeOrigin) &&
      !made.adjustments.some((a) => a.selector === selector && 'transform-origin' in a.declarations) &&
      findMatches(c.layout, selector).some((i) => isSvgShape(itemAt(c.layout.elements, i))),
  );
  const adjustments = shapes.map((m) => adjust(c, m.targets.selector, SHAPE_ORIGIN, [m]));
  return { ...made, adjustments: [...made.adjustments, ...adjustments] };
}

/** Adds what an effect has composed; its pin is selected, or its first motion. */
export const addFragment = (name: string, f: Fragment): Operation => {
  const [first] = [...f.pins, ...f.motions];
  return edit(`add ${name.toLowerCase()}`, withFragment(f), first ? [first.id] : []);
};

/** `made` with names that nothing in `known` has. */
const named = <T extends { name: string }>(known: readonly T[], made: readonly T[]): T[] => {
  const takeName = freeName(known.map((x) => x.name));
  return made.map((x) => ({ ...x, name: takeName(x.name) }));
};

/** Joins a fragment to a document, behind what is there; what has a name that is taken gets a number. */
export const withFragment =
  (f: Fragment): Change =>
  (d) => ({
    ...d,
    motions: [...d.motions, ...named(d.motions, f.motions)],
    pins: [...d.pins, ...named(d.pins, f.pins)],
    triggers: [...d.triggers, ...named(d.triggers, f.triggers)],
    adjustments: [...d.adjustments, ...f.adjustments],
  });
