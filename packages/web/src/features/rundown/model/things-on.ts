/** What moves an element: its motions, however they are driven, the pins that hold it, the triggers it passes. */
import { findMatches, isTimed, splitHost } from '@lyvek/core';
import type { Driver, Finding, Motion, MotionDocument, PinnedLayout } from '@lyvek/core';
import type { Bar } from '../../../editor/model/bars.ts';

export interface Thing {
  id: string;
  name: string;
  kind: Driver['kind'];
  on: boolean;
  motion: Motion | null;
  /** px of scroll; null where it has no stretch of its own */
  span: { start: number; end: number } | null;
  findings: readonly Finding[];
}

/** In the order of the document: pins, triggers without a part on the element, motions. */
export function listThingsOn(
  element: number,
  document: MotionDocument,
  layout: PinnedLayout,
  { bars, findings }: { bars: readonly Bar[]; findings: readonly Finding[] },
): Thing[] {
  const has = (selector: string) => findMatches(layout, selector).includes(element);
  const about = (id: string) => findings.filter((f) => f.about === id);
  const pins = document.pins
    .filter((p) => has(p.stage))
    .map((p): Thing => ({
      ...{ id: p.id, name: p.name, kind: 'pin', on: p.on, motion: null, findings: about(p.id) },
      span: layout.pinnedSpans.find((s) => s.id === p.id) ?? null,
    }));
  const triggers = document.triggers
    .filter((t) => has(t.subject))
    .map((t): Thing => ({
      ...{ id: t.id, name: t.name, kind: 'trigger', on: t.on, motion: null, findings: about(t.id) },
      span: null,
    }));
  const motions = document.motions
    // Of a text whose parts move it is the text that people see moved.
    .filter((m) => has(m.targets.selector) || has(splitHost(m.targets.selector)))
    .map((m): Thing => ({
      ...{ id: m.id, name: m.name, kind: m.driver.kind, on: m.on, motion: m, findings: about(m.id) },
      span: isTimed(m.driver) ? null : (bars.find((b) => b.motion.id === m.id)?.placed ?? null),
    }));
  return [...pins, ...triggers, ...motions];
}

/** What a pick of the element selects at once: the only thing that moves it. With several, the sheet lists them. */
export const onlyThing = (things: readonly Thing[]): Thing | null => {
  const motions = things.filter((t) => t.motion !== null);
  // A trigger with one part on the element is one thing to people, as a pin is with nothing but itself.
  const others = things.filter((t) => t.kind === 'pin' && !t.motion);
  if (motions.length + others.length === 1) return motions[0] ?? others[0] ?? null;
  return things.length === 1 ? (things[0] ?? null) : null;
};

/** Names of whatever findings are about, as people gave them. */
export const nameOfThing = (id: string, d: MotionDocument): string =>
  [...d.motions, ...d.pins, ...d.triggers, ...d.cues].find((x) => x.id === id)?.name ?? id;
