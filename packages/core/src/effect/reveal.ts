/** Reveals: one table row each. What stands in the first screen already plays backwards as it leaves. */
import type { Motion } from '../motion/index.ts';
import type { ElementFacts, PinnedLayout } from '../page/index.ts';
import { adjust, between, factsAt, fragment, motionOn, nameAt } from './effect-definition.ts';
import type { EffectContext, EffectDefinition } from './effect-definition.ts';
import { isSeenAtOnce, leavePlace, revealPlace } from './reveal-range.ts';

type Keyframes = Motion['keyframes'];

interface Reveal {
  id: string;
  name: string;
  what: string;
  words?: string;
  keyframes(e: ElementFacts, layout: PinnedLayout): Keyframes;
  easing?: string;
  /** declarations that the element, or its parent, needs */
  own?: Record<string, string>;
  parent?: Record<string, string>;
  /** share of its width by which it reaches further to each side on its way */
  widens?: number;
  unfit?(e: ElementFacts, layout: PinnedLayout): string | null;
}

const DISTANCE = 80;
/** Free room at the element's right: moving further would let the page scroll sideways. */
const roomRight = (e: ElementFacts, layout: PinnedLayout) =>
  Math.floor(layout.viewport.width - e.box.x - e.box.width);
const faded = (rest: Keyframes): Keyframes => ({ opacity: between('0', '1'), ...rest });

const REVEALS: readonly Reveal[] = [
  {
    id: 'rise',
    name: 'Rise',
    what: 'Slides up into place.',
    keyframes: () => faded({ translate: between('0 72px', '0 0') }),
  },
  {
    id: 'drop',
    name: 'Slide from above',
    what: 'Slides into place from above.',
    keyframes: () => faded({ translate: between('0 -72px', '0 0') }),
  },
  {
    id: 'fade',
    name: 'Fade',
    what: 'Fades in where it is.',
    keyframes: () => faded({}),
  },
  {
    id: 'from-left',
    name: 'Slide from the left',
    what: 'Slides in from the left.',
    // Leaving the page at its left never widens it.
    keyframes: () => faded({ translate: between(`-${DISTANCE}px 0`, '0 0') }),
  },
  {
    id: 'from-right',
    name: 'Slide from the right',
    what: 'Slides in from the right.',
    keyframes: (e, layout) =>
      faded({ translate: between(`${Math.min(DISTANCE, Math.max(0, roomRight(e, layout)))}px 0`, '0 0') }),
    unfit: (e, layout) =>
      roomRight(e, layout) < 8 ? 'It reaches the right edge: the page would scroll sideways.' : null,
  },
  {
    id: 'grow',
    name: 'Grow',
    what: 'Swells past its size and settles.',
    words: 'scale overshoot',
    widens: 0.02,
    keyframes: () =>
      faded({
        scale: [
          { at: '0%', value: '0.82' },
          { at: '72%', value: '1.04' },
          { at: '100%', value: '1' },
        ],
      }),
  },
  {
    id: 'settle',
    name: 'Settle',
    what: 'Shrinks to its size.',
    words: 'scale shrink',
    keyframes: () => faded({ scale: between('1.16', '1') }),
    widens: 0.08,
  },
  {
    id: 'sharpen',
    name: 'Sharpen',
    what: 'Comes into focus out of a blur.',
    words: 'blur filter',
    keyframes: () => faded({ filter: between('blur(8px)', 'blur(0px)') }),
  },
  {
    id: 'turn',
    name: 'Turn in',
    what: 'Straightens up from a slight tilt.',
    words: 'rotate',
    keyframes: () => faded({ rotate: between('-5deg', '0deg'), translate: between('0 40px', '0 0') }),
  },
  {
    id: 'flip',
    name: 'Flip up',
    what: 'Swings up about its lower edge.',
    words: '3d rotate perspective hinge',
    keyframes: () => faded({ rotate: between('x -78deg', 'x 0deg') }),
    own: { 'transform-origin': '50% 100%' },
    parent: { perspective: '900px' },
  },
  {
    id: 'slant',
    name: 'Slant in',
    what: 'Enters skewed and straightens.',
    words: 'skew',
    keyframes: () =>
      faded({ transform: between('translateY(64px) skewY(5deg)', 'translateY(0px) skewY(0deg)') }),
  },
  {
    id: 'wipe',
    name: 'Wipe',
    what: 'An edge uncovers it from the left.',
    words: 'clip mask',
    keyframes: () => ({ 'clip-path': between('inset(0 100% 0 0)', 'inset(0 0 0 0)') }),
  },
  {
    id: 'unmask',
    name: 'Unmask',
    what: 'A soft edge runs over text or picture.',
    words: 'mask gradient',
    keyframes: () => ({ 'mask-position': between('100% 0%', '0% 0%') }),
    own: {
      'mask-image': 'linear-gradient(to right, #000 44%, transparent 56%)',
      'mask-size': '230% 100%',
      'mask-repeat': 'no-repeat',
    },
  },
  {
    id: 'level',
    name: 'Rising level',
    what: 'Fills from below like a gauge.',
    words: 'clip fill',
    keyframes: () => ({ 'clip-path': between('inset(100% 0 0 0)', 'inset(0 0 0 0)') }),
  },
];

const backwards = (keyframes: Keyframes): Keyframes =>
  Object.fromEntries(
    Object.entries(keyframes).map(([property, keyframes]) => [
      property,
      keyframes.toReversed().map((s) => ({ ...s, at: `${100 - Number.parseFloat(s.at)}%` })),
    ]),
  );

function compose(r: Reveal, c: EffectContext) {
  const e = factsAt(c);
  const leaving = isSeenAtOnce(e, c.layout);
  const keyframes = r.keyframes(e, c.layout);
  const motion = motionOn(c, e.selector, `${nameAt(c)} ${leaving ? 'leaves' : r.name.toLowerCase()}`, {
    keyframes: leaving ? backwards(keyframes) : keyframes,
    ...(leaving ? leavePlace(e, c.layout) : revealPlace(e, c.layout)),
    ...(r.easing ? { easing: r.easing } : {}),
  });
  const parent = c.layout.elements[e.parent];
  // What is wide already must not let the page scroll sideways while it is larger.
  const over = r.widens !== undefined && roomRight(e, c.layout) < e.box.width * r.widens;
  const around = { ...r.parent, ...(over ? { 'overflow-x': 'clip' } : {}) };
  return fragment({
    motions: [motion],
    adjustments: [
      ...(r.own ? [adjust(c, e.selector, r.own, [motion])] : []),
      ...(parent && Object.keys(around).length ? [adjust(c, parent.selector, around, [motion])] : []),
    ],
  });
}

export const reveals: readonly EffectDefinition[] = REVEALS.map((r) => ({
  id: r.id,
  name: r.name,
  what: r.what,
  ...(r.words ? { words: r.words } : {}),
  group: 'reveal',
  driver: 'view',
  unfit: (c) => r.unfit?.(factsAt(c), c.layout) ?? null,
  compose: (c) => compose(r, c),
}));
