/** CSS pixels. */
export type Px = number;
/** Share of a range, 0 to 1 where clamped. */
export type Progress = number;
/** Milliseconds. */
export type Ms = number;
/** A direction of scrolling, as the standard names it. */
export type Axis = 'block' | 'inline';
