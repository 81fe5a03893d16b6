import { meetingAt, toMeeting } from '@lyvek/core';
import { useRanged } from '../rundown-context.ts';
import { gutterWords } from '../../../editor/words.ts';

export interface Line {
  side: 'start' | 'end';
  /** fraction of the viewport from its top, and of the element from its own */
  line: number;
  edge: number;
  text: string;
}

/** The viewport lines that the selected motion's points meet; none for a whole-page driver or the inline axis. */
export function useLines(): Line[] {
  const bar = useRanged();
  const g = bar?.placed.geometry;
  if (!bar || !g || bar.placed.axis !== 'block' || bar.placed.scroller !== 0) return [];
  return (['start', 'end'] as const).map((side) => {
    const point = bar.motion.range[side];
    const m = toMeeting(point, g, side) ?? meetingAt(bar.placed[side], g);
    return { side, ...m, text: gutterWords(point, side, bar.motion.driver.kind) };
  });
}
