/** Elements that are read together or not at all. */
import { present } from '../../assert/index.ts';
import type { Element } from 'domhandler';
import type { Cascade } from '../cascade/cascade.ts';
import type { Left } from '../claims/left.ts';
import type { Played } from './played.ts';
import { carries, moves } from '../cascade/rules.ts';
import type { ReadRule } from '../cascade/rules.ts';

export interface Bound {
  rule: ReadRule;
  elements: readonly Element[];
}

const namesIn = (value: string): string[] => value.match(/--[\w-]+/g) ?? [];

/** Elements that listen to timelines and triggers of one element, by a rule that carries them. */
export function boundByCarriers(
  played: ReadonlyMap<Element, Played>,
  rules: readonly ReadRule[],
  cascade: Cascade,
): Bound[] {
  const users = new Map<string, Element[]>();
  for (const e of played.keys())
    for (const rule of cascade.listRules(e))
      for (const d of rule.declarations)
        if (moves(d.property))
          for (const name of namesIn(d.value)) {
            const known = users.get(name);
            known ? known.push(e) : users.set(name, [e]);
          }
  const byCarrier = new Map<Element, { rule: ReadRule; elements: Set<Element> }>();
  for (const rule of rules)
    for (const d of rule.declarations.filter((one) => carries(one.property)))
      for (const carrier of cascade.findElements.get(rule) ?? []) {
        const known = byCarrier.get(carrier) ?? { rule, elements: new Set() };
        byCarrier.set(carrier, known);
        for (const name of namesIn(d.value)) for (const e of users.get(name) ?? []) known.elements.add(e);
      }
  return [...byCarrier.values()].map(({ rule, elements }) => ({ rule, elements: [...elements] }));
}

/** Where one of those that are bound together cannot be read, none of them is; and so on from there. */
export function spread(played: Map<Element, Played>, bound: readonly Bound[], left: Left): void {
  for (let changed = true; changed;) {
    changed = false;
    for (const { rule, elements } of bound) {
      const bad = elements.find((e) => played.get(e)?.kind !== 'moving');
      if (!bad) continue;
      const cause = present(played.get(bad));
      const reason =
        cause.kind === 'other' && cause.reason
          ? `one of its elements could not be read: ${cause.reason}`
          : 'it also moves elements over time, without the scroll';
      for (const e of elements) {
        if (played.get(e)?.kind !== 'moving') continue;
        changed = true;
        left.add(rule, reason, [e]);
        played.set(e, { kind: 'other', reason: '' });
      }
    }
  }
}
