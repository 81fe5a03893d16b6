import { itemAt } from '../../assert/index.ts';
import type { Motion, Pin } from '../../motion/index.ts';
import { findMatches } from '../../page/index.ts';
import { declared } from '../declared.ts';
import { placeOnPage } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';

const DYNAMIC = /(\d)dv(h|b|min|max)\b/g;

/** What of a motion or pin is lengths. */
const lengthsOf = {
  motion: ({ range, keyframes, driver }: Motion) => ({ range, keyframes, driver }),
  pin: ({ sticky, distance, overlap }: Pin) => ({ sticky, distance, overlap }),
};

/** The same in the units of the small viewport; null where nothing changes. */
function steady<T extends object>(lengths: T): T | null {
  const text = JSON.stringify(lengths);
  const calm = text.replace(DYNAMIC, '$1sv$2');
  return calm === text ? null : (JSON.parse(calm) as T);
}

const sentenceFor = (what: string): string =>
  `${what} is given in dvh, which changes while a phone’s bars come and go: it jumps in the middle of a scroll.`;

export const movesWithBars: CheckDefinition = {
  id: 'moves-with-bars',
  name: 'Moves with a phone’s bars',
  group: 'structure',
  why: 'What depends on dvh is laid out again in every frame in which the bars of a phone come or go, and everything below it moves.',
  checkDocument({ document, timeline }) {
    const { layout } = timeline;
    const motions = document.motions.flatMap((m) => {
      const calm = m.on ? steady(lengthsOf.motion(m)) : null;
      if (!calm) return [];
      const element = timeline.instances.find((i) => i.motion.id === m.id);
      return [
        {
          about: m.id,
          element: element?.element ?? -1,
          severity: 'warning' as const,
          at: element ? Math.max(0, element.placed.start) : 0,
          brief: 'moves with the bars',
          sentence: sentenceFor('A length of it'),
          fix: { label: 'Use svh', motions: [{ ...m, ...calm }] },
        },
      ];
    });
    const pins = document.pins.flatMap((p) => {
      const [stage = -1] = p.on ? findMatches(layout, p.stage) : [];
      if (stage < 0) return [];
      const { viewportHeight: height, selector, box } = itemAt(layout.elements, stage);
      const tall =
        height && /dv/.test(height.value) && declared(document, timeline, stage, height.property) === null
          ? height
          : null;
      const calm = steady(lengthsOf.pin(p));
      if (!tall && !calm) return [];
      return [
        {
          about: p.id,
          element: stage,
          severity: 'warning' as const,
          at: placeOnPage(box.y, layout),
          brief: 'moves with the bars',
          sentence: sentenceFor(tall ? `The ${tall.property} of ${selector}` : 'A length of it'),
          fix: {
            label: 'Use svh',
            ...(calm ? { pins: [{ ...p, ...calm }] } : {}),
            ...(tall
              ? {
                  adjust: [
                    {
                      selector,
                      declarations: { [tall.property]: tall.value.replace('dv', 'sv') },
                      for: [p.id],
                    },
                  ],
                }
              : {}),
          },
        },
      ];
    });
    return [...motions, ...pins];
  },
};
