/** What the writer gives. */
import type { Motion } from '../../motion/index.ts';
import type { TextOrder, TextUnit } from '../../timeline/index.ts';
import { rulesText } from './rule.ts';
import type { StyleRule } from './rule.ts';

/** For whom it is written: readers with or without a wish for reduced motion. */
export type Condition = 'full-motion' | 'reduced-motion';

export interface Piece {
  /** stable while the same motions share the same elements */
  id: string;
  motions: string[];
  /** part of the page while it is measured: pins and adjustments, as against motions */
  stays?: boolean;
  /** rules that belong inside the guards, and their text */
  styles: readonly StyleRule[];
  rules: string;
  keyframes: string;
}

export const toPiece = ({
  keyframes = '',
  ...piece
}: Omit<Piece, 'rules' | 'keyframes'> & { keyframes?: string }): Piece => ({
  ...piece,
  keyframes,
  rules: rulesText(piece.styles),
});

export interface WriterNote {
  motion: string;
  note: string;
}

/** What the script has to play, by the names of the CSS animations that it takes over. */
export interface Plan {
  /** custom properties named `--signal…`: scripts of the page hear of them */
  signals: {
    motion: string;
    property: string;
    selector: string;
    /** values at which an event is told: reached at `at`, left again at `back` */
    thresholds?: { name: string; at: number; back: number }[];
  }[];
  /** strips that move endlessly */
  marquees: {
    motion: string;
    selector: string;
    axis: 'block' | 'inline';
    speed: number;
    reverses: boolean;
    push: number;
    pauses: boolean;
    damping: Motion['damping'];
    /** the media condition under which it runs */
    when?: string;
  }[];
  /** what the pointer moves: an animation for each property, set to how far across its area the pointer is */
  pointers: {
    motion: string;
    selector: string;
    axis: 'x' | 'y';
    /** selector of its area; null: the viewport, empty: each target itself */
    over: string | null;
    rest: number | null;
    touch: 'none' | 'drag' | 'tilt';
    /** custom property that says by which share of the way each target is moved */
    share?: string;
    keyframes: Record<string, string | number>[][];
    composite: Motion['composite'];
    damping: Motion['damping'];
    /** the media condition under which it plays */
    when?: string;
  }[];
  /** what an event starts */
  events: {
    motion: string;
    /** of its animations */
    name: string;
    /** selector of what is clicked, pointed at or focused */
    subject: string;
    event: 'click' | 'hover' | 'focus';
    plays: 'once' | 'each-time';
    back: 'keeps-end' | 'plays-back' | 'returns';
    selector: string;
    keyframes: Record<string, string | number>[][];
    /** ms */
    delay: number;
    duration: number;
    /** ms by which each target is later, in page order */
    late?: number[];
    count: number;
    alternate: boolean;
    fill: Motion['fill'];
    composite: Motion['composite'];
    /** readers who ask for reduced motion get it as it is; others see its end at once */
    keeps: boolean;
    /** the media condition under which it plays */
    when?: string;
  }[];
  /** videos whose time a custom property says: 0 the start, 1 the end */
  videos: { motion: string; property: string; selector: string }[];
  /** pictures of a sequence, by number: a custom property says 0 for the first, 1 for the last */
  sequences: {
    motion: string;
    property: string;
    selector: string;
    files: string;
    /** stands: a canvas shows the first one, since without one it is empty */
    still?: boolean;
  }[];
  /** texts whose lines, words or letters move by themselves */
  texts: {
    motion: string;
    selector: string;
    by: TextUnit;
    order: TextOrder;
    seed?: number;
    mask?: boolean;
  }[];
  /** media conditions that change what is played */
  media?: string[];
  /** strips that a pin moves sideways: the script brings what has the focus in them into sight */
  travels: { motion: string; selector: string }[];
  damping: {
    /** motion’s id, for the workbench */
    motion: string;
    names: string[];
    selector: string;
    damping: Exclude<Motion['damping'], { kind: 'none' }>;
  }[];
}

export interface Written {
  pieces: Piece[];
  plan: Plan;
  notes: WriterNote[];
}

/** What the preview puts into the page for one piece: the same text, without guards, since the condition is chosen there. */
export const previewCss = (piece: Piece): string => [piece.rules, piece.keyframes].filter(Boolean).join('\n');
