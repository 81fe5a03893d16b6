/** What one animation of an element is on its way to becoming a motion. */
import type { Element } from 'domhandler';
import type { Motion, Repeat } from '../../motion/index.ts';
import type { ReadLines } from './triggers.ts';
import type { RangePoint } from '../../timeline/index.ts';
import type { Keyframe } from '../../value/index.ts';
import type { ReadRule } from '../cascade/rules.ts';
import type { AnimationLonghand } from './shorthand.ts';

export type DraftDriver =
  | { kind: 'view'; axis: 'block' | 'inline'; insets: [string, string] }
  | { kind: 'scroll'; axis: 'block' | 'inline' }
  | { kind: 'trigger'; name: string; lines: ReadLines }
  | { kind: 'load' };

/** Started by a trigger; as soon as the page is there. */
export const isTriggeredDraft = ({ driver }: Pick<AnimationDraft, 'driver'>): boolean => 'lines' in driver;
export const isLoadDraft = (draft: Pick<AnimationDraft, 'driver' | 'time'>): boolean =>
  draft.time !== null && !isTriggeredDraft(draft);

/** Everything that two elements must share to be targets of one motion. */
export interface AnimationDraft {
  /** of the keyframes */
  name: string;
  driver: DraftDriver;
  range: { start: RangePoint; end: RangePoint };
  /** of a view progress, the range as it was written: steps from element to element show there, also where it became meetings */
  raw?: { start: string; end: string; insets: readonly string[] };
  /** ms */
  time: { delay: number; duration: number } | null;
  repeat?: Repeat;
  keyframes: Record<string, Keyframe[]>;
  fill: Motion['fill'];
  composite: Motion['composite'];
}

export interface DraftOf {
  draft: AnimationDraft;
  /** who carries the timeline, or whose view progress the trigger listens to; null: the element itself, or the page */
  owner: Element | null;
  /** selectors by which rules make the owner carry it */
  ownerSelectors: readonly string[];
  /** numbers in the custom properties that its range or delay counts with */
  counters?: Readonly<Record<string, number>>;
}

export interface Obstacle {
  reason: string;
  rule: ReadRule | null;
}
export type DraftList = { drafts: DraftOf[] } | { obstacle: Obstacle };

/** One animation’s declarations. */
export type Longhands = Record<AnimationLonghand, string>;
