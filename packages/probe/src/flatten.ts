/** For browsers that tell no places by view timelines: what moves an element away from its place is taken off it for a moment. */
import { isTransformed } from './containers.ts';
import { readStyle } from './dom.ts';

const NONE = ['none', 'none'];
const FLAT = { transform: NONE, translate: NONE, rotate: NONE, scale: NONE };

/** Takes the transforms off an element and what stands around it; returns what undoes that. */
export function takeTransforms(e: Element): () => void {
  const undo: (() => void)[] = [];
  for (let p: Element | null = e; p; p = p.parentElement) {
    if (!isTransformed(readStyle(p))) continue;
    // Heard of by no observer of the page.
    const animation = p.animate(FLAT, { duration: 1e6, fill: 'both' });
    animation.pause();
    undo.push(() => animation.cancel());
  }
  return () => undo.forEach((back) => back());
}

/** Puts an element and what stands around it back to their places; returns what undoes that. */
export function flatten(e: Element): () => void {
  const undo = [takeTransforms(e)];
  for (let p: Element | null = e; p; p = p.parentElement) {
    const style = readStyle(p);
    if (style.position === 'sticky' && p instanceof HTMLElement) {
      const { style: own } = p;
      const was = own.cssText;
      own.setProperty('position', 'relative', 'important');
      own.setProperty('inset', 'auto', 'important');
      undo.push(() => {
        // Written first: an attribute that stands only in the style object is not removed.
        p.setAttribute('style', was);
        if (!was) p.removeAttribute('style');
      });
    }
  }
  return () => undo.forEach((back) => back());
}
