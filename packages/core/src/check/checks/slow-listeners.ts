import type { CheckDefinition } from '../finding.ts';

export const slowListeners: CheckDefinition = {
  id: 'slow-listeners',
  name: 'Listeners that hold up the scroll',
  group: 'budget',
  why: 'The browser has to ask them before it scrolls, since they might forbid it: while scripts are busy, the finger moves and the page does not.',
  checkDocument({ timeline: { layout } }) {
    const { blocking = [] } = layout.page;
    if (blocking.length === 0) return [];
    const list = blocking.map(({ type, on }) => `${type} on ${on}`);
    const what =
      list.length > 3 ? `${list.slice(0, 3).join(', ')} and ${list.length - 3} more` : list.join(', ');
    return [
      {
        about: '',
        severity: 'warning' as const,
        at: 0,
        brief: 'scroll has to wait',
        sentence: `A script of the page listens to ${what} and is not passive. Add { passive: true }; where it has to forbid a direction, use touch-action instead.`,
        fix: null,
      },
    ];
  },
};
