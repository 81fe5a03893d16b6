/** The checks of reach and structure at every size of the sweep. Pure; made for a worker. */
import { itemAt, present } from '../assert/index.ts';
import { acceptedFor, CHECKS, findFindings, withFix } from '../check/index.ts';
import type { Finding, Limits } from '../check/index.ts';
import type { FrameClock, Gesture } from '../gesture/index.ts';
import { activeMedia, compileTimeline, editedUnder, underMedia } from '../motion/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import { withPins } from '../page/index.ts';
import type { Layout, Px } from '../page/index.ts';
import { LayoutField } from './field.ts';
import { SWEEP_SIZES } from './sizes.ts';
import type { SweepSize } from './sizes.ts';

/** What a window's size decides; the rest is said of the size that is open. */
const SWEPT = CHECKS.filter((c) => c.group === 'reach' || c.group === 'structure');
/** Of a finding that is at many sizes so many are asked for a fix that helps at all of them. */
const FIXES_TRIED = 4;

export interface Sweeping {
  /** with all its conditions */
  document: MotionDocument;
  /** measured at the sizes that `LayoutField.next` asked for; of any other size nothing is said */
  layouts: readonly Layout[];
  limits: Limits;
  gesture: Gesture;
  clock: FrameClock;
  /** the reader asks for reduced motion */
  reducedMotion: boolean;
}

export interface SizeFacts extends SweepSize {
  how: 'measured' | 'between' | 'unknown';
  /** how far a layout in between may be off */
  off: Px;
  /** places in `found` */
  found: number[];
}

/** One finding, with every size at which it is one. */
export interface SweptFinding {
  /** as it is at the size that is nearest to the usual one, with a fix that was tried at all sizes, or none */
  finding: Finding;
  /** selector of its element; empty: none */
  where: string;
  /** places in `sizes` */
  at: number[];
  /** the one of them that `finding` is of */
  shown: number;
  /** conditions that hold at the size of `finding`, for its fix */
  active: string[];
}

export interface Swept {
  sizes: SizeFacts[];
  found: SweptFinding[];
}

interface Seen {
  finding: Finding;
  where: string;
  active: string[];
}
const toKey = ({ finding, where }: Seen) => `${finding.check} ${finding.about} ${finding.about ? '' : where}`;

/** What the checks say at one size, without what was accepted. */
function seenAt(s: Sweeping, whole: MotionDocument, layout: Layout): Map<string, Seen> {
  const active = activeMedia(whole, { viewport: layout.viewport, reducedMotion: s.reducedMotion });
  const document = underMedia(whole, active);
  const held = withPins(layout, document.pins);
  const { limits, gesture, clock } = s;
  const timeline = compileTimeline(document, held);
  const out = new Map<string, Seen>();
  for (const finding of findFindings({ document, timeline, limits, gesture, clock }, SWEPT)) {
    if (acceptedFor(document, finding, held)) continue;
    const seen = { finding, where: held.elements[finding.element]?.selector ?? '', active };
    if (!out.has(toKey(seen))) out.set(toKey(seen), seen);
  }
  return out;
}

/** The whole document with a finding mended, as it is seen under the conditions of the finding's size. */
export const corrected = (
  whole: MotionDocument,
  { finding, active }: Pick<SweptFinding, 'finding' | 'active'>,
) => editedUnder(whole, active, null, (seen) => withFix(seen, present(finding.fix)));

/** Yields after each size. */
export function* sweeping(s: Sweeping): Generator<{ done: number; of: number }, Swept> {
  const field = new LayoutField(s.layouts);
  const sizes: SizeFacts[] = SWEEP_SIZES.map((size) => {
    const how = field.howAt(size.viewport);
    return { ...size, how: how?.kind ?? 'unknown', off: how?.kind === 'between' ? how.off : 0, found: [] };
  });
  const layouts = sizes.map((size) => field.layoutAt(size.viewport)?.layout ?? null);
  const before = layouts.map(() => new Map<string, Seen>());
  const all = new Map<string, number[]>();
  for (let i = 0; i < sizes.length; i++) {
    const layout = layouts[i];
    if (layout) before[i] = seenAt(s, s.document, layout);
    for (const key of itemAt(before, i).keys()) all.set(key, [...(all.get(key) ?? []), i]);
    yield { done: i + 1, of: 2 * sizes.length };
  }
  const found: SweptFinding[] = [];
  let tried = 0;
  for (const [key, at] of all) {
    const order = [...at].sort((a, b) => oddness(itemAt(sizes, a)) - oddness(itemAt(sizes, b)));
    const seenIn = (i: number) => present(itemAt(before, i).get(key));
    const helps = (i: number) => {
      if (seenIn(i).finding.fix === null) return false;
      const after = corrected(s.document, seenIn(i));
      return at.every((j) => {
        const now = seenAt(s, after, itemAt(layouts, j));
        return !now.has(key) && [...now.keys()].every((k) => itemAt(before, j).has(k));
      });
    };
    const best = order.slice(0, FIXES_TRIED).find(helps);
    const shown = best ?? itemAt(order, 0);
    const { finding, ...rest } = seenIn(shown);
    found.push({ ...rest, finding: best === undefined ? { ...finding, fix: null } : finding, at, shown });
    for (const i of at) itemAt(sizes, i).found.push(found.length - 1);
    yield { done: sizes.length + Math.round((sizes.length * ++tried) / all.size), of: 2 * sizes.length };
  }
  return { sizes, found };
}

/** Measured ones first, and those near the usual window. */
const oddness = ({ viewport: { width, height }, how }: SizeFacts): number =>
  Math.abs(Math.log(width / 1280)) + Math.abs(Math.log(height / 800)) + (how === 'measured' ? 0 : 10);
