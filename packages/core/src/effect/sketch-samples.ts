/** Small made-up pages that sketches of effects play on. */
import { itemAt, present } from '../assert/index.ts';
import { TEXT_PART } from '../page/index.ts';
import type { ElementFacts, Layout } from '../page/index.ts';
import { askedNumber, shareParts, TEXT_SHARE } from '../timeline/index.ts';
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

export interface Sample {
  elements: ElementFacts[];
  on: number;
  drawn: [number, SketchPart['kind']][];
  /** what of its text moves by itself */
  text?: { selector: string; matched: number[]; shares: number[] };
}

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

/** A text of parts, each from one share of its line to another; one that begins further left than the one before it is in a new line. */
function makeText(spans: readonly (readonly number[])[]): Sample {
  let line = -1;
  let before = Infinity;
  const parts = spans.map(([from = 0, to = 1], i) => {
    if (from <= before) line++;
    before = from;
    return part(`#p${i}`, 1, [240 + from * 800, 1640 + line * 150, (to - from) * 800, 120], {
      tag: TEXT_PART,
    });
  });
  const matched = parts.map((_, i) => i + 2);
  return {
    elements: [
      part('#s', -1, [0, 1400, 1280, 900], { tag: 'section' }),
      part('#c', 0, [240, 1640, 800, 450], { text: 'One after another' }),
      ...parts,
    ],
    on: 1,
    drawn: matched.map((i) => [i, 'card']),
    text: {
      selector: `#c ${TEXT_PART}`,
      matched,
      shares: shareParts(parts.length, 'reading'),
    },
  };
}

/** A section with a card; with three cards above each other; with two columns; with a strip; a drawing; a figure. */
const SAMPLES: Record<string, Sample> = {
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
  'text-lines': makeText([
    [0, 1],
    [0, 1],
    [0, 0.7],
  ]),
  'text-words': makeText([
    [0, 0.3],
    [0.34, 0.52],
    [0.56, 1],
    [0, 0.4],
    [0.44, 0.8],
  ]),
  'text-letters': makeText(Array.from({ length: 9 }, (_, i) => [i / 9, (i + 0.7) / 9])),
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
  'draw-in-turn': 'drawing',
  count: 'figure',
};

/** Of effects that are not of ours. */
const SAMPLE_FOR: Partial<Record<EffectDefinition['driver'], keyof typeof SAMPLES>> = {
  pin: 'section',
  marquee: 'marquee',
};

/** The page for an effect: one of its own, else by what it moves. */
export const findSample = ({ id, movesParts, driver }: EffectDefinition): Sample =>
  present(
    SAMPLES[
      SAMPLE_OF[id] ??
        (id in SAMPLES ? id : undefined) ??
        (movesParts ? 'parts' : SAMPLE_FOR[driver]) ??
        'card'
    ],
  );

/** What a layout has to say of a sample besides its elements. */
export const matchSample = ({ elements, on, text }: Sample): Pick<Layout, 'matches' | 'values'> => ({
  matches: {
    [`${itemAt(elements, on).selector} > *`]: elements.flatMap((e, i) => (e.parent === on ? [i] : [])),
    ...(text && { [text.selector]: text.matched }),
  },
  ...(text && {
    values: [
      {
        selector: text.selector,
        ...present(askedNumber({ order: 'property', property: TEXT_SHARE })),
        computed: text.shares.map(String),
      },
    ],
  }),
});
