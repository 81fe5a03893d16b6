/** What the writer gives. */

/** For whom it is written: readers with or without a wish for reduced motion. */
export type Condition = 'full-motion' | 'reduced-motion';

export interface Piece {
  /** stable while the same motions share the same elements */
  id: string;
  motions: string[];
  /** part of the page while it is measured: pins and adjustments, as against motions */
  stays?: boolean;
  /** rules that belong inside the guards */
  rules: string;
  keyframes: string;
}

export interface WriterNote {
  motion: string;
  note: string;
}

export interface Written {
  pieces: Piece[];
  notes: WriterNote[];
}
