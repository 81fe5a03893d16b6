/** One specimen per check, for tests: the smallest page and document that show the mistake. Not part of the product. */
import { between } from '../effect/effect-definition.ts';
import type { FileFacts } from '../page/index.ts';
import { makeDocument, element, motion } from './index.ts';
import {
  PAGE,
  mistakenPage,
  css,
  box,
  with2,
  one,
  rise,
  at,
  keyframes,
  triggered,
  stage,
  crowd,
  mist,
} from './specimen-parts.ts';
import type { Specimen } from './specimen-parts.ts';

export { PAGE } from './specimen-parts.ts';

/** A section as high as the viewport. */
const tall = (value: string) =>
  element({
    selector: '#whole',
    box: box(3000, 800, 1280),
    viewportHeight: { property: 'height', value },
  });

/** A video whose file says this. */
const scrubbed = (file: FileFacts): Specimen =>
  one(
    { ...at('#film'), keyframes: { '--video': between('0', '1') } },
    {
      layout: with2([element({ selector: '#film', tag: 'video', file, box: box(3000, 500, 900) })]),
      incurable: true,
    },
  );

export const SPECIMENS: Record<string, Specimen> = {
  'never-finishes': one(
    { ...at('#end'), range: { start: 'entry 0%', end: { edge: '50%', line: '40%' } } },
    { besides: ['too-few-frames'] },
  ),
  'starts-part-way': one({
    ...at('#top'),
    keyframes: rise,
    range: { start: 'entry 0%', end: 'exit 100%' },
  }),
  'empty-range': one({ range: { start: 'contain 60%', end: 'contain 20%' } }),
  'unseen-where-read': one({
    ...at('#text'),
    range: { start: 'entry 0%', end: { edge: '50%', line: '40%' } },
  }),
  'hidden-at-load': one({ ...at('#top'), range: { start: 'exit 0%', end: 'exit 80%' } }),
  'focus-unseen': one(
    { ...at('#link'), range: { start: 'contain 50%', end: 'exit 60%' } },
    { layout: with2([element({ selector: '#link', focus: true, box: box(4000, 40) })]) },
  ),
  'thin-over-page': one({
    driver: { kind: 'scroll', axis: 'block' },
    range: { start: '0%', end: '100%' },
    keyframes: rise,
  }),
  'fixed-view': one(
    { ...at('#bar'), range: { start: 'entry 0%', end: 'exit 100%' } },
    { besides: ['starts-part-way', 'too-few-frames'] },
  ),
  'no-keys': { ...triggered({ event: 'click' }), incurable: true },
  'trigger-unreachable': triggered({ subject: '#end', down: { edge: '100%', line: '20%' } }, at('#end')),
  'two-writers': {
    document: makeDocument(
      motion({ range: { start: 'entry 0%', end: 'contain 40%' } }),
      motion({ id: 'm_b', name: 'Other', range: { start: 'contain 20%', end: 'contain 90%' } }),
    ),
  },
  'intro-against-scroll': {
    document: makeDocument(
      motion({
        driver: { kind: 'load' },
        time: { delay: '0ms', duration: '600ms' },
        ...at('#top'),
        keyframes: rise,
      }),
      motion({ id: 'm_b', ...at('#top'), keyframes: rise, range: { start: 'scroll 0%', end: 'exit 100%' } }),
    ),
  },
  'page-moves-too': one(
    { keyframes: rise },
    {
      layout: {
        ...PAGE,
        own: [{ element: 0, properties: ['translate'], by: 'script', drives: 'time', start: 0, end: 9000 }],
      },
      incurable: true,
    },
  ),
  chatter: triggered({ back: 'plays-back' }),
  'auto-insets': one({
    driver: { kind: 'view', subject: 'self', axis: 'block', insets: ['auto', 'auto'] },
  }),
  'caught-by-scroller': one(at('#caught')),
  'sideways-scroll': one({ keyframes: { translate: between('700px 0', '0 0') } }),
  'pin-shorter-than-scene': {
    document: {
      ...makeDocument(
        motion({
          driver: { kind: 'pin', pin: 'p_a' },
          ...at('#wide'),
          keyframes: { scale: between('1', '0.8') },
          range: { start: '0%', end: '150%' },
        }),
      ),
      pins: [stage],
    },
    besides: ['pin-too-high'],
  },
  'pin-too-high': { document: { ...makeDocument(), pins: [stage] } },
  'page-too-wide': {
    document: makeDocument(),
    layout: with2([element({ selector: '#broad', box: box(3000, 200, 1400) })], {
      scrollers: PAGE.scrollers.map((s, i) => (i === 0 ? { ...s, max: { ...s.max, inline: 400 } } : s)),
    }),
  },
  'depth-gap': one({
    ...at('#layer'),
    keyframes: { translate: between('0 -80px', '0 80px') },
    range: { start: 'cover 0%', end: 'cover 100%' },
  }),
  'flat-3d': {
    document: makeDocument(
      motion({
        ...at('#layer'),
        keyframes: { rotate: between('x 50deg', 'x 0deg') },
      }),
    ),
  },
  'flattened-3d': {
    document: {
      ...makeDocument(
        motion({
          ...at('#layer'),
          keyframes: { rotate: between('z 0deg', 'z 90deg'), opacity: between('0', '1') },
        }),
      ),
      adjustments: [
        { id: 'a_space', selector: '#layer', declarations: { 'transform-style': 'preserve-3d' }, for: [] },
      ],
    },
  },
  'missing-fill': one({ fill: 'none' }),
  misspelt: css('animation: rise linear both; animation-timeline: veiw();'),
  'shorthand-order': css('animation-timeline: view(); animation: rise linear both;'),
  'zero-duration': css('animation: rise 0s linear both; animation-timeline: view();'),
  'delay-on-scrub': css('animation: rise 10s 4s linear both; animation-timeline: view();'),
  'per-frame-factor': {
    ...mistakenPage(
      '<script>const step = () => { y += (scrollY - y) * 0.1; requestAnimationFrame(step); };</script>',
    ),
    incurable: true,
  },
  'marquee-hole': {
    document: makeDocument(
      motion({
        ...at('#strip'),
        keyframes: {},
        driver: { kind: 'marquee', axis: 'inline', speed: 50, reverses: true, push: 0, pauses: true },
        reducedMotion: 'drop',
      }),
    ),
    layout: with2([
      element({ selector: '#strip', box: box(3000, 60, 1000) }),
      element({ selector: '#strip > b', parent: 10, box: box(3000, 60, 100) }),
      element({ selector: '#strip > i', parent: 10, box: box(3000, 60, 100, 900) }),
    ]),
  },
  'anchor-unseen': one(
    { ...at('#link'), range: { start: 'exit 0%', end: 'exit 60%' } },
    { layout: with2([element({ selector: '#link', anchor: true, box: box(4000, 400) })]) },
  ),
  'hidden-without-motion': one(at('#ghost'), {
    layout: with2([element({ selector: '#ghost', base: { opacity: '0' }, box: box(4000, 40) })]),
  }),
  'takes-the-scroll': {
    document: makeDocument(),
    layout: with2([element({ selector: '#map', tag: 'iframe', box: box(3000, 700, 1000) })]),
  },
  'too-few-frames': one({ range: { start: 'contain 50%', end: 'contain 52%' } }),
  'step-too-large': one({
    keyframes: { translate: between('-1900px 0', '0 0') },
    range: { start: 'entry 20%', end: 'contain 40%' },
  }),
  jump: one({
    keyframes: { translate: between('0 200px', '0 0') },
    easing: 'steps(3)',
    range: { start: 'entry 0%', end: 'contain 80%' },
  }),
  kink: one({
    keyframes: {
      translate: [
        { at: '0%', value: '-335px 0' },
        { at: '30%', value: '0 0' },
        { at: '100%', value: '0 0' },
      ],
    },
    range: { start: 'entry 0%', end: 'contain 80%' },
  }),
  'eased-scrub': one({
    keyframes: { translate: between('0 60px', '0 0') },
    easing: 'cubic-bezier(0.05, 0.95, 0.1, 1)',
    range: { start: 'entry 0%', end: 'contain 80%' },
  }),
  reversal: one({
    keyframes: { translate: between('0 90px', '0 0') },
    easing: 'cubic-bezier(0.4, 1.5, 0.6, 1)',
    range: { start: 'entry 0%', end: 'contain 80%' },
  }),
  'long-lag': one(
    {
      keyframes: rise,
      damping: { kind: 'half-life', halfLife: 40 },
      range: { start: 'entry 0%', end: 'contain 80%' },
    },
    { gesture: 'trackpad-flick' },
  ),
  'overshoot-clamped': one({
    damping: { kind: 'spring', frequency: 6, ratio: 0.4 },
    range: { start: 'entry 0%', end: 'contain 50%' },
  }),
  'slow-settle': one({
    keyframes: rise,
    damping: { kind: 'half-life', halfLife: 100, cap: 90 },
    range: { start: 'entry 0%', end: 'contain 50%' },
  }),
  'layout-property': one({ keyframes: { 'margin-top': between('80px', '0px') } }),
  'large-blur': one(
    { ...at('#wide'), keyframes: { filter: between('blur(24px)', 'blur(0px)') } },
    { besides: ['late-frames'] },
  ),
  'hot-spot': { ...mist, besides: ['late-frames'] },
  'late-frames': { ...mist, besides: ['hot-spot'] },
  'layer-memory': {
    document: makeDocument(
      ...crowd(60).map((_, i) => motion({ id: `m_${i}`, ...at(`#c${i}`), keyframes: rise })),
    ),
    layout: with2(crowd(60, 1600)),
    incurable: true,
    besides: ['hot-spot', 'late-frames'],
  },
  'too-many-layers': {
    document: makeDocument(
      ...crowd(80).map((_, i) => motion({ id: `m_${i}`, ...at(`#c${i}`), keyframes: rise })),
    ),
    layout: with2(crowd(80)),
    incurable: true,
  },
  'no-reduced-form': one({ keyframes: rise, reducedMotion: 'keep' }),
  'counter-motion': one(
    {
      ...at('#wide'),
      keyframes: { translate: between('0 -500px', '0 0') },
      reducedMotion: 'keep',
      range: { start: 'cover 0%', end: 'cover 100%' },
    },
    { besides: ['no-reduced-form'] },
  ),
  flashing: one({
    keyframes: { opacity: keyframes('0', '1', '0', '1', '0', '1', '0', '1', '0', '1') },
    range: { start: 'entry 0%', end: 'entry 90%' },
  }),
  'no-viewport-meta': {
    document: makeDocument(),
    layout: { ...PAGE, page: { ...PAGE.page, viewportMeta: 'width=1100' } },
    incurable: true,
  },
  'slow-listeners': {
    document: makeDocument(),
    layout: { ...PAGE, page: { ...PAGE.page, blocking: [{ type: 'wheel', on: 'the page' }] } },
    incurable: true,
  },
  'pin-under-bars': {
    document: { ...makeDocument(), pins: [{ ...stage, stage: '#whole' }] },
    layout: with2([tall('100vh')]),
  },
  'moves-with-bars': one({ range: { start: 'entry 10dvh', end: 'contain 50%' } }),
  'small-targets': one(
    { ...at('#strip'), keyframes: { translate: between('0 0', '-300px 0') } },
    {
      layout: with2([
        element({ selector: '#strip', box: box(3000, 60, 900) }),
        element({
          selector: '#a',
          tag: 'button',
          focus: true,
          parent: PAGE.elements.length,
          box: box(3000, 18, 18),
        }),
        element({
          selector: '#b',
          tag: 'button',
          focus: true,
          parent: PAGE.elements.length,
          box: box(3020, 18, 18),
        }),
      ]),
      incurable: true,
    },
  ),
  'video-key-frames': scrubbed({ src: 'film.mp4', keyFrames: 250, poster: true }),
  'video-late': scrubbed({ src: 'film.mp4', preload: 'none', poster: true }),
  'no-pause': triggered({}, { time: { delay: '0ms', duration: '9000ms' } }),
};
