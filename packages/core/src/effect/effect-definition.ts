/** What an effect is: a starting point by intent. It composes ordinary motions, pins and adjustments; nothing of it is remembered. */
import { findAxis } from './reveal-range.ts';
import { itemAt } from '../assert/index.ts';
import type { Adjustment, Trigger, Motion, MotionDocument, Pin } from '../motion/index.ts';
import { elementName, findDrawing, isPart, isSvgShape } from '../page/index.ts';
import type { ElementFacts, PinnedLayout } from '../page/index.ts';
import { shorten } from '../text/index.ts';

export interface EffectContext {
  layout: PinnedLayout;
  element: number;
  /** what is there already: a second writer of a property must not hide the first */
  document: MotionDocument;
  newId(kind: 'm' | 'p' | 'g' | 'a'): string;
}

/** What an effect adds to a document. The first motion, else the first pin, is what people then tune. */
export interface Fragment {
  motions: Motion[];
  pins: Pin[];
  triggers: Trigger[];
  adjustments: Adjustment[];
}

export const EFFECT_GROUPS = {
  reveal: 'Comes into sight',
  depth: 'Moves at another speed',
  hold: 'Pins',
  draw: 'Draws and counts',
  many: 'Several together',
  time: 'Time-based',
  leave: 'Goes',
  kept: 'Kept by you',
} as const;

export interface EffectDefinition {
  id: string;
  name: string;
  /** what a reader of the page sees, in a short sentence */
  what: string;
  group: keyof typeof EFFECT_GROUPS;
  /** the driver of its first part, for its sign */
  driver: Motion['driver']['kind'];
  /** further words that people may search for */
  words?: string;
  /** where an element itself does not suit, one of the nearest that hold it may */
  lifts?: boolean;
  /** it is nothing for pseudo-elements: it needs what only elements have */
  needsElement?: boolean;
  /** it moves what is in its element, each by itself */
  movesParts?: boolean;
  /** why it does not suit an element, or null */
  unfit?(context: EffectContext): string | null;
  compose(context: EffectContext): Fragment;
}

/** Two stops that run linearly, as every scrubbed starting point does. */
export const between = (from: string, to: string) => [
  { at: '0%', value: from },
  { at: '100%', value: to },
];

export const factsAt = (c: EffectContext): ElementFacts => itemAt(c.layout.elements, c.element);
export const nameAt = (c: EffectContext, element = c.element): string =>
  elementName(itemAt(c.layout.elements, element), c.layout);

type Given = Pick<Motion, 'keyframes'> & Partial<Motion>;

/** What view progress counts by: engines differ in where they see a part of a drawing, so there it is the drawing. */
export const subjectFor = (c: EffectContext, selector: string): string | null => {
  const at = c.layout.elements.findIndex((e) => e.selector === selector);
  const found = c.layout.elements[at];
  return found && isSvgShape(found) ? (findDrawing(c.layout, at)?.selector ?? null) : null;
};

/** A motion on the element’s own view progress unless told otherwise. It adds no second hold before its range where another already writes. */
export function motionOn(c: EffectContext, selector: string, name: string, given: Given): Motion {
  const moved = c.layout.elements.find((e) => e.selector === selector);
  const shares = c.document.motions.some(
    (m) => m.targets.selector === selector && Object.keys(m.keyframes).some((p) => p in given.keyframes),
  );
  return {
    id: c.newId('m'),
    name: shorten(name, 120),
    on: true,
    targets: { selector },
    driver: {
      kind: 'view',
      subject: subjectFor(c, selector) ?? 'self',
      axis: moved ? findAxis(moved, c.layout) : 'block',
      insets: ['0px', '0px'],
    },
    range: { start: 'cover 0%', end: 'cover 100%' },
    easing: 'linear',
    fill: shares ? 'forwards' : 'both',
    composite: 'replace',
    damping: { kind: 'none' },
    reducedMotion: 'fade',
    ...given,
  };
}

export const adjust = (
  c: EffectContext,
  selector: string,
  declarations: Record<string, string>,
  given: readonly { id: string }[],
  attributes?: Adjustment['attributes'],
): Adjustment => ({
  id: c.newId('a'),
  selector,
  declarations,
  ...(attributes ? { attributes } : {}),
  for: given.map((x) => x.id),
});

export const fragment = (part: Partial<Fragment>): Fragment => ({
  motions: [],
  pins: [],
  triggers: [],
  adjustments: [],
  ...part,
});

/** The element that an effect is for: the chosen one, else the nearest around it that suits, else the chosen one with the reason. */
export function aim(effect: EffectDefinition, c: EffectContext): { element: number; reason: string | null } {
  const reason = refusePart(effect, c) ?? effect.unfit?.(c) ?? null;
  if (reason === null || !effect.lifts) return { element: c.element, reason };
  let outer = itemAt(c.layout.elements, c.element).parent;
  for (let i = 0; i < LIFTS && outer >= 0; i++, outer = itemAt(c.layout.elements, outer).parent)
    if (effect.unfit?.({ ...c, element: outer }) === null) return { element: outer, reason: null };
  return { element: c.element, reason };
}
const LIFTS = 3;

const refusePart = (effect: EffectDefinition, c: EffectContext): string | null =>
  (effect.needsElement || effect.movesParts) && isPart(factsAt(c))
    ? 'It needs an element; this is drawn by one.'
    : null;

/** Measured elements directly inside one, in page order. */
export const listChildren = (layout: PinnedLayout, element: number): number[] =>
  layout.elements.flatMap((e, i) => (e.parent === element && !isPart(e) ? [i] : []));
