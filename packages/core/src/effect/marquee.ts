import { itemAt } from '../assert/index.ts';
import { adjust, listChildren, factsAt, fragment, motionOn, nameAt } from './effect-definition.ts';
import type { EffectContext, EffectDefinition } from './effect-definition.ts';

/** px per second: read with ease, and the eye need not follow */
const SPEED = 50;

/** Words that run across the page, rather than a label in a card or a text to read. Big ones may wrap now; as a strip they are one line. */
const isLine = (c: EffectContext): boolean => {
  const { text, box, fontSize = 16 } = factsAt(c);
  return text !== '' && box.height < MAX_LINES * 1.5 * fontSize && box.width >= c.layout.viewport.width / 2;
};
const MAX_LINES = 4;

const stands = (c: EffectContext): 'row' | 'column' | 'neither' => {
  const [a, b] = listChildren(c.layout, c.element).map((i) => itemAt(c.layout.elements, i).box);
  if (!a || !b) return isLine(c) ? 'row' : 'neither';
  if (b.x > a.x + a.width - 1 && b.y < a.y + a.height) return 'row';
  return b.y > a.y + a.height - 1 ? 'column' : 'neither';
};

/** A strip that runs without an end; its copies are the script’s. */
export const marquee: EffectDefinition = {
  id: 'marquee',
  name: 'Marquee',
  needsElement: true,
  what: 'Runs endlessly; reverses with scroll.',
  words: 'endless loop strip ticker band belt',
  group: 'many',
  driver: 'marquee',
  lifts: true,
  unfit(c) {
    const e = factsAt(c);
    if (!c.layout.elements[e.parent])
      return 'Nothing around it could clip it: put it into a section or div of the page first.';
    const way = stands(c);
    if (way === 'neither') return 'Choose a strip: a row or a column of parts, or a line of text.';
    if (way === 'column' && e.box.height < c.layout.viewport.height / 2)
      return 'A column that short shows all of itself at once: choose a row.';
    return null;
  },
  compose(c) {
    const e = factsAt(c);
    const parent = itemAt(c.layout.elements, e.parent);
    const inline = stands(c) === 'row';
    const motion = motionOn(c, e.selector, `${nameAt(c)} runs`, {
      driver: {
        kind: 'marquee',
        axis: inline ? 'inline' : 'block',
        speed: SPEED,
        reverses: true,
        push: 0.25,
        pauses: true,
      },
      keyframes: {},
      damping: { kind: 'half-life', halfLife: 120 },
      reducedMotion: 'drop',
    });
    return fragment({
      motions: [motion],
      adjustments: [
        adjust(
          c,
          e.selector,
          inline
            ? { width: 'max-content', 'max-width': 'none', 'flex-wrap': 'nowrap', 'white-space': 'nowrap' }
            : { height: 'max-content' },
          [motion],
        ),
        // A column is seen through a window as high as it was, since its copies would make the page longer.
        adjust(
          c,
          parent.selector,
          inline ? { overflow: 'clip' } : { overflow: 'clip', height: `${Math.round(parent.box.height)}px` },
          [motion],
        ),
      ],
    });
  },
};
