import { itemAt, present } from '../../assert/index.ts';
import type { Motion } from '../../motion/index.ts';
import { findMatches } from '../../page/index.ts';
import { declared } from '../declared.ts';
import { placeOnPage } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';

/** Fainter than this counts as not there. */
const UNSEEN = 0.1;

export const hiddenWithoutMotion: CheckDefinition = {
  id: 'hidden-without-motion',
  name: 'Hidden without its motion',
  group: 'care',
  why: 'In print, in a browser that cannot play it, or before a script runs, nobody ever sees it: only the motion shows it.',
  checkDocument({ document, timeline }) {
    const { layout } = timeline;
    return document.motions.flatMap((motion) => {
      const list = motion.keyframes.opacity ?? [];
      if (!motion.on || !list.some((k) => Number.parseFloat(k.value) > UNSEEN)) return [];
      const pickOwn = (e: number) =>
        Number.parseFloat(
          declared(document, timeline, e, 'opacity') ?? itemAt(layout.elements, e).base?.opacity ?? '1',
        );
      const element = findMatches(layout, motion.targets.selector).find((e) => pickOwn(e) <= UNSEEN);
      if (element === undefined) return [];
      const own = pickOwn(element);
      const { box } = itemAt(layout.elements, element);
      const middle = box.y + (box.height - layout.viewport.height) / 2;
      return [
        {
          about: motion.id,
          element,
          severity: 'error' as const,
          at: placeOnPage(middle, layout),
          brief: 'hidden by the page',
          sentence: `The page itself makes it ${Math.round(100 * own)} % opaque, and only this motion shows it.`,
          fix: {
            label: 'Show it, and let the motion hide it',
            motions: [withEnds(motion, String(own))],
            adjust: [{ selector: motion.targets.selector, declarations: { opacity: '1' }, for: [motion.id] }],
          },
        },
      ];
    });
  },
};

/** Ends that were left out are the element’s own value, which is another one from now on. */
function withEnds(motion: Motion, own: string): Motion {
  const list = present(motion.keyframes.opacity);
  const end = (at: string) => (list.some((k) => k.at === at) ? [] : [{ at, value: own }]);
  return { ...motion, keyframes: { ...motion.keyframes, opacity: [...end('0%'), ...list, ...end('100%')] } };
}
