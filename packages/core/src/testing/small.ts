/** Small layouts and motions for tests and benches of several rooms. */
import type { Motion, MotionDocument } from '../motion/index.ts';
import type { ElementFacts, Layout } from '../page/index.ts';

export const element = (over: Partial<ElementFacts> & { selector: string }): ElementFacts => ({
  tag: 'div',
  text: over.selector,
  parent: -1,
  section: -1,
  scroller: 0,
  box: { x: 100, y: 2000, width: 400, height: 300 },
  sticky: null,
  fixed: false,
  fontSize: 16,
  ...over,
});

export function makeLayout(elements: ElementFacts[], max = 9000): Layout {
  return {
    format: 'lyvek-layout',
    version: 1,
    viewport: { width: 1000, height: 800 },
    page: { width: 1000, height: max + 800, rem: 16 },
    scrollers: [{ selector: null, port: { width: 1000, height: 800 }, max: { block: max, inline: 0 } }],
    sections: [],
    elements,
    notes: [],
    matches: Object.fromEntries(elements.map((e, i) => [e.selector, [i]])),
  };
}

export const motion = (over: Partial<Motion> = {}): Motion => ({
  id: 'm_a',
  name: 'Card',
  on: true,
  targets: { selector: '#a' },
  driver: { kind: 'view', subject: 'self', axis: 'block', insets: ['0px', '0px'] },
  range: { start: 'entry 0%', end: 'contain 50%' },
  keyframes: {
    opacity: [
      { at: '0%', value: '0' },
      { at: '100%', value: '1' },
    ],
  },
  easing: 'linear',
  fill: 'both',
  composite: 'replace',
  damping: { kind: 'none' },
  reducedMotion: 'fade',
  ...over,
});

export const makeDocument = (...motions: Motion[]): MotionDocument => ({
  format: 'lyvek-document' as const,
  version: 2 as const,
  motions,
  pins: [],
  triggers: [],
  cues: [],
  adjustments: [],
  media: [],
  properties: [],
  importedRules: [],
  accepted: [],
});

/** Opacity from 0 to 1 and a way from `from` to its place. */
export const fadeAndRise = (from: string): Motion['keyframes'] => ({
  opacity: [
    { at: '0%', value: '0' },
    { at: '100%', value: '1' },
  ],
  translate: [
    { at: '0%', value: from },
    { at: '100%', value: '0 0' },
  ],
});
