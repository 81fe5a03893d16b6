/**
 * What a proof looks at. Scrubbed motions are looked at at many scroll offsets, damped ones at a few where they have come to rest, and timed
 * ones at shares of their own time. What cannot be looked at is listed with the reason: a proof of nothing is none.
 */
import { itemAt, present } from '../assert/index.ts';
import { settleTime } from '../damping/index.ts';
import { findEventTrigger, writtenSelector } from '../format/index.ts';
import { computeTimes } from '../motion/index.ts';
import type { Motion, MotionDocument } from '../motion/index.ts';
import { findMatches } from '../page/index.ts';
import type { PinnedLayout, Ms, Px } from '../page/index.ts';
import { isAtLoad, isEndless, isPointed, isTimed, isTriggered } from '../drivers/index.ts';

/** When a motion’s values are what the prediction says: at every offset, once it has come to rest, or at shares of its time. */
export type When = 'always' | 'at-rest' | 'in-time';

/** An element that is looked at, and what of it. */
export interface Watched {
  motion: string;
  selector: string;
  /** which of the elements that the selector finds */
  index: number;
  properties: string[];
  when: When;
}

/** One look: where the page is scrolled to, and what is waited for or set there. */
export interface ScheduledLook {
  y: Px;
  when: When;
  /** time that damped motions need to come to rest */
  rest?: Ms;
  /** share of their duration at which timed motions are held */
  share?: number;
}

export interface ProofSchedule {
  /** down, then up again, then what is damped, then what is timed */
  looks: ScheduledLook[];
  watched: Watched[];
  /** motions that are not proved, and why */
  skipped: { motion: string; reason: string }[];
  /** motions that are on, and elements that they have on this page */
  motions: number;
  elements: number;
}

/** Of a motion on more elements, so many are looked at, evenly over all. */
const MAX_ELEMENTS = 8;
const REST_LOOKS = 5;
const SHARES = [0.12, 0.37, 0.63, 0.88];
const MAX_REST_MS = 4000;

/** Up to `MAX_ELEMENTS` places among `count`, the first and the last with them. */
function spread(count: number): number[] {
  const n = Math.min(count, MAX_ELEMENTS);
  return [
    ...new Set(Array.from({ length: n }, (_, i) => Math.round((i * (count - 1)) / Math.max(1, n - 1)))),
  ];
}

const toWhen = (m: Motion): When =>
  isTimed(m.driver) ? 'in-time' : m.damping.kind === 'none' ? 'always' : 'at-rest';

/** `count` offsets, half of them on the way down, at places that have nothing in common with the ranges. */
export function scheduleProof(document: MotionDocument, layout: PinnedLayout, count = 120): ProofSchedule {
  const skipped: ProofSchedule['skipped'] = [];
  const on = document.motions.filter((m) => m.on);
  const found = new Map(on.map((m) => [m.id, findMatches(layout, m.targets.selector)]));
  const watched = on.flatMap((m): Watched[] => {
    const skip = (reason: string) => (skipped.push({ motion: m.id, reason }), []);
    if (isEndless(m.driver)) return skip('it never stops');
    if (isPointed(m.driver)) return skip('it follows the pointer');
    if (findEventTrigger(m, document)) return skip('it waits for an event');
    const elements = present(found.get(m.id));
    if (elements.length === 0) return skip('the page has no element for it');
    const when = toWhen(m);
    // What plays by another clock on the same element writes the same values at times of its own.
    // An intro lets go of what the scroll moves too, and is waited for.
    const others = on.filter((o) => o !== m && (when === 'in-time' || isTriggered(o.driver)));
    const beside = others.filter((o) => present(found.get(o.id)).some((e) => elements.includes(e)));
    const properties = Object.keys(m.keyframes).filter((p) => !beside.some((o) => p in o.keyframes));
    if (properties.length === 0)
      return skip(when === 'in-time' ? 'another motion moves the same' : 'a timed motion moves the same');
    const selector = writtenSelector(m.targets.selector, layout);
    return spread(elements.length).map((index) => ({
      motion: m.id,
      selector,
      index,
      properties,
      when,
    }));
  });
  return {
    looks: listLooks(on, layout, watched, count),
    watched,
    skipped,
    motions: on.length,
    elements: on.reduce((sum, m) => sum + present(found.get(m.id)).length, 0),
  };
}

function listLooks(
  motions: readonly Motion[],
  layout: PinnedLayout,
  watched: readonly Watched[],
  count: number,
): ScheduledLook[] {
  const max = itemAt(layout.scrollers, 0).max.block;
  const has = (when: When) => watched.some((w) => w.when === when);
  const half = Math.max(2, Math.ceil(count / 2));
  const place = (i: number, shift: number) => Math.round(Math.min(max, ((i + shift) / half) * max));
  const down = Array.from({ length: half }, (_, i) => place(i, i === half - 1 ? 1 : 0.37));
  const up = Array.from({ length: half }, (_, i) => place(half - 1 - i, 0.81));
  const always = (max > 0 ? [...down, ...up] : [0]).map((y): ScheduledLook => ({ y, when: 'always' }));
  const rest = Math.min(
    MAX_REST_MS,
    Math.max(0, ...motions.map((m) => settleTime(m.damping, max / REST_LOOKS, 0.05))),
  );
  const damped = Array.from({ length: max > 0 ? REST_LOOKS : 1 }, (_, i): ScheduledLook => {
    return { y: Math.round(((i + 0.43) / REST_LOOKS) * max), when: 'at-rest', rest };
  });
  const timed = SHARES.map((share): ScheduledLook => ({ y: max, when: 'in-time', share }));
  const intros = motions.filter((m) => isAtLoad(m.driver));
  const times = computeTimes(motions);
  const intro = Math.max(0, ...intros.map((m) => times.get(m.id)?.end ?? 0));
  if (intro > 0) itemAt(always, 0).rest = Math.min(MAX_REST_MS, intro + 100);
  return [...always, ...(has('at-rest') ? damped : []), ...(has('in-time') ? timed : [])];
}
