import { triggerLines, movePoint } from '../../timeline/index.ts';
import { pxText } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';

/** A hand that rests on a wheel moves less than this, px; what is offered instead. Chosen by us. */
const SHAKE = 24;
const APART = 80;

export const chatter: CheckDefinition = {
  id: 'chatter',
  name: 'Threshold that chatters',
  group: 'conflict',
  why: 'Where a trigger opens and closes at one line, a hand that shakes there plays it to and fro.',
  survey({ document, timeline }) {
    return document.triggers.flatMap((trigger) => {
      if (!trigger.on || trigger.back === 'keeps-end' || trigger.plays === 'once') return [];
      const lines = triggerLines(trigger, timeline.layout);
      if ('reason' in lines || lines.down - lines.up >= SHAKE || lines.down < APART) return [];
      const { geometry, down, up } = lines;
      const moved = movePoint(down - APART, {
        was: trigger.down,
        side: 'start',
        geometry,
        whole: { start: down, end: down },
      });
      return [
        {
          about: trigger.id,
          severity: 'warning' as const,
          at: down,
          brief: 'chatters at its line',
          sentence: `It opens at ${pxText(down)} and closes only ${pxText(down - up)} above, so a small shake of the hand there plays it to and fro.`,
          fix: { label: `Close it ${APART} px further up`, triggers: [{ ...trigger, up: moved }] },
        },
      ];
    });
  },
};
