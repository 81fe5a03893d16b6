import { itemAt, present } from '../assert/index.ts';
import { adjust, between, listChildren, factsAt, fragment, motionOn, nameAt } from './effect-definition.ts';
import type { EffectDefinition } from './effect-definition.ts';

/** Every second column moves against the scroll, as long as the whole of it can be seen passing. */
export const counterColumns: EffectDefinition = {
  id: 'counter-columns',
  name: 'Counter-columns',
  needsElement: true,
  what: 'Neighbouring columns pass against each other.',
  words: 'columns opposite',
  group: 'many',
  driver: 'view',
  lifts: true,
  unfit(c) {
    const columns = listChildren(c.layout, c.element);
    if (columns.length < 2) return 'Choose the container of the columns: it has fewer than two parts.';
    const [a, b] = columns.map((i) => itemAt(c.layout.elements, i).box);
    if (present(b).x < present(a).x + present(a).width - 1) return 'Its parts are not side by side.';
    if (factsAt(c).box.height <= c.layout.viewport.height)
      return 'It is not taller than the viewport: there is nothing to pass.';
    return null;
  },
  compose(c) {
    const e = factsAt(c);
    const against = listChildren(c.layout, c.element).filter((_, i) => i % 2 === 1);
    const motions = against.map((column) =>
      motionOn(c, itemAt(c.layout.elements, column).selector, `${nameAt(c, column)} counter`, {
        driver: { kind: 'view', subject: e.selector, axis: 'block', insets: ['0px', '0px'] },
        range: { start: 'contain 0%', end: 'contain 100%' },
        keyframes: { translate: between('0 calc(-100% + 100vh)', '0 calc(100% - 100vh)') },
        reducedMotion: 'drop',
      }),
    );
    return fragment({
      motions,
      adjustments: [
        adjust(c, e.selector, { overflow: 'clip' }, motions),
        ...against.map((column, i) =>
          // Reversed for the eye only: reading and tab order stay.
          adjust(
            c,
            itemAt(c.layout.elements, column).selector,
            { display: 'flex', 'flex-direction': 'column-reverse' },
            [itemAt(motions, i)],
          ),
        ),
      ],
    });
  },
};
