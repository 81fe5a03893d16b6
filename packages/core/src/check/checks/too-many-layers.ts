import { itemAt } from '../../assert/index.ts';
import type { CheckDefinition } from '../finding.ts';
import { liftKeyframes } from './layer-memory.ts';

export const tooManyLayers: CheckDefinition = {
  id: 'too-many-layers',
  name: 'Too many layers at once',
  group: 'budget',
  why: 'Every layer on the screen is composited again in every frame; with many of them that alone fills the frame.',
  checkDocument({ timeline, limits, trial, document }) {
    if (!trial) return [];
    const { height } = timeline.layout.viewport;
    const lifted = [...liftKeyframes(timeline)].filter(
      ([e]) => itemAt(timeline.layout.elements, e).scroller === 0,
    );
    const ends = lifted
      .flatMap(([e, motion]) => {
        const { y, height: h } = itemAt(timeline.layout.elements, e).box;
        return [
          { at: y - height, by: 1, motion },
          { at: y + h, by: -1, motion },
        ];
      })
      .sort((a, b) => a.at - b.at || a.by - b.by);
    let count = 0;
    let most = { count: 0, at: 0, motion: '' };
    for (const { at, by, motion } of ends) {
      count += by;
      if (count > most.count) most = { count, at, motion };
    }
    if (most.count <= limits.layers) return [];
    const one = document.motions.find((m) => m.id === most.motion);
    return [
      {
        about: most.motion,
        severity: 'warning' as const,
        at: Math.max(0, Math.min(itemAt(timeline.layout.scrollers, 0).max.block, most.at)),
        brief: `${most.count} layers at once`,
        sentence: `Here ${most.count} moving elements are on the screen at once${one ? `, many of them by “${one.name}”` : ''}; your limit is ${limits.layers}.`,
        fix: null,
      },
    ];
  },
};
