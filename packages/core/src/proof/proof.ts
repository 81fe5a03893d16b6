/**
 * Proof: a finished hand-off is scrolled in a browser, down and up again, and what is shown is held against the prediction. The difference is
 * said in px where things move, and in hundredths of the value where they change otherwise.
 */
import { isScrubbed, isTimed } from '../timeline/index.ts';
import { matchesOf } from '../page/index.ts';
import type { HeldLayout, Px } from '../page/index.ts';
import { compileTake, contextOf, sample, shownValue } from '../motion/index.ts';
import type { MotionDocument, Take } from '../motion/index.ts';
import { writtenSelector } from '../format/index.ts';
import { propertyFacts } from '../value/index.ts';
import { distance, transformDistance } from './distance.ts';

/** An element that is looked at, and what of it. */
export interface Watched {
  motion: string;
  selector: string;
  /** which of the elements that the selector finds */
  index: number;
  properties: string[];
}

export interface ProofPlan {
  /** px, down and up again */
  offsets: Px[];
  watched: Watched[];
  /** motions that no scroll offset alone can tell, and why */
  skipped: { motion: string; reason: string }[];
}

/** What was seen at one offset: computed values per watched element; null where it was not found. */
export interface Look {
  /** the offset that the page really took */
  y: Px;
  values: (string[] | null)[];
}

export interface MotionProof {
  motion: string;
  /** largest difference on the way down and up: px, or hundredths */
  down: number;
  up: number;
  /** where the larger one was */
  at: Px;
  property: string;
  shown: string;
  predicted: string;
}

export interface ProofResult {
  looks: number;
  values: number;
  motions: MotionProof[];
  skipped: ProofPlan['skipped'];
}

/** px, or hundredths of a value, from which on a difference can be seen. Chosen by us. */
export const PROOF_LIMIT = 0.5;

/** px of scroll that browsers cut off, and as much again that layout rounds. */
const CUT = 1 / 16 + 1 / 32;
const MOST_WATCHED = 3;

/** `count` offsets, half of them on the way down, at places that have nothing in common with the ranges. */
export function proofPlan(document: MotionDocument, layout: HeldLayout, count = 120): ProofPlan {
  const skipped: ProofPlan['skipped'] = [];
  const max = layout.scrollers[0]!.max.block;
  const watched = document.motions.flatMap((m): Watched[] => {
    const skip = (reason: string) => (skipped.push({ motion: m.id, reason }), []);
    if (!m.on) return [];
    if (!isScrubbed(m.driver))
      return skip(m.driver.kind === 'belt' ? 'it never stands still' : 'it plays in time');
    if (m.follow.kind !== 'none')
      return skip('it follows the scroll, so it depends on how the page is scrolled');
    const found = matchesOf(layout, m.targets.selector);
    if (found.length === 0) return skip('the page has no element for it');
    const selector = writtenSelector(m.targets.selector, layout);
    // What plays in time on the same element writes the same values at times of its own.
    const timed = document.motions.filter(
      (o) =>
        o.on && isTimed(o.driver) && matchesOf(layout, o.targets.selector).some((e) => found.includes(e)),
    );
    const properties = Object.keys(m.keyframes).filter((p) => !timed.some((o) => p in o.keyframes));
    if (properties.length === 0) return skip('a part that plays in time moves the same');
    const at = [...new Set([0, Math.floor(found.length / 2), found.length - 1])].slice(0, MOST_WATCHED);
    return at.map((index) => ({ motion: m.id, selector, index, properties }));
  });
  const half = Math.max(2, Math.ceil(count / 2));
  const place = (i: number, shift: number) => Math.round(Math.min(max, ((i + shift) / half) * max));
  const down = Array.from({ length: half }, (_, i) => place(i, i === half - 1 ? 1 : 0.37));
  const up = Array.from({ length: half }, (_, i) => place(half - 1 - i, 0.81));
  return { offsets: max > 0 ? [...down, ...up] : [0], watched, skipped };
}

/** Half of an element’s diagonal: how far its corner moves when it is scaled or turned by 1. */
const reach = (take: Take, element: number): Px => {
  const { box } = take.layout.elements[element]!;
  return Math.hypot(box.width, box.height) / 2;
};

/** What one unit of a property’s numbers is worth, in px or in hundredths. */
function worth(property: string, take: Take, element: number, values: readonly string[]): number {
  if (property === 'scale') return reach(take, element);
  if (property === 'rotate') return (reach(take, element) * Math.PI) / 180;
  const type = propertyFacts(property)?.type.name ?? '';
  // Numbers and colours run from 0 to 1, everything else is lengths.
  // A number of the page’s own may count anything.
  if (property.startsWith('--'))
    return 100 / Math.max(1, ...values.map((v) => Math.abs(Number.parseFloat(v)) || 0));
  return /number|opacity|color|integer/.test(type) ? 100 : 1;
}

const INITIAL: Record<string, string> = { 'letter-spacing': '0px' };

/** Holds what was seen against the prediction. `looks` are in the order of the plan’s offsets. */
export function judge(
  document: MotionDocument,
  layout: HeldLayout,
  plan: ProofPlan,
  looks: readonly Look[],
): ProofResult {
  const take = compileTake(document, layout);
  const motions = new Map<string, MotionProof>();
  let values = 0;
  const offsets = new Float64Array(layout.scrollers.length * 2);
  const half = plan.offsets.length / 2;
  const predicted = (y: Px, element: number, properties: readonly string[]) => {
    offsets[0] = y;
    sample(take, offsets);
    const base = layout.elements[element]!.base ?? {};
    return properties.map(
      (p) => shownValue(take, element, p) ?? base[p] ?? INITIAL[p] ?? propertyFacts(p)?.initial ?? 'none',
    );
  };
  looks.forEach((look, n) => {
    plan.watched.forEach(({ motion, properties, index }, w) => {
      const shown = look.values[w];
      const { targets, keyframes } = document.motions.find((m) => m.id === motion)!;
      const element = matchesOf(layout, targets.selector)[index];
      if (!shown || element === undefined) return;
      const around = [-CUT, 0, CUT].map((shift) => predicted(look.y + shift, element, properties));
      properties.forEach((property, k) => {
        values++;
        const span = around.map((a) => a[k]!);
        const context = contextOf(layout, element);
        const difference = (held: readonly string[]): number =>
          property === 'transform'
            ? transformDistance(shown[k]!, held, context, reach(take, element))
            : distance(property, shown[k]!, held, context) *
              worth(property, take, element, keyframes[property]?.map((stop) => stop.value) ?? []);
        // Beyond what browsers cut off it is a difference; within, as much of it as can be seen is told.
        const outside = difference(span);
        const error = outside > 0 ? outside : Math.min(difference([span[1]!]), PROOF_LIMIT);
        const off = Number.isFinite(error) ? error : shown[k] === span[1] ? 0 : 999;
        const known = motions.get(motion) ?? {
          motion,
          down: 0,
          up: 0,
          at: look.y,
          property,
          shown: '',
          predicted: '',
        };
        if (off > Math.max(known.down, known.up))
          Object.assign(known, { at: look.y, property, shown: shown[k], predicted: span[1] });
        if (n < half) known.down = Math.max(known.down, off);
        else known.up = Math.max(known.up, off);
        motions.set(motion, known);
      });
    });
  });
  const order = document.motions.flatMap((m) => motions.get(m.id) ?? []);
  return { looks: looks.length, values, motions: order, skipped: plan.skipped };
}

export const worstOf = (m: MotionProof): number => Math.max(m.down, m.up);
