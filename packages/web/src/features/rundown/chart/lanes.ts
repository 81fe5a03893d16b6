/** px from the chart’s left edge to the lanes: strip, ruler and frames stand before them. */
export const LANES = 144;

/** px that the tab of a cue takes with its name. */
export const cueWidth = (name: string): number => Math.min(110, 12 + name.length * 5.8);
/** px that tabs of cues keep for themselves between the brackets of pins and the first bar. */
export const findCueRoom = (cues: readonly { name: string }[]): number =>
  cues.length ? Math.max(...cues.map((c) => cueWidth(c.name))) : 0;
