/** Choosing a motion shows its curves, and brings the strips to where it happens if that is out of sight. */
import { isPlaced, findBar } from '../../editor/model/bars.ts';
import { PICTURES, clampAxis } from './model/axis.ts';
import { useTakes } from './takes-context.ts';

export function useChooseMotion(): (id: string) => void {
  const { a, b, looking, max } = useTakes();
  return (id) => {
    const { axis } = looking.getState();
    const spans = [b, a].flatMap((side) => {
      if (side.kind !== 'take' || !side.layout) return [];
      const motion = side.document.motions.find((m) => m.id === id);
      const bar = motion && !motion.time ? findBar(motion, side.layout) : null;
      return bar && isPlaced(bar) && bar.placed.scroller === 0 ? [bar.placed] : [];
    });
    looking.setState({ motion: id, property: null });
    const [span] = spans;
    const half = (axis.apart * (PICTURES - 1)) / 2;
    if (!span || (span.start < axis.middle + half && span.end > axis.middle - half)) return;
    const at = Math.round(Math.min(max, Math.max(0, (span.start + span.end) / 2)));
    looking.setState({ at, axis: clampAxis({ ...axis, middle: at }, max) });
  };
}
