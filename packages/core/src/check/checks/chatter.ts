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
  why: 'A trigger that fires both ways at one line plays back and forth when somebody scrolls a little around it.',
  checkDocument({ document, timeline }) {
    return document.triggers.flatMap((trigger) => {
      if (!trigger.on || trigger.event || trigger.back === 'keeps-end' || trigger.plays === 'once') return [];
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
          sentence: `It fires at ${pxText(down)} and reverses only ${pxText(down - up)} above, so a small scroll around it plays it back and forth.`,
          fix: { label: `Close it ${APART} px further up`, triggers: [{ ...trigger, up: moved }] },
        },
      ];
    });
  },
};
