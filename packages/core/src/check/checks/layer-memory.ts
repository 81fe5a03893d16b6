import { itemAt } from '../../assert/index.ts';
import { computeArea, findCostClass } from '../../budget/index.ts';
import type { CompiledTimeline } from '../../motion/index.ts';
import { pxText } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';

const MB = 1024 * 1024;
const BYTES = 4;

export const layerMemory: CheckDefinition = {
  id: 'layer-memory',
  name: 'Layer memory',
  group: 'budget',
  why: 'Every moving element is kept as a picture of its own; phones run out of memory for them and drop them.',
  checkDocument({ timeline, limits, trial }) {
    if (!trial) return [];
    const { layout } = timeline;
    const { height } = layout.viewport;
    const lifted = [...liftKeyframes(timeline)].filter(([e]) => itemAt(layout.elements, e).scroller === 0);
    // The browser keeps what lies within a screen of the window.
    const bytesAt = (s: number, e: number): number => {
      const { y, height: h, width } = itemAt(layout.elements, e).box;
      if (itemAt(layout.elements, e).fixed) return computeArea(layout, e, 1) * 1e6 * BYTES;
      return Math.max(0, Math.min(y + h, s + 2 * height) - Math.max(y, s - height)) * width * BYTES;
    };
    let most = { bytes: 0, at: 0 };
    for (let s = 0; s <= itemAt(layout.scrollers, 0).max.block; s += height / 2) {
      const bytes = lifted.reduce((sum, [e]) => sum + bytesAt(s, e), 0);
      if (bytes > most.bytes) most = { bytes, at: s };
    }
    if (most.bytes <= limits.layerMemory * MB) return [];
    const [element, about] = lifted.reduce((a, b) =>
      bytesAt(most.at, b[0]) > bytesAt(most.at, a[0]) ? b : a,
    );
    return [
      {
        about,
        element,
        severity: 'warning' as const,
        at: most.at,
        brief: `layers of ${Math.round(most.bytes / MB)} MB`,
        sentence: `Around ${pxText(most.at)} the elements kept as layers take ${Math.round(most.bytes / MB)} MB; your limit is ${limits.layerMemory} MB. This one is the largest, with ${Math.round(bytesAt(most.at, element) / MB)} MB.`,
        fix: null,
      },
    ];
  },
};

/** Elements that some motion lifts onto a layer of their own, each with one such motion. */
export function liftKeyframes(timeline: CompiledTimeline): Map<number, string> {
  const out = new Map<number, string>();
  for (const { motion, element } of timeline.instances)
    if (Object.keys(motion.keyframes).some((p) => /composite|filter/.test(findCostClass(p))))
      out.set(element, motion.id);
  return out;
}
