import { itemAt } from '../../assert/index.ts';
import { declared } from '../declared.ts';
import type { CheckDefinition } from '../finding.ts';

/** Grouping properties (CSS Transforms 2, 4.1.1): whoever has one of them draws its children flat. While they are animated they count, whatever they say. */
const GROUPING = ['opacity', 'filter', 'backdrop-filter', 'clip-path'];

export const flattened3d: CheckDefinition = {
  id: 'flattened-3d',
  name: 'Flattened 3D',
  group: 'structure',
  why: 'An element that keeps its children in space lays them flat while its opacity, filter or clip is animated: the back of a card is seen mirrored.',
  checkMotion(instance, { timeline, document }) {
    const { motion, element, placed } = instance;
    const own = itemAt(timeline.layout.elements, element).base?.['transform-style'];
    const style = declared(document, timeline, element, 'transform-style') ?? own;
    if (style !== 'preserve-3d') return null;
    const flattening = GROUPING.filter((p) => motion.keyframes[p]);
    if (!flattening.length) return null;
    const left = Object.fromEntries(
      Object.entries(motion.keyframes).filter(([p]) => !flattening.includes(p)),
    );
    const names = flattening.join(' and ');
    return {
      severity: 'warning',
      at: Math.max(0, placed.start),
      brief: 'lies flat meanwhile',
      sentence: `It keeps its children in space (preserve-3d), but lays them flat while its ${names} ${flattening.length > 1 ? 'are' : 'is'} animated.`,
      fix: Object.keys(left).length
        ? { label: `Leave its ${names} alone`, motions: [{ ...motion, keyframes: left }] }
        : null,
    };
  },
};
