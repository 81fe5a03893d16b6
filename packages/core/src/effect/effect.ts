/**
 * Effects: starting points by intent. Each builds ordinary keyframes and a range; nothing of it is remembered afterwards.
 * A new one is a file in this folder and a line in the registry.
 */
import type { ElementFacts, Layout } from '../page/index.ts';
import type { Motion } from '../motion/index.ts';
import { fade } from './fade.ts';
import { grow } from './grow.ts';
import { isSeenAtOnce, leaveRange } from './reveal-range.ts';
import { rise } from './rise.ts';
import { sharpen } from './sharpen.ts';
import { drop, slideFromLeft, slideFromRight } from './slide.ts';
import type { EffectDefinition } from './effect-definition.ts';
import { turn } from './turn.ts';

export const EFFECTS: readonly EffectDefinition[] = [
  rise,
  drop,
  fade,
  slideFromLeft,
  slideFromRight,
  grow,
  sharpen,
  turn,
];
export const effectById = (id: string): EffectDefinition | undefined => EFFECTS.find((e) => e.id === id);

export interface StartingPoint extends Pick<Motion, 'keyframes' | 'range'> {
  /** it plays backwards as the element leaves, since there is no scroll before it arrives */
  leaving: boolean;
}

/** What an effect puts on an element: as it arrives, or, for what the first screen shows at once, as it leaves. */
export function startingPoint(effect: EffectDefinition, e: ElementFacts, layout: Layout): StartingPoint {
  const built = effect.build(e, layout);
  if (!isSeenAtOnce(e, layout)) return { ...built, leaving: false };
  const backwards = Object.entries(built.keyframes).map(([property, stops]) => [
    property,
    stops.toReversed().map((s) => ({ ...s, at: `${100 - Number.parseFloat(s.at)}%` })),
  ]);
  return {
    keyframes: Object.fromEntries(backwards) as Motion['keyframes'],
    range: leaveRange(e),
    leaving: true,
  };
}
