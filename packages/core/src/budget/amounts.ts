/** What one motion on one element adds to every frame in which it changes something. */
import { itemAt } from '../assert/index.ts';
import type { Instance, CompiledTimeline } from '../motion/index.ts';
import type { Layout, OwnMotion } from '../page/index.ts';
import { findCostClass } from './cost-class.ts';
import { noAmounts } from './quantities.ts';
import type { Amounts } from './quantities.ts';

interface Crowd {
  /** per element: elements inside of it */
  inside: Uint16Array;
  /** per section, and for elements outside of any: how many */
  inSection: Map<number, number>;
}

const crowds = new WeakMap<Layout, Crowd>();

function makeCrowd(layout: Layout): Crowd {
  const known = crowds.get(layout);
  if (known) return known;
  const inside = new Uint16Array(layout.elements.length);
  const inSection = new Map<number, number>();
  layout.elements.forEach((e) => {
    inSection.set(e.section, (inSection.get(e.section) ?? 0) + 1);
    for (let p = e.parent; p >= 0; p = itemAt(layout.elements, p).parent) inside[p]!++;
  });
  const crowd = { inside, inSection };
  crowds.set(layout, crowd);
  return crowd;
}

const rivals = new WeakMap<CompiledTimeline, Map<number, number>>();

/** How many motions of a take lay out the same section anew: together they cost one layout a frame, not one each. */
function rivalsIn(timeline: CompiledTimeline, section: number): number {
  let known = rivals.get(timeline);
  if (!known) {
    known = new Map();
    for (const { motion, element } of timeline.instances)
      if (Object.keys(motion.keyframes).some((p) => findCostClass(p) === 'layout')) {
        const own = itemAt(timeline.layout.elements, element).section;
        known.set(own, (known.get(own) ?? 0) + 1);
      }
    rivals.set(timeline, known);
  }
  return known.get(section) ?? 1;
}

/** Area on the screen at most, Mpx of the device. */
export function computeArea(layout: Layout, element: number, dpr: number): number {
  const { box } = itemAt(layout.elements, element);
  const { width, height } = layout.viewport;
  return (Math.min(box.width, width) * Math.min(box.height, height) * dpr * dpr) / 1e6;
}

/** Largest blur of an instance over its keyframes, px. */
export function computeBlur(timeline: CompiledTimeline, instance: number): number {
  let most = 0;
  for (let t = itemAt(timeline.firstTrack, instance); t < itemAt(timeline.firstTrack, instance + 1); t++)
    for (const { form, from, to } of itemAt(timeline.tracks, t).segments)
      if (form.blur) most = Math.max(most, form.blur(from, 0), form.blur(to, 0));
  return most;
}

interface Moved {
  layout: Layout;
  element: number;
  properties: readonly string[];
  dpr: number;
  /** px */
  blur: number;
  /** how many others lay out the same section anew */
  rivals: number;
}

function amountsFor({ layout, element, properties, dpr, blur, rivals }: Moved): Amounts {
  const out = noAmounts();
  const crowd = makeCrowd(layout);
  const area = computeArea(layout, element, dpr);
  out.write = 1;
  for (const property of properties) {
    switch (findCostClass(property)) {
      case 'composite':
        out.layer = area;
        // One that only fades stays where it is, and is put together with what it was put together from.
        if (property !== 'opacity') out.layers = 1;
        break;
      case 'filter':
        out.blur = area * (1 + blur / 4);
        out.layers = 1;
        break;
      case 'style':
        out.inherit = 1 + itemAt(crowd.inside, element);
        break;
      case 'layout':
        out.layout = Math.max(
          1 + itemAt(crowd.inside, element),
          (crowd.inSection.get(itemAt(layout.elements, element).section) ?? 1) / rivals,
        );
        out.paint = Math.max(out.paint, area);
        out.repaint = 1 + itemAt(crowd.inside, element);
        break;
      case 'paint':
        out.paint = Math.max(out.paint, area);
        out.repaint = Math.max(out.repaint, 1);
    }
  }
  return out;
}

export function computeAmounts(timeline: CompiledTimeline, index: number, dpr = 1): Amounts {
  const { layout } = timeline;
  const { motion, element }: Instance = itemAt(timeline.instances, index);
  const out = amountsFor({
    layout,
    element,
    properties: Object.keys(motion.keyframes),
    dpr,
    blur: computeBlur(timeline, index),
    rivals: rivalsIn(timeline, itemAt(layout.elements, element).section),
  });
  // A followed motion is played by the script, and the browser cannot keep it off the main thread.
  if (motion.damping.kind !== 'none') out.script = 1;
  return out;
}

/** What the page moves by itself costs as well; how much it blurs is not known, so that counts as little. */
export function ownAmounts(layout: Layout, { element, properties, by }: OwnMotion, dpr = 1): Amounts {
  const out = amountsFor({ layout, element, properties, dpr, blur: 0, rivals: 1 });
  if (by !== 'rules') out.script = 1;
  return out;
}
