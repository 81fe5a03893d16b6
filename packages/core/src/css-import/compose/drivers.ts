/** Drivers of imported animations: whose timeline, scroller or trigger the motion listens to. */
import type { Element } from 'domhandler';
import { itemAt } from '../../assert/index.ts';
import type { Motion, Trigger } from '../../motion/index.ts';
import type { DraftDriver } from '../animations/draft.ts';
import type { Timelines } from '../animations/timelines.ts';
import { findParent, isDrawn } from '../source/elements.ts';
import type { PageElements } from '../source/elements.ts';
import { Namer, readableName } from '../source/naming.ts';

/** More triggers than people can look after. */
const MAX_TRIGGERS = 120;

export interface Carriers {
  /** of each target what carries its timeline; null: the page */
  pairs: readonly { target: Element; owner: Element | null }[];
  selectors: readonly string[];
}
type Made = Motion['driver'] | { reason: string };
type Make<K extends DraftDriver['kind']> = (
  driver: Extract<DraftDriver, { kind: K }>,
  carriers: Carriers,
) => Made;

export class DriverMaker {
  private readonly made = new Map<string, Trigger>();
  private readonly names = new Namer();

  constructor(
    private readonly elements: PageElements,
    private readonly timelines: Timelines,
  ) {}

  get triggers(): Trigger[] {
    return [...this.made.values()];
  }

  make(driver: DraftDriver, carriers: Carriers): Made {
    return this.kinds[driver.kind](driver as never, carriers);
  }

  private readonly kinds: { [K in DraftDriver['kind']]: Make<K> } = {
    load: () => ({ kind: 'load' }),
    trigger: (driver, { pairs }) => {
      const { owner } = itemAt(pairs, 0);
      return owner ? this.trigger(driver, owner) : { reason: 'its trigger is on no element' };
    },
    scroll: ({ axis }, { pairs, selectors }) => {
      const { owner } = itemAt(pairs, 0);
      if (owner === null) return { kind: 'scroll', axis };
      if (pairs.some((p) => p.owner !== owner))
        return { reason: 'each of its elements listens to a scroller of its own' };
      return { kind: 'scroll', axis, scroller: this.elements.naming([owner], selectors) };
    },
    view: (driver, { pairs, selectors }) => {
      const carried = pairs.filter((p): p is { target: Element; owner: Element } => p.owner !== null);
      if (pairs.some((p) => isDrawn(p.target) && p.owner === null))
        return { reason: 'its range is where the pseudo-element itself is, and only the browser knows that' };
      // The view progress of a pseudo-element is that of what draws it.
      const self = (target: Element) => (isDrawn(target) ? findParent(target) : target);
      if (carried.every((p) => p.owner === self(p.target))) return { ...driver, subject: 'self' };
      const subject = carried.length === pairs.length ? this.timelines.subjectFor(carried, selectors) : null;
      return subject === null
        ? { reason: 'its elements listen to view timelines of elements that no selector tells apart' }
        : { ...driver, subject };
    },
  };

  /** One trigger for all that is started by the same lines of one element. */
  private trigger({ name: css, lines }: Extract<DraftDriver, { kind: 'trigger' }>, owner: Element): Made {
    const key = `${css} ${this.elements.path(owner)} ${JSON.stringify(lines)}`;
    let trigger = this.made.get(key);
    if (!trigger) {
      if (this.made.size >= MAX_TRIGGERS)
        return { reason: `more than ${MAX_TRIGGERS} elements start animations of their own` };
      const { id, name } = this.names.next('g', readableName(css.replace(/-passed$/, '')));
      trigger = { id, name, on: true, subject: this.elements.naming([owner], []), ...lines };
      this.made.set(key, trigger);
    }
    return { kind: 'trigger', trigger: trigger.id };
  }
}
