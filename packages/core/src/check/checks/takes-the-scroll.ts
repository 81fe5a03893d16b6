import { itemAt } from '../../assert/index.ts';
import { placeOnPage } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';

/** Wider and higher than these shares of the viewport it is hard to scroll past. Chosen by us. */
const WIDE = 0.7;
const HIGH = 0.5;

export const takesTheScroll: CheckDefinition = {
  id: 'takes-the-scroll',
  name: 'Something that takes the scroll',
  group: 'structure',
  why: 'Over it, wheel and touch scroll something else, and the page stops scrolling.',
  checkDocument({ document, timeline }) {
    const { layout } = timeline;
    const { width, height } = layout.viewport;
    return layout.elements.flatMap((e, element) => {
      const inner = layout.scrollers.findIndex(
        (s, i) => i > 0 && s.selector === e.selector && s.max.block > 8,
      );
      const isFrame = e.tag === 'iframe' || e.tag === 'object';
      if ((!isFrame && inner < 0) || e.box.width < WIDE * width || e.box.height < HIGH * height) return [];
      // A page that scrolls in a box of its own has nothing else to scroll.
      if (itemAt(layout.scrollers, 0).max.block <= 0) return [];
      const freed = document.adjustments.some(
        (a) =>
          a.selector === e.selector && a.declarations[isFrame ? 'pointer-events' : 'overflow'] !== undefined,
      );
      if (freed) return [];
      return [
        {
          about: '',
          element,
          severity: 'warning' as const,
          at: placeOnPage(e.box.y - (height - e.box.height) / 2, layout),
          brief: `${isFrame ? 'a frame' : 'a scroller'} takes the scroll`,
          sentence: `${e.selector} fills ${Math.round((100 * e.box.height) / height)} % of the window, and over it wheel and touch scroll ${isFrame ? 'the frame' : 'its contents'} instead of the page.`,
          fix: isFrame
            ? {
                label: 'Let the scroll through',
                adjust: [{ selector: e.selector, declarations: { 'pointer-events': 'none' } }],
              }
            : {
                label: 'Let it be as long as its contents',
                adjust: [
                  {
                    selector: e.selector,
                    declarations: { overflow: 'visible', height: 'auto', 'max-height': 'none' },
                  },
                ],
              },
        },
      ];
    });
  },
};
