/** Animation lists of elements: CSS keeps them per element, so motions that share one are written together. */
import { itemAt } from '../../assert/index.ts';
import type { Layout, Ms } from '../../page/index.ts';
import type { Motion } from '../../motion/index.ts';
import { NO_ANIMATIONS, isNone, listAnimations } from './animation-lists.ts';
import type { AnimationEntry } from './animation-lists.ts';
import type { Entry } from './entry.ts';
import { writtenSelector } from '../selectors/marks.ts';
import { joinSelectors, overlaps } from './overlaps.ts';
import { toPiece } from './piece.ts';
import type { Piece } from './piece.ts';
import type { StyleRule } from './rule.ts';
import { KNOWS_SCROLL } from './scroll-range.ts';
import { introsLast } from './timed-css.ts';
import { tunedRange } from './tuned.ts';
import type { Tuned } from './tuned.ts';

/**
 * One piece per selector, then one per overlap. The selector of an overlap is the intersection of its parts, so it is more
 * specific than each of them and keeps holding when the page changes.
 */
export function makePieces(entries: readonly Entry[], layout: Layout): Piece[] {
  const bySelector = new Map<string, Entry[]>();
  for (const e of entries) {
    const s = e.motion.targets.selector;
    const list = bySelector.get(s);
    list ? list.push(e) : bySelector.set(s, [e]);
  }
  const pieces = [...bySelector].map(([selector, list]) =>
    makePiece(writtenSelector(selector, layout), list),
  );
  for (const group of overlaps([...bySelector.keys()], layout)) {
    const list = entries.filter((e) => group.includes(e.motion.targets.selector));
    pieces.push(
      toPiece({
        id: `both:${list.map((e) => e.motion.id).join('+')}`,
        motions: list.map((e) => e.motion.id),
        styles: animationRules(joinSelectors(group, layout), list),
      }),
    );
  }
  return pieces;
}

/** A motion that is not there under this media condition, where its element must let go of what is written for others. */
export const absent = (motion: Motion): Entry => ({
  motion,
  blocks: [],
  timeline: 'auto',
  range: 'normal',
  timed: null,
});

/** A motion that is alone on its selector keeps its piece for as long as it is the same entry. */
const alone = new WeakMap<Entry, { selector: string; piece: Piece }>();

function makePiece(selector: string, list: readonly Entry[]): Piece {
  const known = list.length === 1 ? alone.get(itemAt(list, 0)) : undefined;
  if (known?.selector === selector) return known.piece;
  const piece = toPiece({
    id: list.map((e) => e.motion.id).join('+'),
    motions: list.map((e) => e.motion.id),
    styles: animationRules(selector, list),
    keyframes: list.flatMap((e) => e.blocks.map((b) => b.css)).join('\n'),
  });
  if (list.length === 1) alone.set(itemAt(list, 0), { selector, piece });
  return piece;
}

const ms = (n: Ms) => `${Number(n.toFixed(2))}ms`;

interface TunedEntry {
  tuned: Tuned[];
  range: string;
  /** where not every name of a range is known */
  common: string | null;
  lasting: string;
  delay: string;
}

/** One entry, with its numbers taken out to the top of the block where that is wanted. */
function tunedEntry(e: Entry): TunedEntry {
  const { name } = itemAt(e.blocks, 0);
  const own = [...(e.tuned ?? []), ...e.blocks.flatMap((b) => b.tuned)];
  const wanted = e.motion.tunable === true;
  if (!e.timed) {
    // Two forms of a range are two numbers each.
    if (!wanted || e.common != null || e.range === 'normal')
      return { tuned: own, range: e.range, common: e.common ?? null, lasting: 'auto', delay: '0ms' };
    const { tuned, range } = tunedRange(e.range, name);
    return { tuned: [...tuned, ...own], range, common: null, lasting: 'auto', delay: '0ms' };
  }
  const { start, duration, later } = e.timed;
  const lasting = ms(duration / (e.motion.repeat?.count ?? 1));
  const delay = later ?? ms(start);
  const range = { range: e.range, common: null };
  if (!wanted) return { tuned: own, ...range, lasting, delay };
  const moved = start > 0 && later === null;
  return {
    tuned: [[`--${name}-duration`, lasting], ...(moved ? [[`--${name}-delay`, delay] as const] : []), ...own],
    ...range,
    lasting: `var(--${name}-duration)`,
    delay: moved ? `var(--${name}-delay)` : delay,
  };
}

/** Whether a rule only lets go. */
export const isIdle = (piece: Piece): boolean => piece.styles.some((s) => isNone(s.set));

/** What is scrubbed lists before what plays at load, which has the last word while it runs. */
function animationRules(selector: string, entries: readonly Entry[]): StyleRule[] {
  const tuned: Tuned[] = [];
  const commons: string[] = [];
  const rows = introsLast(entries).flatMap((e): AnimationEntry[] => {
    if (e.blocks.length === 0) return [];
    const t = tunedEntry(e);
    tuned.push(...t.tuned);
    const { repeat, fill, composite } = e.motion;
    return e.blocks.map((b) => {
      commons.push(t.common ?? t.range);
      return {
        'animation-name': b.name,
        'animation-duration': t.lasting,
        'animation-timing-function': b.easing,
        'animation-delay': t.delay,
        'animation-iteration-count': String(repeat?.count ?? 1),
        'animation-direction': repeat?.alternate ? 'alternate' : 'normal',
        'animation-fill-mode': fill,
        'animation-timeline': e.timeline,
        'animation-range': t.range,
        'animation-trigger': e.timed?.trigger ?? 'none',
        'animation-composition': composite,
      };
    });
  });
  if (rows.length === 0) return [{ selector, set: NO_ANIMATIONS }];
  const lists = listAnimations(rows);
  const now = lists['animation-range'];
  const isYoung = now.some((range, i) => range !== commons[i]);
  return [
    {
      selector,
      set: { ...Object.fromEntries(tuned), ...lists, ...(isYoung ? { 'animation-range': commons } : {}) },
    },
    ...(isYoung ? [{ selector, within: KNOWS_SCROLL, set: { 'animation-range': now } }] : []),
  ];
}
