/**
 * Signals: a number that a motion writes into a custom property, told to scripts of the page as an event named after it, when it has changed; and
 * where it passes a threshold, as another.
 */
import type { Clock, SignalPlan } from './plan.ts';
import { watchNumbers } from './watch.ts';

/** What listeners get: `addEventListener('signal', (e) => e.detail.value)`, on the element or anything around it. */
export interface SignalDetail {
  name: string;
  value: number;
}

/** What listeners of `threshold` get. It is told when it is reached, and when it is left again. */
export interface ThresholdDetail {
  name: string;
  threshold: string;
  above: boolean;
}

export function playSignals(root: Document | Element, plan: readonly SignalPlan[], clock: Clock): () => void {
  /** thresholds that are reached, by element */
  const reached = new WeakMap<Element, Set<string>>();
  return watchNumbers(root, plan, clock, (news) => {
    for (const { element, of, value } of news) {
      const name = of.property.replace(/^--/, '');
      const tell = (type: string, detail: SignalDetail | ThresholdDetail) =>
        element.dispatchEvent(new CustomEvent(type, { detail, bubbles: true }));
      tell('signal', { name, value });
      const above = reached.get(element) ?? new Set();
      reached.set(element, above);
      for (const { name: threshold, at, back } of of.thresholds ?? []) {
        const key = `${name} ${threshold}`;
        if (above.has(key) ? value > back || value >= at : value < at) continue;
        const isReached = !above.delete(key);
        if (isReached) above.add(key);
        tell('threshold', { name, threshold, above: isReached });
      }
    }
  });
}
