import { gateLines, movePoint } from '../../timeline/index.ts';
import { pxText } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';

/** A hand that rests on a wheel moves less than this, px; what is offered instead. Chosen by us. */
const SHAKE = 24;
const APART = 80;

export const chatter: CheckDefinition = {
  id: 'chatter',
  name: 'Threshold that chatters',
  group: 'conflict',
  why: 'Where a gate opens and closes at one line, a hand that shakes there plays it to and fro.',
  survey({ document, take }) {
    return document.gates.flatMap((gate) => {
      if (!gate.on || gate.back === 'keeps-end' || gate.plays === 'once') return [];
      const lines = gateLines(gate, take.layout);
      if ('reason' in lines || lines.down - lines.up >= SHAKE || lines.down < APART) return [];
      const { geometry, down, up } = lines;
      const moved = movePoint(down - APART, {
        was: gate.down,
        side: 'start',
        geometry,
        whole: { start: down, end: down },
      });
      return [
        {
          about: gate.id,
          severity: 'doubtful' as const,
          at: down,
          brief: 'chatters at its line',
          sentence: `It opens at ${pxText(down)} and closes only ${pxText(down - up)} above, so a small shake of the hand there plays it to and fro.`,
          fix: { label: `Close it ${APART} px further up`, gates: [{ ...gate, up: moved }] },
        },
      ];
    });
  },
};
