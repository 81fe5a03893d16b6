/** Reveals of a text in parts: its lines, its words or its letters, one after another. */
import { splitHost, TEXT_PART } from '../page/index.ts';
import type { Motion } from '../motion/index.ts';
import { TEXT_SHARE } from '../timeline/index.ts';
import type { TextUnit } from '../timeline/index.ts';
import { adjust, between, factsAt, fragment, motionOn, nameAt } from './effect-definition.ts';
import type { EffectContext, EffectDefinition, Fragment } from './effect-definition.ts';
import { isSeenAtOnce } from './reveal-range.ts';

interface TextReveal {
  by: TextUnit;
  name: string;
  what: string;
  words: string;
  mask: boolean;
  keyframes: Motion['keyframes'];
}

const REVEALS: readonly TextReveal[] = [
  {
    by: 'lines',
    name: 'Lines rise',
    what: 'Each line slides up from behind its own edge.',
    words: 'text headline title split mask lines',
    mask: true,
    keyframes: { translate: between('0 110%', '0 0') },
  },
  {
    by: 'words',
    name: 'Words appear',
    what: 'Word after word rises into place.',
    words: 'text headline paragraph split',
    mask: false,
    keyframes: { opacity: between('0', '1'), translate: between('0 0.6em', '0 0') },
  },
  {
    by: 'letters',
    name: 'Letters appear',
    what: 'Letter after letter fades in.',
    words: 'text headline characters typewriter split',
    mask: false,
    keyframes: { opacity: between('0', '1'), translate: between('0 0.3em', '0 0') },
  },
];

/** Where each part begins and ends, and how much later the last one is. All of them are done where people begin to read. */
function computePlace(c: EffectContext): Pick<Motion, 'driver' | 'range' | 'stagger'> & Partial<Motion> {
  const { selector, fixed } = factsAt(c);
  const order = { order: 'property', property: TEXT_SHARE } as const;
  const range = { start: 'cover 0%', end: 'cover 21%' };
  if (fixed || isSeenAtOnce(factsAt(c), c.layout))
    return {
      driver: { kind: 'load' },
      time: { delay: '120ms', duration: '700ms' },
      easing: 'cubic-bezier(0.2, 0.7, 0.2, 1)',
      range,
      stagger: { ...order, step: '600ms' },
    };
  const insets: [string, string] = ['0px', '0px'];
  return {
    driver: { kind: 'view', subject: selector, axis: 'block', insets },
    range,
    stagger: { ...order, step: '4%', of: 'phase' },
  };
}

function compose(r: TextReveal, c: EffectContext): Fragment {
  const { selector } = factsAt(c);
  const motion = motionOn(c, `${selector} ${TEXT_PART}`, `${nameAt(c)} ${r.by}`, {
    keyframes: r.keyframes,
    reducedMotion: 'drop',
    ...computePlace(c),
  });
  const split = { by: r.by, order: 'reading' as const, ...(r.mask ? { mask: true } : {}) };
  return fragment({ motions: [motion], adjustments: [{ ...adjust(c, selector, {}, [motion]), split }] });
}

function refuse(c: EffectContext): string | null {
  const { text, kind = 'text', tag, selector } = factsAt(c);
  if (kind !== 'text' || text === '' || /^(input|textarea|select|svg|text)$/.test(tag))
    return 'It has no text of its own: choose a heading or a paragraph.';
  const isSplit = c.document.adjustments.some((a) => a.split && a.selector === splitHost(selector));
  return isSplit ? 'Its text is taken apart already: change that motion, or delete it.' : null;
}

export const textReveals: readonly EffectDefinition[] = REVEALS.map((r) => ({
  id: `text-${r.by}`,
  name: r.name,
  what: r.what,
  words: r.words,
  group: 'reveal',
  driver: 'view',
  needsElement: true,
  unfit: refuse,
  compose: (c) => compose(r, c),
}));
