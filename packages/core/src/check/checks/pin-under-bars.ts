import { itemAt } from '../../assert/index.ts';
import { findMatches } from '../../page/index.ts';
import type { CheckContext, CheckDefinition } from '../finding.ts';
import { declared } from '../declared.ts';
import { placeOnPage } from '../finding.ts';

/** From this share of the large viewport on the bars cover some of it, %. Chromium’s and WebKit’s bars take about a tenth. */
const FROM = 90;

/** Pinned elements, by the document or by the page itself: id of the pin, or empty. */
const listPinned = ({ document, timeline: { layout } }: CheckContext): [about: string, element: number][] => {
  const ours = document.pins.flatMap((p): [string, number][] => {
    const [stage] = p.on ? findMatches(layout, p.stage) : [];
    return stage === undefined ? [] : [[p.id, stage]];
  });
  const known = new Set(ours.map(([, e]) => e));
  const own = layout.elements.flatMap((e, i): [string, number][] =>
    e.position === 'sticky' && !known.has(i) ? [['', i]] : [],
  );
  return [...ours, ...own];
};

export const pinUnderBars: CheckDefinition = {
  id: 'pin-under-bars',
  name: 'Pinned under a phone’s bars',
  group: 'structure',
  why: 'On a phone 100vh is the height without the browser’s bars. As long as they are shown, the lowest part of the pinned section lies under them.',
  checkDocument(context) {
    const { document, timeline } = context;
    const { layout } = timeline;
    return listPinned(context).flatMap(([about, element]) => {
      const { viewportHeight: height, selector, box } = itemAt(layout.elements, element);
      if (!height || !/lvh|\dvh|\dvb/.test(height.value) || parseFloat(height.value) < FROM) return [];
      const { property, value } = height;
      if (declared(document, timeline, element, property) !== null) return [];
      return [
        {
          about,
          element,
          severity: 'warning' as const,
          at: placeOnPage(box.y, layout),
          brief: 'under the bars',
          sentence: `${selector} is pinned with ${property}: ${value}; with svh it also fits while the bars of a phone are shown.`,
          fix: {
            label: `Use ${parseFloat(value)}svh`,
            adjust: [
              {
                selector,
                declarations: { [property]: `${parseFloat(value)}svh` },
                ...(about ? { for: [about] } : {}),
              },
            ],
          },
        },
      ];
    });
  },
};
