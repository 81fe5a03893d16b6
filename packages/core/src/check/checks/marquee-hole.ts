import { itemAt } from '../../assert/index.ts';
import { isEndless } from '../../drivers/index.ts';
import { findMatches } from '../../page/index.ts';
import type { Box, Layout } from '../../page/index.ts';
import { declared } from '../declared.ts';
import { placeOnPage, pxText } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';

/** An empty stretch longer than this share of the window is a hole. Chosen by us. */
const HOLE = 0.4;

/** Boxes of the strip’s own parts along its axis, in order. */
function splitParts({ elements }: Layout, strip: number, axis: 'inline' | 'block'): [number, number][] {
  const span = ({ x, y, width, height }: Box): [number, number] =>
    axis === 'inline' ? [x, x + width] : [y, y + height];
  return elements
    .filter((e) => e.parent === strip)
    .map((e) => span(e.box))
    .sort((a, b) => a[0] - b[0]);
}

export const marqueeHole: CheckDefinition = {
  id: 'marquee-hole',
  name: 'Marquee with a hole',
  group: 'structure',
  why: 'Once in every round a stretch of nothing goes by, and the marquee looks broken.',
  checkDocument({ document, timeline }) {
    const { layout } = timeline;
    return document.motions.flatMap((m) => {
      if (!m.on || !isEndless(m.driver)) return [];
      const { axis } = m.driver;
      const [strip] = findMatches(layout, m.targets.selector);
      if (strip === undefined || declared(document, timeline, strip, 'justify-content') === 'flex-start')
        return [];
      const parts = splitParts(layout, strip, axis);
      let hole = 0;
      for (const [i, [from]] of parts.entries())
        if (i > 0) hole = Math.max(hole, from - itemAt(parts, i - 1)[1]);
      const window = axis === 'inline' ? layout.viewport.width : layout.viewport.height;
      if (hole <= HOLE * window) return [];
      const { box, selector } = itemAt(layout.elements, strip);
      return [
        {
          about: m.id,
          element: strip,
          severity: 'error' as const,
          at: placeOnPage(box.y - layout.viewport.height / 2, layout),
          brief: 'has a hole',
          sentence: `${pxText(hole)} of nothing lie between two of its parts, ${Math.round((100 * hole) / window)} % of the window.`,
          fix: {
            label: 'Move its parts together',
            adjust: [
              {
                selector,
                declarations: {
                  [axis === 'inline' ? 'width' : 'height']: 'max-content',
                  'justify-content': 'flex-start',
                },
                for: [m.id],
              },
            ],
          },
        },
      ];
    });
  },
};
