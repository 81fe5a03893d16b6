/** What a change of a property makes the browser redo. Decided by tracing Debian’s Chromium, not by belief. */
export const COST_CLASSES = ['composite', 'filter', 'style', 'paint', 'layout'] as const;
export type CostClass = (typeof COST_CLASSES)[number];

const CLASSES: Record<CostClass, readonly string[]> = {
  composite: ['opacity', 'translate', 'scale', 'rotate', 'transform'],
  filter: ['filter', 'backdrop-filter'],
  style: ['perspective', 'perspective-origin', 'transform-origin', 'z-index'],
  layout: [
    'width',
    'height',
    'top',
    'bottom',
    'left',
    'right',
    'margin-left',
    'margin-right',
    'margin-top',
    'margin-bottom',
    'padding-left',
    'padding-right',
    'padding-top',
    'padding-bottom',
    'border-top-width',
    'border-bottom-width',
    'font-size',
    'font-weight',
    'letter-spacing',
    'word-spacing',
    'flex-grow',
  ],
  paint: [],
};
const known = new Map(COST_CLASSES.flatMap((c) => CLASSES[c].map((p) => [p, c] as const)));

/** Custom properties cost style; what is not listed is painted. */
export const findCostClass = (property: string): CostClass =>
  property.startsWith('--') ? 'style' : (known.get(property) ?? 'paint');
