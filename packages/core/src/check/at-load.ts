import { itemAt } from '../assert/index.ts';
import type { Instance, Motion, CompiledTimeline } from '../motion/index.ts';

/** Begins no further down than this share of the viewport: it fills the first screen. Chosen by us. */
const TOP = 0.2;

/** Whether it stands wholly in the first screen, or fills it, by its place in the page. */
export function isInFirstScreen({ element, placed }: Instance, { layout }: CompiledTimeline): boolean {
  const { box, fixed, sticky } = itemAt(layout.elements, element);
  const { height } = layout.viewport;
  return (
    placed.scroller === 0 &&
    placed.axis === 'block' &&
    !fixed &&
    !sticky &&
    box.y >= 0 &&
    (box.y + box.height <= height || box.y <= TOP * height)
  );
}

/** The same motion, played once at page load instead of being scrubbed. Chosen by us: 600 ms. */
export function atLoad(motion: Motion): Motion {
  const { conditions: _, ties: __, ...rest } = motion;
  return {
    ...rest,
    driver: { kind: 'load' },
    range: { start: 'cover 0%', end: 'cover 100%' },
    time: { delay: '0ms', duration: '600ms' },
    damping: { kind: 'none' },
  };
}
