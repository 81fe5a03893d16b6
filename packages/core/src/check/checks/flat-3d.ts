import { itemAt } from '../../assert/index.ts';
import { findMatches } from '../../page/index.ts';
import { declared } from '../declared.ts';
import type { CheckDefinition } from '../finding.ts';

/** Turning about x or y, or away from the screen. */
const IN_SPACE =
  /^(?:x|y)\b|^-?[\d.]+ -?[\d.]+ -?[\d.]+ |rotateX|rotateY|rotate3d|translateZ|translate3d|matrix3d/;
/** Chosen by us: about as far from the eye as a screen is wide. */
const DISTANCE = '900px';

export const flat3d: CheckDefinition = {
  id: 'flat-3d',
  name: 'Flat 3D',
  group: 'structure',
  why: 'Without a perspective on the parent a turn in space looks like a plain squeeze.',
  checkMotion(instance, { timeline, document }) {
    const { motion, element, placed } = instance;
    const values = ['rotate', 'transform', 'translate'].flatMap((p) => motion.keyframes[p] ?? []);
    if (!values.some((k) => IN_SPACE.test(k.value))) return null;
    if (values.some((k) => /perspective\(/.test(k.value))) return null;
    const { parent } = itemAt(timeline.layout.elements, element);
    const seen =
      (parent >= 0 && itemAt(timeline.layout.elements, parent).base?.perspective !== undefined) ||
      (parent >= 0 && (declared(document, timeline, parent, 'perspective') ?? 'none') !== 'none') ||
      document.motions.some(
        (m) =>
          m.on &&
          m.keyframes.perspective &&
          findMatches(timeline.layout, m.targets.selector).includes(parent),
      );
    if (seen) return null;
    const selector = parent < 0 ? 'body' : itemAt(timeline.layout.elements, parent).selector;
    return {
      severity: 'warning',
      at: Math.max(0, placed.start),
      brief: 'turns without depth',
      sentence: 'It turns in space, but nothing around it has a perspective, so it looks flat.',
      fix:
        parent < 0
          ? null
          : {
              label: `Give its parent a perspective of ${DISTANCE}`,
              adjust: [{ selector, declarations: { perspective: DISTANCE }, for: [motion.id] }],
            },
    };
  },
};
