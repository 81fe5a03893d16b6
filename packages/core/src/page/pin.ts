/**
 * Pins: what a held section does to a layout. The probe measures pages with their pins in place; when a pin has been changed since,
 * or is new, the boxes are moved here as the browser will move them (CSS Position 3, §3.5: sticky).
 */
import { itemAt } from '../assert/index.ts';
import { computeGeometry } from './geometry.ts';
import { findMatches } from './layout.ts';
import type { ElementFacts, Layout, Sticky } from './layout.ts';
import { parseLength, resolveLength } from './length.ts';
import type { Px } from './units.ts';
import { isWithin } from './within.ts';

/** What the layout needs to know of a pin; the document's pins have this shape. */
export interface PinSpec {
  id: string;
  on: boolean;
  stage: string;
  sticky: { by: 'top' | 'bottom'; inset: string };
  distance: { kind: 'length'; value: string } | { kind: 'travel'; strip: string; rate: number };
}

/** A pin in force on a layout: held between two scroll offsets. */
export interface PinnedSpan {
  id: string;
  stage: number;
  by: 'top' | 'bottom';
  scroller: number;
  start: Px;
  end: Px;
  /** where its upper edge stands while it is held, px from the top of the scrollport */
  top: Px;
}

/** A layout with its pins as the document has them. */
export interface PinnedLayout extends Layout {
  /** what this was made from, and with which pins */
  made: { from: Layout; pins: readonly PinSpec[] };
  pinnedSpans: PinnedSpan[];
  /** pins that cannot hold here, with the reason */
  loose: { id: string; reason: string }[];
}

const known = new WeakMap<Layout, PinnedLayout>();

/** The layout as it is with exactly these pins. The same arguments give the same object, and so does asking again. */
export function withPins(layout: Layout | PinnedLayout, pins: readonly PinSpec[]): PinnedLayout {
  const from = 'made' in layout ? layout.made.from : layout;
  const same = (held: PinnedLayout | undefined): held is PinnedLayout =>
    held !== undefined && (held.made.pins === pins || (held.made.pins.length === 0 && pins.length === 0));
  if ('made' in layout && same(layout)) return layout;
  const hit = known.get(from);
  if (same(hit)) return hit;
  const held = apply(from, pins);
  known.set(from, held);
  return held;
}

function apply(layout: Layout, pins: readonly PinSpec[]): PinnedLayout {
  const wanted = new Map<string, { pin: PinSpec; stage: number }>();
  const loose: PinnedLayout['loose'] = [];
  for (const pin of pins) {
    if (!pin.on) continue;
    const stage = findMatches(layout, pin.stage)[0];
    const reason = whyLoose(layout, pin, stage, [...wanted.values()]);
    if (reason !== null || stage === undefined)
      loose.push({ id: pin.id, reason: reason ?? 'it is not on this page' });
    else wanted.set(pin.id, { pin, stage });
  }
  let out: PinnedLayout = { ...layout, made: { from: layout, pins }, pinnedSpans: [], loose };
  for (const was of layout.pins ?? []) {
    const is = wanted.get(was.id);
    if (is?.stage === was.element && is.pin.sticky.by === was.by) continue;
    out = stretched(out, was.element, was.by, -was.distance, null);
  }
  for (const { pin, stage } of wanted.values()) {
    const measured = layout.pins?.find(
      (p) => p.id === pin.id && p.element === stage && p.by === pin.sticky.by,
    );
    const distance = computeDistance(pin, out, stage);
    const growth = distance - (measured?.distance ?? 0);
    if (growth !== 0 || !measured || insetChanged(out, pin, stage))
      out = stretched(out, stage, pin.sticky.by, growth, computeSticky(pin, out, stage, growth, distance));
    const { at } = itemAt(out.elements, stage).sticky ?? { at: 0 };
    const start = pin.sticky.by === 'top' ? at : at - distance;
    const { scroller, box } = itemAt(out.elements, stage);
    const port = itemAt(out.scrollers, scroller).port.height;
    const inset = toInset(pin, out, stage);
    const top = pin.sticky.by === 'top' ? inset : port - inset - box.height;
    out.pinnedSpans.push({
      id: pin.id,
      stage,
      by: pin.sticky.by,
      scroller,
      start,
      end: start + distance,
      top,
    });
  }
  // Places that pins further down have since moved.
  for (const hold of out.pinnedSpans) {
    const at = itemAt(out.elements, hold.stage).sticky?.at;
    if (at === undefined) continue;
    const length = hold.end - hold.start;
    hold.start = hold.by === 'top' ? at : at - length;
    hold.end = hold.start + length;
  }
  return out;
}

function whyLoose(
  layout: Layout,
  pin: PinSpec,
  stage: number | undefined,
  others: readonly { pin: PinSpec; stage: number }[],
): string | null {
  if (stage === undefined) return `no element matches ${pin.stage}`;
  const e = itemAt(layout.elements, stage);
  if (e.box.width === 0 && e.box.height === 0)
    return 'its stage has no box of its own (display: none or contents)';
  if (e.fixed) return 'its stage is fixed to the window already';
  const other = others.find((o) => isWithin(layout, stage, o.stage) || isWithin(layout, o.stage, stage));
  if (other)
    return other.stage === stage
      ? 'the same stage is pinned twice'
      : 'its stage is inside another pinned one, or around it';
  return null;
}

const sizes = (layout: Layout, stage: number) => {
  const g = computeGeometry(layout, stage, 'block');
  return { viewport: layout.viewport, em: g.em, rem: g.rem };
};

function toInset(pin: PinSpec, layout: Layout, stage: number): Px {
  const parsed = parseLength(pin.sticky.inset);
  const percent = itemAt(layout.scrollers, itemAt(layout.elements, stage).scroller).port.height;
  return parsed.ok ? resolveLength(parsed.value, { percent, ...sizes(layout, stage) }) : 0;
}

/** How far a pin holds, px. A strip's travel is what of it does not fit, slowed down or sped up by its rate. */
export function computeDistance(pin: PinSpec, layout: Layout, stage: number): Px {
  if (pin.distance.kind === 'travel')
    return Math.max(0, computeTravel(layout, pin.distance.strip) / pin.distance.rate);
  const parsed = parseLength(pin.distance.value);
  const percent = itemAt(layout.scrollers, itemAt(layout.elements, stage).scroller).port.height;
  return parsed.ok ? Math.max(0, resolveLength(parsed.value, { percent, ...sizes(layout, stage) })) : 0;
}

/** A strip’s width, with what reaches beyond its box: it will be made as wide as that. */
export const computeWidth = (e: ElementFacts): Px => Math.max(e.box.width, e.overflowing ?? 0);

/** By how much a strip is wider than the content box that it stands in, px. */
export function computeTravel(layout: Layout, strip: string): Px {
  const i = findMatches(layout, strip)[0];
  if (i === undefined) return 0;
  const e = itemAt(layout.elements, i);
  const room = layout.elements[e.parent];
  return Math.max(
    0,
    computeWidth(e) - (room ? (room.content?.width ?? room.box.width) : layout.viewport.width),
  );
}

function computeSticky(pin: PinSpec, layout: Layout, stage: number, growth: Px, travel: Px): Sticky {
  const { box, scroller } = itemAt(layout.elements, stage);
  const inset = toInset(pin, layout, stage);
  if (pin.sticky.by === 'top') return { edge: 'start', at: box.y - inset, travel };
  const port = itemAt(layout.scrollers, scroller).port.height;
  return { edge: 'end', at: box.y + growth + box.height - port + inset, travel };
}

const insetChanged = (layout: Layout, pin: PinSpec, stage: number): boolean => {
  const now = itemAt(layout.elements, stage).sticky;
  return now === null || Math.abs(now.at - computeSticky(pin, layout, stage, 0, 0).at) > 0.02;
};

/**
 * The layout with a stage’s track longer by `growth`: what lies below moves down, what holds the stage grows, and the stage with
 * all it contains gets `sticky`.
 */
function stretched(
  layout: PinnedLayout,
  stage: number,
  by: 'top' | 'bottom',
  growth: Px,
  sticky: Sticky | null,
): PinnedLayout {
  const { box, scroller } = itemAt(layout.elements, stage);
  const bottom = box.y + box.height;
  const below = (y: Px) => y >= bottom - 0.5;
  const move = (e: ElementFacts, i: number): ElementFacts => {
    if (e.scroller !== scroller || e.fixed) return e;
    if (isWithin(layout, i, stage))
      return { ...e, sticky, box: by === 'bottom' ? { ...e.box, y: e.box.y + growth } : e.box };
    if (growth === 0) return e;
    if (isWithin(layout, stage, i)) return { ...e, box: { ...e.box, height: e.box.height + growth } };
    if (!below(e.box.y)) return e;
    return {
      ...e,
      box: { ...e.box, y: e.box.y + growth },
      sticky: e.sticky && { ...e.sticky, at: e.sticky.at + growth },
    };
  };
  const onPage = scroller === 0;
  return {
    ...layout,
    elements: layout.elements.map(move),
    page: onPage ? { ...layout.page, height: layout.page.height + growth } : layout.page,
    scrollers: layout.scrollers.map((s, i) =>
      i === scroller ? { ...s, max: { ...s.max, block: Math.max(0, s.max.block + growth) } } : s,
    ),
    sections: onPage
      ? layout.sections.map((s) =>
          below(s.top)
            ? { ...s, top: s.top + growth }
            : s.top + s.height > bottom + 0.5 && s.top <= box.y + 0.5
              ? { ...s, height: s.height + growth }
              : s,
        )
      : layout.sections,
  };
}
