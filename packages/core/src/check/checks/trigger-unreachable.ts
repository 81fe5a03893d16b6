import { itemAt } from '../../assert/index.ts';
import { triggerLines } from '../../timeline/index.ts';
import { pxText } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';

export const triggerUnreachable: CheckDefinition = {
  id: 'trigger-unreachable',
  name: 'Trigger that cannot be reached',
  group: 'reach',
  why: 'Its line lies where the page cannot be scrolled to, so what waits for it is never played.',
  checkDocument({ document, timeline }) {
    return document.triggers.flatMap((trigger) => {
      if (!trigger.on || trigger.event) return [];
      const lines = triggerLines(trigger, timeline.layout);
      if ('reason' in lines) return [];
      const { scroller, down } = lines;
      const max = itemAt(timeline.layout.scrollers, scroller).max.block;
      if (down <= max) return [];
      return [
        {
          about: trigger.id,
          severity: 'error' as const,
          at: max,
          brief: 'never opens',
          sentence: `Its line would be passed at ${pxText(down)}, but the page can only be scrolled to ${pxText(max)}.`,
          fix: {
            label: 'Open it as it comes into view',
            triggers: [{ ...trigger, down: 'cover 0%', up: null }],
          },
        },
      ];
    });
  },
};
