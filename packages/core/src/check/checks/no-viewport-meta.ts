import type { CheckDefinition } from '../finding.ts';

const CODE = '<meta name="viewport" content="width=device-width, initial-scale=1">';

export const noViewportMeta: CheckDefinition = {
  id: 'no-viewport-meta',
  name: 'Drawn small on phones',
  group: 'structure',
  why: 'A phone lays the page out for a window of about 980 px and shows it small: no media condition for narrow screens holds, and every range lies elsewhere.',
  checkDocument({ timeline: { layout } }) {
    const meta = layout.page.viewportMeta;
    // Of a page that was measured before this was asked nothing is known.
    if (meta === undefined || /width\s*=\s*device-width|initial-scale\s*=\s*1(?:\.0*)?\b/i.test(meta))
      return [];
    return [
      {
        about: '',
        severity: 'warning' as const,
        at: 0,
        brief: 'small on phones',
        sentence: `${meta === '' ? 'The page does not say how wide a phone’s window is' : `Its viewport is “${meta}”`}. Put this into its head: ${CODE}`,
        fix: null,
      },
    ];
  },
};
