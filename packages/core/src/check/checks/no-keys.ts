import { findMatches, isWithin } from '../../page/index.ts';
import type { ElementFacts } from '../../page/index.ts';
import type { CheckDefinition } from '../finding.ts';

const WORDS = { click: 'a click', hover: 'the pointer', focus: 'the focus' } as const;

/** What starts by a click, the pointer or the focus starts by keys too where they can get there. */
export const noKeys: CheckDefinition = {
  id: 'no-keys',
  name: 'Not reached by keys',
  group: 'care',
  why: 'Whoever uses a keyboard cannot start what only a pointer can reach (WCAG 2.2, 2.1.1).',
  checkDocument({ document, timeline: { layout } }) {
    /** By a click on it; what is inside of it lets the focus in. */
    const canReach = (subject: number, event: keyof typeof WORDS): boolean =>
      layout.elements.some(
        (e: ElementFacts, i) =>
          e.focus === true &&
          (event === 'click' ? isWithin(layout, subject, i) : isWithin(layout, i, subject)),
      );
    return document.triggers.flatMap((trigger) => {
      const { on, event, subject, id } = trigger;
      if (!on || !event) return [];
      const found = findMatches(layout, subject);
      if (found.length === 0 || found.every((i) => canReach(i, event))) return [];
      return [
        {
          about: id,
          severity: 'warning' as const,
          at: 0,
          brief: 'no keys reach it',
          sentence: `It starts by ${WORDS[event]}, and nothing ${event === 'click' ? 'there' : 'in it'} takes the focus: make it a button or a link${event === 'click' ? '' : ', or put one in it'}.`,
          fix: null,
        },
      ];
    });
  },
};
