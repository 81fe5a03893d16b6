/**
 * Signals: a number that a motion writes into a custom property, told to scripts of the page as an event named after it, when it has changed.
 */
import type { Clock, Plan } from './plan.ts';
import { watchNumbers } from './watch.ts';

/** What listeners get: `addEventListener('signal', (e) => e.detail.value)`, on the element or anything around it. */
export interface SignalDetail {
  name: string;
  value: number;
}

export const playSignals = (
  root: Document | Element,
  plan: NonNullable<Plan['signals']>,
  clock: Clock,
): (() => void) =>
  watchNumbers(root, plan, clock, (news) => {
    for (const { element, of, value } of news) {
      const detail: SignalDetail = { name: of.property.replace(/^--/, ''), value };
      element.dispatchEvent(new CustomEvent('signal', { detail, bubbles: true }));
    }
  });
