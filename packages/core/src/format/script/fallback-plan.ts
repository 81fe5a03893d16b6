/**
 * Everything as data, for browsers without scroll timelines: there a script drives paused Web Animations. Nothing is interpolated by us, and
 * nothing of CSS is parsed there: range points are numbers here already.
 */
import { itemAt, present } from '../../assert/index.ts';
import { isAtLoad, isRangeless, isTimed } from '../../drivers/index.ts';
import type { Driver } from '../../drivers/index.ts';
import {
  isMeeting,
  isInPhases,
  isNamedPlace,
  parseMeeting,
  parsePhasePoint,
  staggerSteps,
  stepPx,
} from '../../timeline/index.ts';
import type { RangePoint } from '../../timeline/index.ts';
import { findMatches, parseLength } from '../../page/index.ts';
import type { PinnedLayout, LengthExpr } from '../../page/index.ts';
import { listPlaces, computeTimes, underMedia, unrolledMotion } from '../../motion/index.ts';
import type { Trigger, Motion, MotionDocument, Pin } from '../../motion/index.ts';
import { keyframeOffset, withWholeEasing } from '../../value/index.ts';
import { writtenSelector } from '../selectors/marks.ts';
import { cssNames } from '../selectors/names.ts';
import { findEventTrigger } from './plan.ts';
import { trackClasses } from '../html/patch.ts';
import { mediaStates } from '../css/media-css.ts';
import { introParts } from '../css/timed-css.ts';
import type { WriterNote } from '../css/piece.ts';

/**
 * A length as shares: per cent of the range it counts in, px, per cent of the viewport’s height and width, and of font sizes. Zeros at its end
 * are left out.
 */
export type Linear = [pct: number, px?: number, vh?: number, vw?: number, em?: number, rem?: number];
/** A length, or the least or the most of several. */
export type Amount = Linear | ['min' | 'max', ...Amount[]];
/** An inset of a timeline; `auto` is the scroller’s scroll padding. */
export type Inset = Amount | 'auto';
/** A place on a view progress: a phase and how far into it, or the element’s fraction that meets the viewport’s. */
export type FallbackPoint = [phase: string, at: Amount] | ['meets', edge: number, line: number];

/** A keyframe as Web Animations take it; where it hangs on a place of the range, that place in place of its offset. */
export interface FallbackFrame {
  offset: number | FallbackPoint;
  easing: string;
  [property: string]: string | number | FallbackPoint;
}

export interface FallbackMotion {
  selector: string;
  /** per property its keyframes, as Web Animations take them */
  frames: FallbackFrame[][];
  /** of timed ones: what their animations are called, as in the style sheet */
  name?: string;
  /** the media condition under which it is as it is said here */
  when?: string;
  fill: Motion['fill'];
  composite: Motion['composite'];
  damping: Motion['damping'];
  /** px, or ms, by which each target is later, in page order; of both ends where they differ */
  late: (number | [start: number, end: number])[];
  on:
    | { kind: 'scroll'; scroller: string | null; axis: 'block' | 'inline' }
    | { kind: 'view'; subject: string | null; axis: 'block' | 'inline'; insets: [Inset, Inset] }
    | { kind: 'pin'; track: string; by: 'top' | 'bottom'; inset: Amount }
    | { kind: 'trigger'; trigger: number }
    | { kind: 'load' };
  range: [FallbackPoint, FallbackPoint];
  /** ms, of timed ones */
  time: [start: number, duration: number] | null;
}

export interface FallbackPlan {
  motions: FallbackMotion[];
  triggers: {
    subject: string;
    down: FallbackPoint;
    up: FallbackPoint;
    /** none: it is never left downwards */
    past?: FallbackPoint;
    insets?: [Inset, Inset];
    plays: Trigger['plays'];
    back: Trigger['back'];
  }[];
}

const zero: Linear = [0];
const UNITS = ['%', 'px', 'vh', 'vw', 'em', 'rem'];
/** Units that are one of those in a page that is written from left to right, and without a phone’s bars. */
const SAME: Record<string, string> = {
  ...{ svh: 'vh', lvh: 'vh', dvh: 'vh', vb: 'vh', svw: 'vw', lvw: 'vw', dvw: 'vw', vi: 'vw' },
};
function trimmed(all: readonly number[]): Linear {
  const last = all.findLastIndex((n) => n !== 0);
  return all.slice(0, Math.max(1, last + 1)).map((n) => n + 0) as Linear;
}
const sum = (a: Linear, b: Linear): Linear => trimmed(UNITS.map((_, i) => (a[i] ?? 0) + (b[i] ?? 0)));
const times = (a: Linear, k: number): Linear => trimmed(a.map((n = 0) => n * k));

/** Sums and multiples of lengths and percentages; null for anything that is no such sum, or in another unit. */
export function toLinear(e: LengthExpr): Linear | null {
  switch (e.kind) {
    case 'number':
      return e.value === 0 ? zero : null;
    case 'dimension': {
      const place = UNITS.indexOf(SAME[e.unit] ?? e.unit);
      return place < 0 ? null : trimmed(UNITS.map((_, i) => (i === place ? e.value : 0)));
    }
    case 'sum': {
      const terms = e.terms.map(toLinear);
      return terms.some((t) => t === null) ? null : (terms as Linear[]).reduce(sum, zero);
    }
    case 'product': {
      const numbers = e.factors.flatMap((f) => (f.kind === 'number' ? [f.value] : []));
      const rest = e.factors.filter((f) => f.kind !== 'number');
      const one = rest.length === 1 ? toLinear(itemAt(rest, 0)) : null;
      return (
        one &&
        times(
          one,
          numbers.reduce((a, b) => a * b, 1),
        )
      );
    }
    default:
      return null;
  }
}

/** The same with `min()`, `max()` and `clamp()` around such sums; null for anything else. */
function toAmount(e: LengthExpr): Amount | null {
  if (e.kind !== 'min' && e.kind !== 'max' && e.kind !== 'clamp') return toLinear(e);
  const parts = e.of.map(toAmount);
  if (parts.some((p) => p === null)) return null;
  const [low, ...rest] = parts as Amount[];
  // clamp(a, b, c) is max(a, min(b, c)) (CSS Values 4, §10.2).
  return e.kind === 'clamp' ? ['max', present(low), ['min', ...rest]] : [e.kind, present(low), ...rest];
}
const toLength = (css: string): Amount | null => {
  const parsed = parseLength(css);
  return parsed.ok ? toAmount(parsed.value) : null;
};
const toInset = (css: string): Inset | null => (css === 'auto' ? css : toLength(css));

function toPoint(p: RangePoint, side: 'start' | 'end'): FallbackPoint | null {
  if (isMeeting(p)) {
    const m = parseMeeting(p);
    return m.ok ? ['meets', m.value.edge, m.value.line] : null;
  }
  const parsed = parsePhasePoint(p, side);
  const at = parsed.ok ? toAmount(parsed.value.offset) : null;
  return parsed.ok && at ? [parsed.value.phase ?? 'cover', at] : null;
}

interface Context {
  document: MotionDocument;
  pins: ReadonlyMap<string, { pin: Pin; track: string }>;
  layout: PinnedLayout;
}
type On = FallbackMotion['on'] | null;
type Said = { [K in Driver['kind']]: (driver: Extract<Driver, { kind: K }>, c: Context) => On };

/** What each kind of driver is as data; null where the script cannot play it. */
const ON: Said = {
  scroll: ({ scroller, axis }, { layout }) => ({
    kind: 'scroll',
    scroller: scroller ? writtenSelector(scroller, layout) : null,
    axis,
  }),
  view({ subject, axis, insets }, { layout }) {
    const lengths = insets.map(toInset);
    if (lengths.some((i) => i === null)) return null;
    const named = subject === 'self' ? null : writtenSelector(subject, layout);
    return { kind: 'view', subject: named, axis, insets: lengths as [Inset, Inset] };
  },
  pin({ pin }, { pins }) {
    const known = pins.get(pin);
    const inset = known && toLength(known.pin.sticky.inset);
    if (!known?.pin.on || !inset) return null;
    return { kind: 'pin', track: known.track, by: known.pin.sticky.by, inset };
  },
  trigger(driver, { document }) {
    const trigger = document.triggers.filter((g) => g.on).findIndex((g) => g.id === driver.trigger);
    return trigger < 0 ? null : { kind: 'trigger', trigger };
  },
  load: () => ({ kind: 'load' }),
  marquee: () => null,
  pointer: () => null,
};
const toOn = ({ driver }: Motion, c: Context): On => ON[driver.kind](driver as never, c);

const listFrames = (m: Motion, keeps: (property: string) => boolean): FallbackMotion['frames'] =>
  Object.entries(m.keyframes)
    .filter(([property]) => keeps(property))
    .map(([property, list]) =>
      withWholeEasing(list, m.easing).map((k) => ({
        offset: toOffset(k.at),
        easing: k.easing ?? 'linear',
        ...(k.value ? { [camel(property)]: k.value } : {}),
      })),
    );
/** Of a keyframe; null where its place cannot be said in numbers. */
const readPlace = (at: string): number | FallbackPoint | null =>
  isNamedPlace(at) ? toPoint(at, 'start') : keyframeOffset(at);
const toOffset = (at: string): number | FallbackPoint => present(readPlace(at));

/** As scripts name properties; custom ones keep their name. */
const camel = (property: string) =>
  property.startsWith('--') ? property : property.replace(/-([a-z])/g, (_, c: string) => c.toUpperCase());

/** A motion as it is under each of its media conditions. */
function listStates(m: Motion, d: MotionDocument): { motion: Motion; when: string | null }[] {
  const own = d.media.filter((q) => m.conditions?.some((c) => c.media === q.id));
  return mediaStates(own).flatMap(({ ids, query }) => {
    const motion = underMedia(d, ids).motions.find((x) => x.id === m.id);
    return motion ? [{ motion, when: query }] : [];
  });
}

/** What cannot be said in numbers is left out, and noted. Nothing of it is played for readers who ask for reduced motion. */
export function fallbackPlan(
  d: MotionDocument,
  layout: PinnedLayout,
): { plan: FallbackPlan; notes: WriterNote[] } {
  const notes: WriterNote[] = [];
  const tracks = trackClasses(d, d.prefix);
  const pins = new Map(d.pins.map((pin) => [pin.id, { pin, track: `.${present(tracks.get(pin.id))}` }]));
  const played = computeTimes(d.motions);
  const names = cssNames(d.motions, { prefix: d.prefix });
  const say = (m: Motion, when: string | null): FallbackMotion[] => {
    if (!m.on || isRangeless(m.driver) || findEventTrigger(m, d)) return [];
    const on = toOn(m, { document: d, pins, layout });
    const range = [toPoint(m.range.start, 'start'), toPoint(m.range.end, 'end')];
    const isSaid = Object.values(m.keyframes).every((l) => l.every((k) => readPlace(k.at) !== null));
    if (!on || !isSaid || range.some((p) => p === null)) {
      notes.push({
        motion: m.id,
        note: 'Browsers without scroll timelines show it static: its range is in units, or functions, that its script does not know.',
      });
      return [];
    }
    const t = isTimed(m.driver) ? played.get(m.id) : undefined;
    const parts = isAtLoad(m.driver) ? introParts(m, d, layout) : [{ motion: m, keeps: () => true }];
    return parts.map((part) => ({
      selector: writtenSelector(m.targets.selector, layout),
      frames: listFrames(unrolledMotion(part.motion), part.keeps),
      ...(t ? { name: present(names.get(m.id)) } : {}),
      ...(when === null ? {} : { when }),
      fill: part.motion.fill,
      composite: m.composite,
      damping: m.damping,
      late: countLate(m, layout),
      on,
      range: range as [FallbackPoint, FallbackPoint],
      time: t ? [t.start, t.end - t.start] : null,
    }));
  };
  const motions = d.motions.flatMap((m) => listStates(m, d).flatMap(({ motion, when }) => say(motion, when)));
  const triggers = d.triggers
    .filter((g) => g.on)
    .map((g) => {
      const down = toPoint(g.down, 'start') ?? (['cover', zero] as FallbackPoint);
      const past = g.past ? toPoint(g.past, 'end') : null;
      const insets = g.insets?.map(toInset);
      return {
        subject: writtenSelector(g.subject, layout),
        down,
        up: (g.up === null ? null : toPoint(g.up, 'start')) ?? down,
        ...(past ? { past } : {}),
        ...(insets?.every((i) => i !== null) ? { insets: insets as [Inset, Inset] } : {}),
        plays: g.plays,
        back: g.back,
      };
    });
  // An intro lies over what the scroll scrubs, as in CSS.
  const last = (m: FallbackMotion) => (m.on.kind === 'load' ? 1 : 0);
  return { plan: { motions: motions.sort((a, b) => last(a) - last(b)), triggers }, notes };
}

function countLate(m: Motion, layout: PinnedLayout): FallbackMotion['late'] {
  if (!m.stagger) return [];
  const { step } = m.stagger;
  const plain = listPlaces({ ...m, stagger: undefined }, layout);
  if (isInPhases(m.stagger))
    return listPlaces(m, layout).map(({ placed }, i): [number, number] => {
      const own = itemAt(plain, i).placed;
      const by = (side: 'start' | 'end') =>
        'start' in placed && 'start' in own ? Number((placed[side] - own[side]).toFixed(2)) : 0;
      return [by('start'), by('end')];
    });
  const first = plain.find((p) => 'start' in p.placed)?.placed;
  const length = first && 'start' in first ? first.end - first.start : 0;
  const px = step.endsWith('ms') ? Number.parseFloat(step) : stepPx(step, length, layout);
  return staggerSteps(m.stagger, findMatches(layout, m.targets.selector), layout).map((s) =>
    Number((s * px).toFixed(2)),
  );
}
