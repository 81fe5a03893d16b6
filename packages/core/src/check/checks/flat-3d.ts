import { itemAt } from '../../assert/index.ts';
import { findMatches } from '../../page/index.ts';
import { declared } from '../declared.ts';
import type { CheckDefinition } from '../finding.ts';

const NOTHING = String.raw`[-+]?0*\.?0*(?:px|%|deg|rad|grad|turn)?`;
const whole = (pattern: string) => new RegExp(pattern.replaceAll('NOTHING', NOTHING), 'i');
/** Turning about x or y, or away from the screen, by more than nothing: a depth of 0 is written for other reasons. */
const IN_SPACE = [
  whole(String.raw`^(?:x|y)\s+(?!NOTHING$)`),
  whole(String.raw`^-?[\d.]+ -?[\d.]+ -?[\d.]+ (?!NOTHING$)-?[\d.]+(?:deg|rad|grad|turn)$`),
  whole(String.raw`^\S+ \S+ (?!NOTHING$)-?[\d.]+[a-z]+$`),
  whole(String.raw`rotate[XY]\(\s*(?!NOTHING\s*\))`),
  whole(String.raw`translateZ\(\s*(?!NOTHING\s*\))`),
  whole(String.raw`translate3d\([^,]*,[^,]*,\s*(?!NOTHING\s*\))`),
  /rotate3d\(|matrix3d\(/i,
];
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
    if (!values.some((k) => IN_SPACE.some((one) => one.test(k.value.trim())))) return null;
    if (values.some((k) => /perspective\(/.test(k.value))) return null;
    const { parent } = itemAt(timeline.layout.elements, element);
    const read = (e: number, property: string) =>
      declared(document, timeline, e, property) ?? itemAt(timeline.layout.elements, e).base?.[property];
    const hasPerspective = (e: number) =>
      (read(e, 'perspective') ?? 'none') !== 'none' ||
      document.motions.some(
        (m) =>
          m.on && m.keyframes.perspective && findMatches(timeline.layout, m.targets.selector).includes(e),
      );
    // What keeps its children in space hands on the perspective of what is around it.
    for (let e = parent; e >= 0; e = itemAt(timeline.layout.elements, e).parent) {
      if (hasPerspective(e)) return null;
      if (read(e, 'transform-style') !== 'preserve-3d') break;
    }
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
