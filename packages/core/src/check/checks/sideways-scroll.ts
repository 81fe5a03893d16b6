import { itemAt } from '../../assert/index.ts';
import { newPose, poseAt, makePoser } from '../../trial/index.ts';
import { isClipped } from '../declared.ts';
import { maxScrollFor, pxText } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';

const LOOKS = 6;

export const sidewaysScroll: CheckDefinition = {
  id: 'sideways-scroll',
  name: 'Sideways page scroll',
  group: 'structure',
  why: 'What reaches beyond the right edge makes the whole page scroll sideways, and phones zoom out to show it.',
  checkMotion(instance, { timeline, document }) {
    const { motion, element, placed } = instance;
    const { box, fixed, scroller } = itemAt(timeline.layout.elements, element);
    if (fixed || scroller !== 0 || placed.axis !== 'block') return null;
    const poser = makePoser(timeline, timeline.instances.indexOf(instance));
    if (!poser.moves) return null;
    const max = maxScrollFor(instance, timeline);
    const from = Math.max(0, Math.min(max, placed.start));
    const to = Math.max(from, Math.min(max, placed.end));
    const { width } = timeline.layout.viewport;
    const rest = Math.max(width, box.x + box.width);
    let beyond = 0;
    let at = from;
    const pose = newPose();
    for (let k = 0; k < LOOKS; k++) {
      const s = from + (k / (LOOKS - 1)) * (to - from);
      poseAt(timeline, poser, s, pose);
      for (let i = 0; i < 4; i++) {
        const right = box.x + (i % 2 === 1 ? box.width : 0) + itemAt(pose.corners, 2 * i);
        if (right - rest > beyond) [beyond, at] = [right - rest, s];
      }
    }
    if (beyond <= 1 || isClipped(document, timeline, element)) return null;
    const parent = itemAt(timeline.layout.elements, element).parent;
    const selector = parent < 0 ? 'body' : itemAt(timeline.layout.elements, parent).selector;
    return {
      severity: 'error',
      at,
      brief: 'widens the page',
      sentence: `It reaches ${pxText(beyond)} beyond the right edge, so the page can be scrolled sideways.`,
      fix: {
        label: 'Clip it at its parent',
        adjust: [{ selector, declarations: { 'overflow-x': 'clip' }, for: [motion.id] }],
      },
    };
  },
};
