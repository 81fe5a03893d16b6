/** What a frame is charged for. Every quantity belongs to one part of the frame; its price per unit is fitted from measured trials. */

/** Parts of a frame, in the order in which the browser does them. */
export const COST_PARTS = ['script', 'style', 'paint', 'composite'] as const;
export type CostPart = (typeof COST_PARTS)[number];

export const PART_NAMES: Record<CostPart, { name: string; what: string }> = {
  script: { name: 'script', what: 'what the page’s own scripts and Lyvek’s do in a frame' },
  style: { name: 'style', what: 'new styles for elements, and new places for their boxes' },
  paint: { name: 'paint', what: 'what has to be repainted' },
  composite: { name: 'composite', what: 'layers composited on the screen' },
};

interface Quantity {
  part: CostPart;
  unit: string;
  /** ms per unit before anything has been measured here */
  value: number;
  source: string;
}

const TRACED = 'traced in Debian’s Chromium, 200 elements, software rendering, two cores';

/** Prices before a fit. The names are the columns of what is fitted. */
export const QUANTITIES = {
  frame: { part: 'composite', unit: 'frame', value: 0.9, source: `an idle frame, ${TRACED}` },
  scroll: { part: 'composite', unit: 'frame that scrolls', value: 1.2, source: `the page alone, ${TRACED}` },
  write: {
    part: 'style',
    unit: 'animated element',
    value: 0.014,
    source: `opacity and translate, ${TRACED}`,
  },
  inherit: {
    part: 'style',
    unit: 'element that inherits a changed custom property',
    value: 0.044,
    source: `a custom property on the root, ${TRACED}`,
  },
  layout: {
    part: 'style',
    unit: 'box in a section laid out again',
    value: 0.03,
    source: `width and top, ${TRACED}`,
  },
  paint: { part: 'paint', unit: 'Mpx painted', value: 3.5, source: `clip-path and colours, ${TRACED}` },
  repaint: {
    part: 'paint',
    unit: 'element painted',
    value: 0.03,
    source: `clip-path and colours, ${TRACED}`,
  },
  blur: {
    part: 'composite',
    unit: 'Mpx filtered, times 1 + radius ÷ 4 px',
    value: 5,
    source: `blur up to 4 px, ${TRACED}`,
  },
  layer: { part: 'composite', unit: 'Mpx of moving layers', value: 1.6, source: `transforms, ${TRACED}` },
  layers: { part: 'composite', unit: 'moving layer', value: 0.02, source: `transforms, ${TRACED}` },
  script: {
    part: 'script',
    unit: 'element that the script moves',
    value: 0.03,
    source: `inline transforms from a frame loop, ${TRACED}`,
  },
} as const satisfies Record<string, Quantity>;
export type QuantityName = keyof typeof QUANTITIES;
export const QUANTITY_NAMES = Object.keys(QUANTITIES) as QuantityName[];

/** How much of each there is. */
export type Amounts = Record<QuantityName, number>;
export const noAmounts = (): Amounts => Object.fromEntries(QUANTITY_NAMES.map((q) => [q, 0])) as Amounts;
