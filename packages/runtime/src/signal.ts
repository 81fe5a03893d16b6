/**
 * Signals: a number that a motion writes into a custom property, told to scripts of the page as an event named after it. The browser
 * works the number out; here it is only read, once a frame while something scrolls or points, and told when it has changed.
 */
import { toDocument } from './plan.ts';
import type { Clock, Plan } from './plan.ts';

/** What listeners get: `addEventListener('signal', (e) => e.detail.value)`, on the element or anything around it. */
export interface SignalDetail {
  name: string;
  value: number;
}

export function playSignals(
  root: Document | Element,
  plan: NonNullable<Plan['signals']>,
  clock: Clock,
): () => void {
  const doc = toDocument(root);
  const told = new Map<Element, Map<string, number>>();
  let frame = 0;
  /** frames that are still looked at: a timeline is up to date one frame after the scroll */
  let left = 0;
  let stopped = false;

  const tick = () => {
    frame = 0;
    const news: { element: Element; detail: SignalDetail }[] = [];
    for (const { property, selector } of plan)
      for (const element of root.querySelectorAll(selector)) {
        const value = parseFloat(getComputedStyle(element).getPropertyValue(property));
        const known = told.get(element) ?? told.set(element, new Map()).get(element)!;
        if (isNaN(value) || known.get(property) === value) continue;
        known.set(property, value);
        news.push({ element, detail: { name: property.replace(/^--/, ''), value } });
      }
    // All is read before anybody may write.
    for (const { element, detail } of news) {
      element.dispatchEvent(new CustomEvent('signal', { detail, bubbles: true }));
      left = 2;
    }
    if (left-- > 0) wake();
  };
  const wake = () => {
    if (!frame && !stopped) frame = clock.request(tick);
  };
  const woken = () => {
    left = 2;
    wake();
  };
  const LISTENED = ['scroll', 'pointermove', 'pointerout'];
  for (const type of LISTENED) doc.addEventListener(type, woken, { capture: true, passive: true });
  const sized = new ResizeObserver(woken);
  sized.observe(doc.documentElement);
  woken();
  return () => {
    stopped = true;
    clock.cancel(frame);
    sized.disconnect();
    for (const type of LISTENED) doc.removeEventListener(type, woken, { capture: true });
  };
}
