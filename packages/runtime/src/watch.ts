/** Numbers that motions write into custom properties: the browser works them out; here they are read, once a frame while something may change them. */
import { toDocument } from './plan.ts';
import type { Clock } from './plan.ts';

export interface Watched {
  property: string;
  selector: string;
}

export interface News<W extends Watched> {
  element: Element;
  /** what of the plan it is */
  of: W;
  value: number;
}

/** What may move them; what plays on after it is looked at for as long as it changes. */
const LISTENED = ['scroll', 'pointermove', 'pointerout'];
const OPTIONS = { capture: true, passive: true };

/** Tells what has changed, all of it read before anything is told. Returns what ends that. */
export function watchNumbers<W extends Watched>(
  root: Document | Element,
  plan: readonly W[],
  clock: Clock,
  tell: (news: readonly News<W>[]) => void,
): () => void {
  const doc = toDocument(root);
  const told = new Map<Element, Map<string, number>>();
  let frame = 0;
  /** frames that are still looked at: a timeline is up to date one frame after the scroll */
  let left = 0;
  let stopped = false;

  const tick = () => {
    frame = 0;
    const news: News<W>[] = [];
    for (const of of plan) {
      const { property, selector } = of;
      for (const element of root.querySelectorAll(selector)) {
        const value = parseFloat(getComputedStyle(element).getPropertyValue(property));
        const known = told.get(element) ?? told.set(element, new Map()).get(element)!;
        if (isNaN(value) || known.get(property) === value) continue;
        known.set(property, value);
        news.push({ element, of, value });
      }
    }
    if (news.length) left = 2;
    tell(news);
    if (left-- > 0) wake();
  };
  const wake = () => {
    if (!frame && !stopped) frame = clock.request(tick);
  };
  const woken = () => {
    left = 2;
    wake();
  };
  for (const type of LISTENED) doc.addEventListener(type, woken, OPTIONS);
  const sized = new ResizeObserver(woken);
  sized.observe(doc.documentElement);
  woken();
  return () => {
    stopped = true;
    clock.cancel(frame);
    sized.disconnect();
    for (const type of LISTENED) doc.removeEventListener(type, woken, OPTIONS);
  };
}
