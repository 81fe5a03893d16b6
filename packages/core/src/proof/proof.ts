/**
 * Proof: a finished hand-off is scrolled in a browser, down and up again, and what is shown is held against the prediction. The difference is
 * said in px where things move, and in hundredths of what changes otherwise.
 */
import { itemAt, present } from '../assert/index.ts';
import { isScrubbed } from '../drivers/index.ts';
import { findMatches, ownValue } from '../page/index.ts';
import type { PinnedLayout, Px } from '../page/index.ts';
import {
  compileTimeline,
  isKnown,
  makeContext,
  sample,
  shownValue,
  unrolledMotion,
} from '../motion/index.ts';
import type { Motion, MotionDocument, CompiledTimeline } from '../motion/index.ts';
import {
  isPredicted,
  parseEasing,
  propertyFacts,
  readFacts,
  splitSegments,
  valueAt,
} from '../value/index.ts';
import { distance, isLeftToLayout, transformDistance } from './distance.ts';
import type { ScheduledLook, ProofSchedule } from './schedule.ts';

/** What was seen at one look: computed values per watched element; null where it was not found, or its animation was not. */
export interface Look {
  /** the offset that the page really took */
  y: Px;
  /** how high the page was then */
  height?: Px | undefined;
  /** it did not come to stand still */
  restless?: boolean | undefined;
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
  /** looks at the page, elements that were looked at, and values read of them */
  looks: number;
  elements: number;
  values: number;
  /** motions that are on, and elements that they have */
  of: { motions: number; elements: number };
  motions: MotionProof[];
  skipped: ProofSchedule['skipped'];
  /** looks that say nothing, since the motions themselves moved the page there, or made it longer or shorter; none: there were none */
  shifted?: number | undefined;
}

/** px, or hundredths of a value, from which on a difference can be seen. Lyvek’s default. */
export const PROOF_LIMIT = 0.5;

/** px of scroll that Chromium cuts off, and as much again that layout rounds. */
export const CUT: Px = 1 / 16 + 1 / 32;
/** px of scroll within which a damped motion counts as at rest. */
const REST = 0.6;

/** Half of an element’s diagonal: how far its corner moves when it is scaled or turned by 1. */
const reach = (timeline: CompiledTimeline, element: number): Px => {
  const { box } = itemAt(timeline.layout.elements, element);
  return Math.hypot(box.width, box.height) / 2;
};

/** A length that changes by less than this counts by its own change: half of a path of length 1 is no small thing. */
const SMALL_CHANGE = 100;
const MAX_WORTH = 20;

/** What one unit of a property’s numbers is worth, in px or in hundredths. */
function worth(
  property: string,
  timeline: CompiledTimeline,
  element: number,
  values: readonly string[],
): number {
  if (property === 'scale') return reach(timeline, element);
  if (property === 'rotate') return (reach(timeline, element) * Math.PI) / 180;
  const numbers = values.flatMap((v) => (v.match(/-?\d*\.?\d+/g) ?? []).map(Number));
  // A number of the page’s own may count anything.
  if (property.startsWith('--')) return 100 / Math.max(1, ...numbers.map(Math.abs));
  const type = propertyFacts(property)?.type.name ?? '';
  // Numbers and colours run from 0 to 1, everything else is lengths.
  if (/number|opacity|color|integer/.test(type)) return 100;
  if (!/^(stroke-dash|d$|r$|cx$|cy$)/.test(property)) return 1;
  const change = Math.max(...numbers) - Math.min(...numbers);
  return change > 0 ? Math.min(MAX_WORTH, Math.max(1, SMALL_CHANGE / change)) : 1;
}

/** Values of a timed motion at a share of its time. */
function timedValues(
  repeated: Motion,
  layout: PinnedLayout,
  element: number,
  share: number,
): (p: string) => string {
  const motion = unrolledMotion(repeated);
  const whole = parseEasing(motion.easing);
  const progress = whole.ok ? whole.value(share) : share;
  const context = makeContext(layout, element);
  return (p) => {
    const own = ownValue(layout, element, p);
    return valueAt(splitSegments(p, present(motion.keyframes[p]), own, context), progress);
  };
}

/** What may be shown at a look: at its offset, and as far around it as browsers cut off. */
class Prediction {
  private readonly offsets: Float64Array;

  constructor(
    readonly timeline: CompiledTimeline,
    private readonly layout: PinnedLayout,
    private readonly cut: Px,
  ) {
    this.offsets = new Float64Array(layout.scrollers.length * 2);
  }

  /** Values of each property, at the place itself first. */
  at(
    { when, share }: ScheduledLook,
    y: Px,
    motion: Motion,
    element: number,
    properties: readonly string[],
  ): string[][] {
    if (share !== undefined) return [properties.map(timedValues(motion, this.layout, element, share))];
    const near = when === 'at-rest' ? Math.max(REST, this.cut) : this.cut;
    return [0, -near, near].map((shift) => this.scrubbed(y + shift, element, properties));
  }

  /** Whether anything is said of a property of it at all. */
  isKnown(motion: Motion, element: number, property: string): boolean {
    if (isScrubbed(motion.driver)) return isKnown(this.timeline, element, property);
    const own = ownValue(this.layout, element, property);
    const keyframes = present(unrolledMotion(motion).keyframes[property]);
    return isPredicted(splitSegments(property, keyframes, own, makeContext(this.layout, element)));
  }

  /** What it has before anything moves it; a custom property as its values register it. */
  private initial(element: number, property: string): string | undefined {
    const tracks = this.timeline.writers.get(element)?.get(property) ?? [];
    const values = tracks.flatMap((t) => {
      const { motion } = itemAt(this.timeline.instances, itemAt(this.timeline.tracks, t).instance);
      return (motion.keyframes[property] ?? []).flatMap((k) => (k.value ? [k.value] : []));
    });
    return readFacts(property, values)?.initial;
  }

  private scrubbed(y: Px, element: number, properties: readonly string[]): string[] {
    this.offsets[0] = y;
    sample(this.timeline, this.offsets);
    return properties.map(
      (p) =>
        shownValue(this.timeline, element, p) ??
        ownValue(this.layout, element, p) ??
        this.initial(element, p) ??
        'none',
    );
  }

  /** How far what is shown is off, by the values that were predicted. Beyond what browsers cut off it is a difference; within, as much of it as can be seen is told. */
  off(motion: Motion, element: number, property: string, shown: string, span: readonly string[]): number {
    const context = makeContext(this.layout, element);
    const difference = (held: readonly string[]): number =>
      property === 'transform'
        ? transformDistance(shown, held, context, reach(this.timeline, element))
        : distance(property, shown, held, context) *
          worth(
            property,
            this.timeline,
            element,
            motion.keyframes[property]?.map((stop) => stop.value) ?? [],
          );
    const outside = difference(span);
    const error = outside > 0 ? outside : Math.min(difference([itemAt(span, 0)]), PROOF_LIMIT);
    return Number.isFinite(error) ? error : shown === span[0] ? 0 : 999;
  }
}

/** Whether a page stands still at a look, and is as high as at most others: where motions lay it out anew, what hangs on its end is elsewhere. */
function findShifted(looks: readonly Look[]): (look: Look) => boolean {
  const heights = looks.flatMap((l) => l.height ?? []).sort((a, b) => a - b);
  const usual = heights[heights.length >> 1] ?? 0;
  return ({ height, restless }) =>
    restless === true || (height !== undefined && Math.abs(height - usual) > 1);
}

/**
 * Holds what was seen against the prediction. `looks` are in the order of the schedule’s; `cut`: px of scroll within which the browser may show
 * what lies beside.
 */
export function judge(
  document: MotionDocument,
  layout: PinnedLayout,
  schedule: ProofSchedule,
  looks: readonly Look[],
  cut: Px = CUT,
): ProofResult {
  const prediction = new Prediction(compileTimeline(document, layout), layout, cut);
  const byId = new Map(document.motions.map((m) => [m.id, m]));
  const motions = new Map<string, MotionProof>();
  const seen = new Set<number>();
  const unknown = new Map<string, Set<string>>();
  let values = 0;
  const down = schedule.looks.filter((l) => l.when === 'always').length / 2;
  const noted = (id: string, at: Px, property: string): MotionProof => {
    const known = motions.get(id) ?? { motion: id, down: 0, up: 0, at, property, shown: '', predicted: '' };
    motions.set(id, known);
    return known;
  };
  const isShifted = findShifted(looks);
  looks.forEach((look, n) => {
    if (isShifted(look)) return;
    const at = itemAt(schedule.looks, n);
    schedule.watched.forEach(({ motion: id, properties, index, when }, w) => {
      const shown = look.values[w];
      const motion = present(byId.get(id));
      const element = findMatches(layout, motion.targets.selector)[index];
      if (when !== at.when || !shown || element === undefined) return;
      const around = prediction.at(at, look.y, motion, element, properties);
      seen.add(w);
      properties.forEach((property, k) => {
        const span = around.map((a) => itemAt(a, k));
        if (
          !prediction.isKnown(motion, element, property) ||
          isLeftToLayout(property, itemAt(shown, k), itemAt(span, 0))
        ) {
          unknown.set(id, (unknown.get(id) ?? new Set()).add(property));
          return;
        }
        values++;
        const off = prediction.off(motion, element, property, itemAt(shown, k), span);
        const known = noted(id, look.y, property);
        if (off > Math.max(known.down, known.up))
          Object.assign(known, { at: look.y, property, shown: shown[k], predicted: span[0] });
        if (at.when !== 'always' || n < down) known.down = Math.max(known.down, off);
        else known.up = Math.max(known.up, off);
      });
    });
  });
  const order = document.motions.flatMap((m) => motions.get(m.id) ?? []);
  const unseen = new Set(
    schedule.watched.map((w) => w.motion).filter((id) => !motions.has(id) && !unknown.has(id)),
  );
  const unpredicted = [...unknown].map(([motion, properties]) => ({
    motion,
    reason: `${[...properties].join(', ')}: the values are the browser’s to say, so none were compared`,
  }));
  const missed = [...unseen].map((motion) => ({
    motion,
    reason: 'nothing of it was found in the finished page',
  }));
  return {
    looks: looks.length,
    elements: seen.size,
    values,
    of: { motions: schedule.motions, elements: schedule.elements },
    motions: order,
    skipped: [...schedule.skipped, ...missed, ...unpredicted],
    ...(looks.some(isShifted) ? { shifted: looks.filter(isShifted).length } : {}),
  };
}

export const findWorst = (m: MotionProof): number => Math.max(m.down, m.up);

/** What was looked at, in a sentence; of nothing that is no proof. */
export function lookedWords({ looks, elements, values, of, motions, shifted }: ProofResult): string {
  const n = (count: number, one: string, many = `${one}s`) =>
    `${count.toLocaleString('en')} ${count === 1 ? one : many}`;
  if (of.motions === 0) return 'Nothing was proved: no motion is on.';
  if (values === 0) return `Nothing was proved: none of ${n(of.motions, 'motion')} could be looked at.`;
  const aside = shifted
    ? ` ${n(shifted, 'look')} left out: there the motions themselves move the page, or make it longer or shorter.`
    : '';
  return `Looked at ${motions.length} of ${n(of.motions, 'motion')}, ${elements} of ${n(of.elements, 'element')}, ${n(values, 'value')} in ${n(looks, 'look')}.${aside}`;
}
