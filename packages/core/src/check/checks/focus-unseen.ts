import type { Layout } from '../../page/index.ts';
import { maxOf } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';
import { opacityAt } from '../opacity-at.ts';
import { pointAt } from '../point-at.ts';

/** Fainter than this nobody finds what has the focus. */
const UNSEEN = 0.3;

/** The first element inside, or itself, that the keyboard gets to. */
function focusIn({ elements }: Layout, element: number): number | null {
  for (let i = 0; i < elements.length; i++) {
    if (!elements[i]!.focus) continue;
    for (let e = i; e >= 0; e = elements[e]!.parent) if (e === element) return i;
  }
  return null;
}

export const focusUnseen: CheckDefinition = {
  id: 'focus-unseen',
  name: 'Focus on something invisible',
  group: 'structure',
  why: 'Whoever goes through the page with the keyboard lands on a link that cannot be seen, and does not know where they are.',
  look(instance, { take }) {
    const { motion, element, placed } = instance;
    const facts = take.layout.elements[element]!;
    if (!motion.keyframes.opacity || facts.fixed || facts.sticky) return null;
    if (placed.scroller !== 0 || placed.axis !== 'block' || motion.driver.kind === 'belt') return null;
    const target = focusIn(take.layout, element);
    if (target === null) return null;
    // A browser brings what gets the focus to the middle of the window, as far as the page reaches.
    const { box } = take.layout.elements[target]!;
    const max = maxOf(instance, take);
    const at = Math.min(max, Math.max(0, box.y + box.height / 2 - take.layout.viewport.height / 2));
    const opacity = opacityAt(take, element, at);
    if (opacity >= UNSEEN) return null;
    const rises = placed.end > at;
    const { start, end } = motion.range;
    const range = rises
      ? {
          start:
            placed.start < at - 80 ? start : pointAt(Math.max(0, at - 200), start, instance, max, 'start'),
          end: pointAt(at, end, instance, max, 'end'),
        }
      : {
          start: pointAt(at, start, instance, max, 'start'),
          end: placed.end > at + 80 ? end : pointAt(Math.min(max, at + 200), end, instance, max, 'end'),
        };
    return {
      severity: 'wrong',
      at,
      brief: 'focus unseen',
      sentence: `The keyboard gets to ${take.layout.elements[target]!.text.slice(0, 40) || 'something in it'} in the middle of the screen, where it is ${Math.round(100 * opacity)} % opaque.`,
      fix:
        at > 0 && at < max
          ? { label: rises ? 'Be there by then' : 'Stay until then', motions: [{ ...motion, range }] }
          : null,
    };
  },
};
