import { itemAt, present } from '../../assert/index.ts';
import { asView } from '../../drivers/index.ts';
import type { CheckDefinition } from '../finding.ts';

export const autoInsets: CheckDefinition = {
  id: 'auto-insets',
  name: 'Automatic insets under scroll padding',
  group: 'conflict',
  why: 'Automatic insets take the scroll padding, so the range shifts as soon as somebody changes that for anchors.',
  checkMotion(instance, { timeline }) {
    const { motion, placed } = instance;
    const driver = asView(motion.driver);
    if (!driver?.insets.includes('auto')) return null;
    const scroller = itemAt(timeline.layout.scrollers, placed.scroller);
    const padded = (scroller.padding ?? ['0px', '0px']).some(
      (css, i) => driver.insets[i] === 'auto' && !/^0(?:px)?$/.test(css),
    );
    if (!padded) return null;
    return {
      severity: 'warning',
      at: Math.max(0, placed.start),
      brief: 'shifted by scroll padding',
      sentence: `Its insets are automatic, and the page pads its scrolling by ${present(scroller.padding).join(' and ')}: that moves its range.`,
      fix: {
        label: 'Write the insets out',
        motions: [
          {
            ...motion,
            driver: {
              ...driver,
              insets: driver.insets.map((css, i) =>
                css === 'auto' ? written(itemAt(present(scroller.padding), i)) : css,
              ) as [string, string],
            },
          },
        ],
      },
    };
  },
};

/** What it amounts to now, so that nothing moves. */
const written = (padding: string): string => (/^\d/.test(padding) ? padding : '0px');
