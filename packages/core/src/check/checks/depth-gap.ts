import { itemAt } from '../../assert/index.ts';
import { newPose, poseAt, makePoser } from '../../trial/index.ts';
import { declared } from '../declared.ts';
import { maxScrollFor, pxText } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';

const LOOKS = 12;

export const depthGap: CheckDefinition = {
  id: 'depth-gap',
  name: 'Depth gap',
  group: 'structure',
  why: 'A layer that is not larger than its frame by the distance it travels exposes the frame’s edge.',
  checkMotion(instance, { timeline, document }) {
    const { motion, element, placed } = instance;
    const layer = itemAt(timeline.layout.elements, element);
    const frame = timeline.layout.elements[layer.parent];
    // What fades in or is read comes and goes; a layer is there all the time.
    if (motion.keyframes.opacity || layer.kind === 'text') return null;
    if (!frame || !motion.keyframes.translate || placed.axis !== 'block' || placed.scroller !== 0)
      return null;
    const overflow = declared(document, timeline, layer.parent, 'overflow') ?? frame.overflow ?? 'visible';
    const covers =
      layer.box.y <= frame.box.y + 1 &&
      layer.box.y + layer.box.height >= frame.box.y + frame.box.height - 1 &&
      layer.box.x <= frame.box.x + 1 &&
      layer.box.x + layer.box.width >= frame.box.x + frame.box.width - 1;
    if (!/clip|hidden/.test(overflow) || !covers || layer.sticky) return null;
    const poser = makePoser(timeline, timeline.instances.indexOf(instance));
    const grown = Number.parseFloat(declared(document, timeline, element, 'scale') ?? '1') || 1;
    const extra = ((grown - 1) * layer.box.height) / 2;
    const max = maxScrollFor(instance, timeline);
    // Only while the frame can be seen.
    const from = Math.max(0, frame.box.y - timeline.layout.viewport.height);
    const to = Math.min(max, frame.box.y + frame.box.height);
    const pose = newPose();
    let gap = 0;
    let at = from;
    let below = false;
    for (let k = 0; k < LOOKS; k++) {
      const s = from + (k / (LOOKS - 1)) * (to - from);
      poseAt(timeline, poser, s, pose);
      const top = layer.box.y - extra + itemAt(pose.corners, 1) - frame.box.y;
      const bottom =
        frame.box.y + frame.box.height - (layer.box.y + layer.box.height + extra + itemAt(pose.corners, 5));
      if (Math.max(top, bottom) > gap) [gap, at, below] = [Math.max(top, bottom), s, bottom > top];
    }
    if (gap <= 1) return null;
    const scale = Math.ceil(100 * (grown + (2 * gap + 2) / layer.box.height)) / 100;
    return {
      severity: 'warning',
      at,
      brief: `uncovers its ${below ? 'lower' : 'upper'} edge`,
      sentence: `${pxText(gap)} of its frame are exposed at the ${below ? 'bottom' : 'top'}: the layer is too small for the distance it travels.`,
      fix: motion.keyframes.scale
        ? null
        : {
            label: `Enlarge it by ${Math.round(100 * (scale - 1))} %`,
            adjust: [
              {
                selector: layer.selector,
                declarations: { scale: String(scale) },
                for: [motion.id],
              },
            ],
          },
    };
  },
};
