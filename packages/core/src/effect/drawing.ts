import { present } from '../assert/index.ts';
import { adjust, between, factsAt, fragment, motionOn, nameAt } from './effect-definition.ts';
import type { Motion } from '../motion/index.ts';
import type { EffectContext, EffectDefinition, Fragment } from './effect-definition.ts';
import { freeSignal } from '../edit/index.ts';
import { revealPlace, revealRange } from './reveal-range.ts';

const STROKES = 'path, line, polyline, polygon, circle, ellipse, rect';

/** With `pathLength="1"` every stroke counts as one long, so nothing has to be measured. */
export const draw: EffectDefinition = {
  id: 'draw',
  name: 'Draw',
  needsElement: true,
  what: 'A line is drawn as far as you have scrolled.',
  words: 'stroke svg path dash',
  group: 'draw',
  driver: 'view',
  lifts: true,
  unfit: (c) => (factsAt(c).tag === 'svg' ? null : 'Only drawings (SVG in the page) have strokes.'),
  compose: (c) => composeDrawn(c, { range: revealRange(factsAt(c), c.layout) }),
};

/** So much of the whole way for each stroke, and so much later the next one begins. */
const EACH = { start: 'cover 2%', end: 'cover 16%' };

export const drawInTurn: EffectDefinition = {
  ...draw,
  id: 'draw-in-turn',
  name: 'Draw in turn',
  what: 'Its lines are drawn one after another.',
  words: 'strokes svg path dash sequence handwriting signature',
  compose: (c) => composeDrawn(c, { range: EACH, stagger: { step: '3%', order: 'page', of: 'phase' } }),
};

function composeDrawn(c: EffectContext, given: Pick<Motion, 'range' | 'stagger'>): Fragment {
  const e = factsAt(c);
  const selector = `${e.selector} :is(${STROKES})`;
  const motion = motionOn(c, selector, `${nameAt(c)} draws`, {
    // Parts of a drawing have no view progress that could be trusted; the drawing has.
    driver: { kind: 'view', subject: e.selector, axis: 'block', insets: ['0px', '0px'] },
    ...given,
    keyframes: { 'stroke-dashoffset': between('1px', '0px') },
    reducedMotion: 'drop',
  });
  return fragment({
    motions: [motion],
    adjustments: [adjust(c, selector, { 'stroke-dasharray': '1' }, [motion], { pathLength: '1' })],
  });
}

export const bar: EffectDefinition = {
  id: 'bar',
  name: 'Bar',
  what: 'Grows along its width like a gauge.',
  words: 'readout progress scale',
  group: 'draw',
  driver: 'view',
  compose(c) {
    const e = factsAt(c);
    const motion = motionOn(c, e.selector, `${nameAt(c)} fills`, {
      // Fixed to the window it never passes: there it is the gauge of the page.
      // It says how far one has read, and moves no further than the hand: readers who ask for reduced motion need it, too.
      ...(e.fixed
        ? {
            driver: { kind: 'scroll', axis: 'block' },
            range: { start: '0%', end: '100%' },
            reducedMotion: 'keep',
          }
        : { range: revealRange(e, c.layout), reducedMotion: 'drop' }),
      keyframes: { scale: between('0 1', '1 1') },
    });
    return fragment({
      motions: [motion],
      adjustments: [adjust(c, e.selector, { 'transform-origin': '0% 50%' }, [motion])],
    });
  },
};

/** The one number of a short text: “1,640 hours” → “1,640”. */
const numberIn = (text: string) => /^\D{0,16}?(\d[\d ,.]*\d|\d)\D{0,24}$/.exec(text.trim())?.[1] ?? null;

export const count: EffectDefinition = {
  id: 'count',
  name: 'Count',
  needsElement: true,
  what: 'A figure counts up along with the scroll.',
  words: 'readout number figure counter count up statistics',
  group: 'draw',
  driver: 'view',
  unfit: (c) => (numberIn(factsAt(c).text) ? null : 'Its text is not a number.'),
  compose(c) {
    const e = factsAt(c);
    const figure = Number(present(numberIn(e.text)).replace(/[ ,.]/g, ''));
    const motion = motionOn(c, e.selector, `${nameAt(c)} counts`, {
      ...revealPlace(e, c.layout),
      keyframes: { '--lv-figure': between('0', String(figure)) },
      reducedMotion: 'drop',
    });
    const digits = `counter(lv-figure)`;
    return fragment({
      motions: [motion],
      adjustments: [
        // The page keeps its own number for readers and for print; the counting one lies over it.
        adjust(
          c,
          e.selector,
          {
            position: 'relative',
            '-webkit-text-fill-color': 'transparent',
            'counter-reset': 'lv-figure round(var(--lv-figure))',
          },
          [motion],
        ),
        adjust(
          c,
          `${e.selector}::after`,
          {
            content: e.text
              .replace(present(numberIn(e.text)), '\u0000')
              .split('\u0000')
              .map((t) => (t ? JSON.stringify(t) : ''))
              .join(` ${digits} `)
              .trim(),
            position: 'absolute',
            inset: '0',
            '-webkit-text-fill-color': 'currentcolor',
          },
          [motion],
        ),
      ],
    });
  },
};

export const signal: EffectDefinition = {
  id: 'signal',
  name: 'Signal',
  needsElement: true,
  what: 'A number, 0 to 100, for a scene of your own.',
  words: 'custom property event canvas video',
  group: 'draw',
  driver: 'view',
  compose(c) {
    const e = factsAt(c);
    return fragment({
      motions: [
        motionOn(c, e.selector, `${nameAt(c)} signal`, {
          keyframes: { [freeSignal(c.document.motions)]: between('0', '100') },
          reducedMotion: 'keep',
        }),
      ],
    });
  },
};
