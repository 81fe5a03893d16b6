import { itemAt } from '../assert/index.ts';
import type { Pin } from '../motion/index.ts';
import type { PinnedLayout } from '../page/index.ts';
import { factsAt, fragment, nameAt } from './effect-definition.ts';
import type { EffectContext, EffectDefinition } from './effect-definition.ts';
import { shorten } from '../text/index.ts';

export const newPin = (c: EffectContext, stage: string, name: string, distance: Pin['distance']): Pin => ({
  id: c.newId('p'),
  name: shorten(name, 120),
  on: true,
  stage,
  sticky: { by: 'top', inset: '0px' },
  distance,
  overlap: ['0px', '0px'],
  layer: null,
});

/** Why an element cannot be held, in the words of the panel. */
export function unfitStage(c: EffectContext, stage: number): string | null {
  const { layout } = c;
  const e = itemAt(layout.elements, stage);
  if (e.tag === 'body' || e.tag === 'html' || e.tag === 'main') return 'Pin one section, not the whole page.';
  if (e.fixed) return 'It is fixed to the window already.';
  if (layout.pinnedSpans.some((h) => inside(layout, stage, h.stage) || inside(layout, h.stage, stage)))
    return 'It is pinned already, or inside a pinned section.';
  return null;
}
const inside = (layout: PinnedLayout, element: number, outer: number): boolean => {
  for (let i = element; i >= 0; i = itemAt(layout.elements, i).parent) if (i === outer) return true;
  return false;
};

export const hold: EffectDefinition = {
  id: 'hold',
  name: 'Pin section',
  needsElement: true,
  what: 'The section stays in place while the page scrolls on.',
  words: 'pin sticky scene stage hold freeze scrollytelling',
  group: 'hold',
  driver: 'pin',
  unfit: (c) => unfitStage(c, c.element),
  compose: (c) =>
    fragment({ pins: [newPin(c, factsAt(c).selector, nameAt(c), { kind: 'length', value: '100vh' })] }),
};
