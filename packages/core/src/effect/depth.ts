import { itemAt } from '../assert/index.ts';
import { distantly } from '../timeline/index.ts';
import { adjust, between, factsAt, fragment, motionOn, nameAt } from './effect-definition.ts';
import type { EffectContext, EffectDefinition } from './effect-definition.ts';

/** A layer inside a frame that clips it takes the frame’s view progress, and must be larger than the frame. */
function toFrame(c: EffectContext): number | null {
  const e = factsAt(c);
  const frame = c.layout.elements[e.parent];
  return frame?.overflow && /clip|hidden/.test(frame.overflow) && frame.tag !== 'body' ? e.parent : null;
}

/** What the first screen shows keeps its place at scroll 0, and moves until it has left. */
function fromTheTop(c: EffectContext, factor: number) {
  const e = factsAt(c);
  const until = (e.box.y + e.box.height) / factor;
  const px = (n: number) => `${Math.round(n)}px`;
  const motion = motionOn(c, e.selector, `${nameAt(c)} parallax`, {
    driver: { kind: 'scroll', axis: 'block' },
    range: { start: '0px', end: px(until) },
    keyframes: { translate: between('0 0', `0 ${px((1 - factor) * until)}`) },
    reducedMotion: 'drop',
  });
  return fragment({ motions: [motion] });
}

const compose = (factor: number) => (c: EffectContext) => {
  const e = factsAt(c);
  const frame = toFrame(c);
  const port = itemAt(c.layout.scrollers, e.scroller).port.height;
  // Slower than the page, a layer of a frame at the top opens no gap: what it uncovers has been scrolled away.
  if ((frame === null || factor <= 1) && e.box.y < port * 0.9 && !e.sticky) return fromTheTop(c, factor);
  const name = `${nameAt(c)} parallax`;
  if (frame === null) {
    const { range, from, to } = distantly({ factor, line: 0.5, height: '100%' });
    const motion = motionOn(c, e.selector, name, {
      range,
      keyframes: { translate: between(`0 ${from}`, `0 ${to}`) },
      reducedMotion: 'drop',
    });
    return fragment({ motions: [motion] });
  }
  const f = itemAt(c.layout.elements, frame);
  const height = `${Number(f.box.height.toFixed(2))}px`;
  const { range, from, to, overscan } = distantly({ factor, line: 0.5, height, frame: true });
  const motion = motionOn(c, e.selector, name, {
    driver: { kind: 'view', subject: f.selector, axis: 'block', insets: ['0px', '0px'] },
    range,
    keyframes: { translate: between(`0 ${from}`, `0 ${to}`) },
    reducedMotion: 'drop',
  });
  return fragment({
    motions: [motion],
    adjustments: [
      adjust(
        c,
        e.selector,
        {
          ...(e.position ? {} : { position: 'relative' }),
          top: `calc(-1 * ${overscan})`,
          bottom: 'auto',
          height: `calc(100% + 2 * ${overscan})`,
          'max-height': 'none',
        },
        [motion],
      ),
    ],
  });
};

export const far: EffectDefinition = {
  id: 'far',
  name: 'Parallax, slower',
  what: 'Moves at half the speed of the page.',
  words: 'depth parallax slow layer',
  group: 'depth',
  driver: 'view',
  compose: compose(0.5),
};
export const near: EffectDefinition = {
  id: 'near',
  name: 'Parallax, faster',
  what: 'Moves faster than the page.',
  words: 'depth parallax fast layer',
  group: 'depth',
  driver: 'view',
  compose: compose(1.4),
};
