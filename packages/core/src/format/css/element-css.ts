/** Animation lists of elements: CSS keeps them per element, so motions that share one are written together. */
import { itemAt } from '../../assert/index.ts';
import { isTriggered } from '../../drivers/index.ts';
import type { Layout, Ms } from '../../page/index.ts';
import type { Motion } from '../../motion/index.ts';
import type { Entry } from './entry.ts';
import { writtenSelector } from '../selectors/marks.ts';
import { joinSelectors, overlaps } from './overlaps.ts';
import type { Piece } from './piece.ts';
import { indent, rule } from './rule.ts';
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
    pieces.push({
      id: `both:${list.map((e) => e.motion.id).join('+')}`,
      motions: list.map((e) => e.motion.id),
      rules: animationRule(joinSelectors(group, layout), list),
      keyframes: '',
    });
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
  const piece: Piece = {
    id: list.map((e) => e.motion.id).join('+'),
    motions: list.map((e) => e.motion.id),
    rules: animationRule(selector, list),
    keyframes: list.flatMap((e) => e.blocks.map((b) => b.css)).join('\n'),
  };
  if (list.length === 1) alone.set(itemAt(list, 0), { selector, piece });
  return piece;
}

const ms = (n: Ms) => `${Number(n.toFixed(2))}ms`;

interface TunedEntry {
  tuned: Tuned[];
  /** those of them that are others where every name of a range is known */
  younger: Tuned[];
  range: string;
  lasting: string;
}

/** One entry with its numbers taken out to the top of the block. */
function tunedEntry(e: Entry): TunedEntry {
  const name = itemAt(e.blocks, 0).name;
  const own = [...(e.tuned ?? []), ...e.blocks.flatMap((b) => b.tuned)];
  if (!e.timed) {
    const { tuned, range } =
      e.range === 'normal' ? { tuned: [], range: e.range } : tunedRange(e.range, name, e.common != null);
    const first = e.common && tuned.length ? tunedRange(e.common, name, true).tuned : tuned;
    const younger = tuned.filter(([, value], i) => value !== first[i]?.[1]);
    return { tuned: [...first, ...own], younger, range, lasting: 'auto' };
  }
  const { start, duration, later } = e.timed;
  const delay: Tuned[] = start > 0 && later === null ? [[`--${name}-delay`, ms(start)]] : [];
  return {
    tuned: [[`--${name}-duration`, ms(duration / (e.motion.repeat?.count ?? 1))], ...delay, ...own],
    younger: [],
    range: e.range,
    lasting: `var(--${name}-duration)`,
  };
}

const toDelay = (e: Entry): string => {
  if (!e.timed) return '';
  if (e.timed.later !== null) return ` ${e.timed.later}`;
  return e.timed.start > 0 ? ` var(--${itemAt(e.blocks, 0).name}-delay)` : '';
};

const IDLE = 'animation: none;';
/** Whether a rule only lets go. */
export const isIdle = (piece: Piece): boolean => piece.rules.includes(IDLE);

/** The shorthand comes first: it would reset timeline and range. */
function animationRule(selector: string, entries: readonly Entry[]): string {
  const list = introsLast(entries);
  const rows = list.flatMap((e) => {
    if (e.blocks.length === 0) return [];
    const t = tunedEntry(e);
    return e.blocks.map((b, i) => ({
      e,
      ...t,
      tuned: i === 0 ? t.tuned : [],
      younger: i === 0 ? t.younger : [],
      name: b.name,
      easing: b.easing,
    }));
  });
  if (rows.length === 0) return rule(selector, [IDLE]);
  const join = (f: (row: (typeof rows)[number]) => string) => {
    const all = rows.map(f);
    return all.length > 1 ? `\n    ${all.join(',\n    ')}` : ` ${itemAt(all, 0)}`;
  };
  const fill = (m: Motion) => (m.fill === 'none' ? '' : ` ${m.fill}`);
  const times = ({ repeat }: Motion) =>
    repeat ? ` ${repeat.count}${repeat.alternate ? ' alternate' : ''}` : '';
  const younger = rows.flatMap((r) => r.younger);
  const declarations = [
    ...rows.flatMap((r) => r.tuned.map(([property, value]) => `${property}: ${value};`)),
    `animation:${join(({ e, name, easing, lasting }) => `${name} ${lasting} ${easing}${toDelay(e)}${times(e.motion)}${fill(e.motion)}`)};`,
    `animation-timeline:${join(({ e }) => e.timeline)};`,
    `animation-range:${join(({ range }) => range)};`,
    // The shorthand does not take triggers back, so what is not there under a condition has to let go of its own.
    ...(list.some((e) => (e.timed ? e.timed.trigger !== 'none' : isTriggered(e.motion.driver)))
      ? [`animation-trigger:${join(({ e }) => e.timed?.trigger ?? 'none')};`]
      : []),
    ...(list.some((e) => e.motion.composite !== 'replace')
      ? [`animation-composition:${join(({ e }) => e.motion.composite)};`]
      : []),
  ];
  const all = rule(selector, declarations);
  if (younger.length === 0) return all;
  const again = rule(
    selector,
    younger.map(([property, value]) => `${property}: ${value};`),
  );
  return `${all}\n${KNOWS_SCROLL} {\n${indent(again, '  ')}\n}`;
}
