/**
 * Sketches: what an effect does, for its plate. The effect is composed on a small made-up page and sampled like any other motion, so a
 * sketch cannot show what the effect does not do.
 */
import { itemAt, present } from '../assert/index.ts';
import { isEndless, isPointed } from '../drivers/index.ts';
import { compileTimeline, sample, shownValue, computeTimes } from '../motion/index.ts';
import type { Motion, MotionDocument, CompiledTimeline } from '../motion/index.ts';
import { withPins } from '../page/index.ts';
import type { ElementFacts, Layout } from '../page/index.ts';
import { withFragment } from './effect.ts';
import { between } from './effect-definition.ts';
import type { EffectDefinition } from './effect-definition.ts';

export interface SketchPart {
  kind: 'card' | 'stage' | 'drawing' | 'figure';
  /** px of the sketch’s viewport, from its upper left corner */
  x: number;
  y: number;
  width: number;
  height: number;
  /** values that the motions show right now */
  values: Record<string, string>;
}

export const SKETCH_VIEWPORT = { width: 1280, height: 800 };

const PAGE = 4200;
const part = (
  selector: string,
  parent: number,
  [x, y, width, height]: [number, number, number, number],
  rest: Partial<ElementFacts> = {},
): ElementFacts => ({
  selector,
  tag: 'div',
  text: '',
  parent,
  section: -1,
  scroller: 0,
  box: { x, y, width, height },
  sticky: null,
  fixed: false,
  ...rest,
});

/** A section with a card; with three cards above each other; with two columns; with a strip; a drawing; a figure. */
const SAMPLES: Record<
  string,
  { elements: ElementFacts[]; on: number; drawn: [number, SketchPart['kind']][] }
> = {
  card: {
    elements: [
      part('#s', -1, [0, 1400, 1280, 900], { tag: 'section' }),
      part('#c', 0, [340, 1700, 600, 380]),
    ],
    on: 1,
    drawn: [[1, 'card']],
  },
  section: {
    elements: [
      part('#s', -1, [0, 1400, 1280, 800], { tag: 'section' }),
      part('#c', 0, [340, 1560, 600, 480]),
      part('#n', -1, [0, 2200, 1280, 700], { tag: 'section' }),
    ],
    on: 0,
    drawn: [
      [0, 'stage'],
      [1, 'card'],
      [2, 'stage'],
    ],
  },
  strip: {
    elements: [
      part('#s', -1, [0, 1400, 1280, 800], { tag: 'section' }),
      part('#t', 0, [0, 1560, 2700, 480]),
      ...[0, 1, 2, 3, 4].map((i) => part(`#t${i}`, 1, [40 + i * 530, 1560, 480, 480])),
    ],
    on: 1,
    drawn: [2, 3, 4, 5, 6].map((i) => [i, 'card']),
  },
  marquee: {
    elements: [
      part('#s', -1, [0, 1400, 1280, 800], { tag: 'section' }),
      part('#t', 0, [0, 1620, 1060, 360]),
      ...[0, 1, 2, 3, 4, 5].map((i) => part(`#t${i}`, 1, [40 + i * 330, 1620, 290, 360])),
    ],
    on: 1,
    drawn: [2, 3, 4, 5, 6, 7].map((i) => [i, 'card']),
  },
  parts: {
    elements: [
      part('#s', -1, [0, 1400, 1280, 900], { tag: 'section' }),
      part('#c', 0, [120, 1640, 1040, 380]),
      ...[0, 1, 2].map((i) => part(`#c${i}`, 1, [120 + i * 360, 1640, 320, 380])),
    ],
    on: 1,
    drawn: [2, 3, 4].map((i) => [i, 'card']),
  },
  cards: {
    elements: [
      part('#s', -1, [0, 1400, 1280, 800], { tag: 'section' }),
      ...[0, 1, 2].map((i) => part(`#c${i}`, 0, [340, 1480, 600, 600])),
    ],
    on: 0,
    drawn: [1, 2, 3].map((i) => [i, 'card']),
  },
  columns: {
    elements: [
      part('#s', -1, [200, 1400, 880, 1700], { tag: 'section' }),
      part('#a', 0, [200, 1400, 400, 1700]),
      part('#b', 0, [680, 1400, 400, 1700]),
      ...[0, 1, 2, 3].flatMap((i) => [
        part(`#a${i}`, 1, [200, 1400 + i * 430, 400, 380]),
        part(`#b${i}`, 2, [680, 1400 + i * 430, 400, 380]),
      ]),
    ],
    on: 0,
    drawn: [3, 4, 5, 6, 7, 8, 9, 10].map((i) => [i, 'card']),
  },
  lines: {
    elements: [
      part('#s', -1, [0, 1400, 1280, 900], { tag: 'section' }),
      part('#h', 0, [240, 1650, 800, 420]),
      part('#a', 1, [240, 1680, 800, 150]),
      part('#b', 1, [240, 1870, 800, 150]),
    ],
    on: 1,
    drawn: [
      [2, 'card'],
      [3, 'card'],
    ],
  },
  drawing: {
    elements: [
      part('#s', -1, [0, 1400, 1280, 900], { tag: 'section' }),
      part('#d', 0, [240, 1620, 800, 460], { tag: 'svg' }),
      part('#d :is(path, line, polyline, polygon, circle, ellipse, rect)', 1, [240, 1620, 800, 460]),
    ],
    on: 1,
    drawn: [[2, 'drawing']],
  },
  figure: {
    elements: [
      part('#s', -1, [0, 1400, 1280, 900], { tag: 'section' }),
      part('#f', 0, [340, 1700, 600, 380], { text: '212' }),
    ],
    on: 1,
    drawn: [[1, 'figure']],
  },
};

const SAMPLE_OF: Record<string, keyof typeof SAMPLES> = {
  hold: 'section',
  travel: 'strip',
  marquee: 'marquee',
  stack: 'cards',
  rings: 'cards',
  'counter-columns': 'columns',
  'title-pair': 'lines',
  draw: 'drawing',
  count: 'figure',
};

/** Of effects that are not of ours. */
const SAMPLE_FOR: Partial<Record<EffectDefinition['driver'], keyof typeof SAMPLES>> = {
  pin: 'section',
  marquee: 'marquee',
};

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
  from: number;
  to: number;
  drawn: [number, SketchPart['kind']][];
}
const known = new Map<EffectDefinition, Sketch>();

function makeSketch(effect: EffectDefinition): Sketch {
  const cached = known.get(effect);
  if (cached) return cached;
  const { elements, on, drawn } = present(
    SAMPLES[SAMPLE_OF[effect.id] ?? (effect.movesParts ? 'parts' : SAMPLE_FOR[effect.driver]) ?? 'card'],
  );
  const layout: Layout = {
    format: 'lyvek-layout',
    version: 1,
    viewport: SKETCH_VIEWPORT,
    page: { width: 1280, height: PAGE },
    scrollers: [{ selector: null, port: SKETCH_VIEWPORT, max: { block: PAGE - 800, inline: 0 } }],
    sections: [],
    elements,
    matches: {
      [`${itemAt(elements, on).selector} > *`]: elements.flatMap((e, i) => (e.parent === on ? [i] : [])),
    },
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
    drawn,
    from: spans.length ? Math.min(...spans.map((p) => p.start)) : (held?.start ?? 0),
    to: spans.length ? Math.max(...spans.map((p) => p.end)) : (held?.end ?? 0),
  };
  known.set(effect, sketch);
  return sketch;
}

/** The sketch at a share of the effect’s whole way, 0 before and 1 after. */
export function sketch(effect: EffectDefinition, share: number): SketchPart[] {
  const { timeline, from, to, drawn } = makeSketch(effect);
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
    const values: Record<string, string> = {};
    // A part of a moved strip or column moves along with it.
    for (let e = i; e >= 0; e = itemAt(elements, e).parent)
      for (const property of timeline.writers.get(e)?.keys() ?? []) {
        const value = shownValue(timeline, e, property);
        if (value !== null && (e === i || property === 'translate')) values[property] ??= value;
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
