/** px from the chart’s left edge to the lanes: strip, ruler and frames stand before them. */
export const LANES = 144;
