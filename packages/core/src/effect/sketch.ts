/**
 * Sketches: what an effect does, for its plate. The effect is composed on a small made-up page and sampled like any other motion, so a
 * sketch cannot show what the effect does not do.
 */
import { itemAt } from '../assert/index.ts';
import { isEndless, isPointed } from '../drivers/index.ts';
import { compileTimeline, sample, shownValue, computeTimes } from '../motion/index.ts';
import type { Adjustment, Motion, MotionDocument, CompiledTimeline } from '../motion/index.ts';
import { withPins } from '../page/index.ts';
import type { Layout } from '../page/index.ts';
import { findSample, matchSample } from './sketch-samples.ts';
import type { SketchPart } from './sketch-samples.ts';
import { withFragment } from './effect.ts';
import { between } from './effect-definition.ts';
import type { EffectDefinition } from './effect-definition.ts';

export const SKETCH_VIEWPORT = { width: 1280, height: 800 };

const PAGE = 4200;
function inPassing(motions: readonly Motion[]): (m: Motion) => Motion {
  const times = computeTimes(motions);
  const length = Math.max(1, ...[...times.values()].map((t) => t.end));
  const at = (ms: number) => `${(ms / length) * 2000}px`;
  return (m) => {
    if (isEndless(m.driver))
      return {
        ...m,
        driver: { kind: 'scroll', axis: 'block' },
        range: { start: '0px', end: '2000px' },
        keyframes: { translate: between('0 0', '-660px 0') },
      };
    if (isPointed(m.driver))
      return { ...m, driver: { kind: 'scroll', axis: 'block' }, range: { start: '0px', end: '2000px' } };
    const t = times.get(m.id);
    if (!t) return m;
    return {
      ...m,
      driver: { kind: 'scroll', axis: 'block' },
      range: { start: at(t.start), end: at(t.end) },
    };
  };
}

interface Sketch {
  timeline: CompiledTimeline;
  adjustments: readonly Adjustment[];
  from: number;
  to: number;
  drawn: [number, SketchPart['kind']][];
}
const known = new Map<EffectDefinition, Sketch>();

function makeSketch(effect: EffectDefinition): Sketch {
  const cached = known.get(effect);
  if (cached) return cached;
  const page = findSample(effect);
  const { elements, on, drawn } = page;
  const layout: Layout = {
    format: 'lyvek-layout',
    version: 1,
    viewport: SKETCH_VIEWPORT,
    page: { width: 1280, height: PAGE },
    scrollers: [{ selector: null, port: SKETCH_VIEWPORT, max: { block: PAGE - 800, inline: 0 } }],
    sections: [],
    elements,
    ...matchSample(page),
    notes: [],
  };
  const empty: MotionDocument = {
    format: 'lyvek-document',
    version: 2,
    motions: [],
    pins: [],
    triggers: [],
    cues: [],
    adjustments: [],
    media: [],
    properties: [],
    importedRules: [],
    accepted: [],
  };
  let next = 0;
  const made = effect.compose({
    layout: withPins(layout, []),
    element: on,
    document: empty,
    newId: (kind) => `${kind}_${next++}`,
  });
  // What plays in time is drawn as if its whole time were the view progress of what it stands on.
  const scrubbed = { ...made, triggers: [], motions: made.motions.map(inPassing(made.motions)) };
  const timeline = compileTimeline(withFragment(scrubbed)(empty), layout);
  const spans = timeline.instances.map((i) => i.placed);
  const held = withPins(layout, made.pins).pinnedSpans[0];
  const sketch = {
    timeline,
    adjustments: made.adjustments,
    drawn,
    from: spans.length ? Math.min(...spans.map((p) => p.start)) : (held?.start ?? 0),
    to: spans.length ? Math.max(...spans.map((p) => p.end)) : (held?.end ?? 0),
  };
  known.set(effect, sketch);
  return sketch;
}

/** The sketch at a share of the effect’s whole way, 0 before and 1 after. */
export function sketch(effect: EffectDefinition, share: number): SketchPart[] {
  const { timeline, adjustments, from, to, drawn } = makeSketch(effect);
  const offset = from + (to - from) * share;
  sample(timeline, [offset, 0]);
  const { elements } = timeline.layout;
  // What comes into sight or goes is shown in its place; what moves at another speed is shown against the page.
  const still =
    effect.group === 'depth' ||
    effect.group === 'hold' ||
    effect.driver === 'pin' ||
    effect.id === 'counter-columns' ||
    effect.id === 'rings'
      ? null
      : 1450;
  return drawn.map(([i, kind]) => {
    const { box, sticky } = itemAt(elements, i);
    const carried = sticky ? Math.min(sticky.travel, Math.max(0, offset - sticky.at)) : 0;
    // Masks, ways and gradients that the motion counts with are drawn by what the effect sets.
    const own = adjustments.filter((a) => a.selector === itemAt(elements, i).selector);
    const values: Record<string, string> = Object.assign({}, ...own.map((a) => a.declarations));
    const moved = new Set<string>();
    // A part of a moved strip or column moves along with it.
    for (let e = i; e >= 0; e = itemAt(elements, e).parent)
      for (const property of timeline.writers.get(e)?.keys() ?? []) {
        const value = shownValue(timeline, e, property);
        if (value !== null && (e === i || property === 'translate') && !moved.has(property)) {
          moved.add(property);
          values[property] = value;
        }
      }
    return {
      kind,
      x: box.x,
      y: box.y + carried - (still ?? offset),
      width: box.width,
      height: box.height,
      values,
    };
  });
}
