/** What a motion of the plan is as paused Web Animations, and on which elements. */
import type { FallbackMotion } from '@lyvek/core';
import { splitPart } from '@lyvek/core/part';

/** ms that a scrubbed animation lasts, so that its time is its progress in thousandths */
export const WHOLE = 1000;

type Frame = FallbackMotion['frames'][number][number];

/**
 * A keyframe without a value shows the element’s own, but loses its easing among Web Animations: there the value stands as it was when the
 * page opened.
 */
function withOwn({ composite }: FallbackMotion, frames: Frame[], style: CSSStyleDeclaration): Frame[] {
  const property = frames.flatMap((f) => Object.keys(f)).find((k) => k !== 'offset' && k !== 'easing');
  if (!property || composite !== 'replace') return frames;
  return frames.map((f) =>
    property in f || f.easing === 'linear'
      ? f
      : { ...f, [property]: style[property as 'opacity'] || style.getPropertyValue(property) },
  );
}

/** Until its place is read, a keyframe that hangs on the range has none. */
const withNumber = (f: Frame): Keyframe =>
  ({ ...f, offset: typeof f.offset === 'number' ? f.offset : null }) as Keyframe;

/** One animation a property, since each has easings of its own. */
export function listAnimations(m: FallbackMotion, target: Element, late: number): Animation[] {
  const [delay, duration] = m.time ?? [0, WHOLE];
  const part = splitPart(m.selector)[1] || null;
  const style = getComputedStyle(target, part);
  return m.frames.map((frames) => {
    const a = target.animate(withOwn(m, frames, style).map(withNumber), {
      pseudoElement: part,
      duration,
      delay: m.time ? delay + late : 0,
      fill: m.fill === 'none' ? 'none' : m.fill,
      composite: m.composite,
    });
    a.id = m.name ?? '';
    a.pause();
    a.currentTime = m.time ? 0 : -1;
    return a;
  });
}

/** The elements that a selector finds, or those that draw the pseudo-element which it means. */
export function findTargets(selector: string): Element[] {
  const [host, part] = splitPart(selector);
  const found = [...document.querySelectorAll(host)];
  return part ? found.filter((e) => !/^(none|normal)$/.test(getComputedStyle(e, part).content)) : found;
}
