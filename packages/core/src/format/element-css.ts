/** Animation lists of elements: CSS keeps them per element, so motions that share one are written together. */
import type { Layout, Ms } from '../page/index.ts';
import type { Motion } from '../motion/index.ts';
import type { Entry } from './entry.ts';
import { writtenSelector } from './marks.ts';
import { bothOf, overlaps } from './overlaps.ts';
import type { Piece } from './piece.ts';
import { rule } from './rule.ts';
import { introsLast } from './timed-css.ts';

/**
 * One piece per selector, then one per overlap. The selector of an overlap is the intersection of its parts, so it is more
 * specific than each of them and keeps holding when the page changes.
 */
export function piecesOf(entries: readonly Entry[], layout: Layout): Piece[] {
  const bySelector = new Map<string, Entry[]>();
  for (const e of entries) {
    const s = e.motion.targets.selector;
    const list = bySelector.get(s);
    list ? list.push(e) : bySelector.set(s, [e]);
  }
  const pieces = [...bySelector].map(([selector, list]) => pieceOf(writtenSelector(selector, layout), list));
  for (const group of overlaps([...bySelector.keys()], layout)) {
    const list = entries.filter((e) => group.includes(e.motion.targets.selector));
    pieces.push({
      id: `both:${list.map((e) => e.motion.id).join('+')}`,
      motions: list.map((e) => e.motion.id),
      rules: animationRule(bothOf(group, layout), list),
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

function pieceOf(selector: string, list: readonly Entry[]): Piece {
  const known = list.length === 1 ? alone.get(list[0]!) : undefined;
  if (known?.selector === selector) return known.piece;
  const piece: Piece = {
    id: list.map((e) => e.motion.id).join('+'),
    motions: list.map((e) => e.motion.id),
    rules: animationRule(selector, list),
    keyframes: list.flatMap((e) => e.blocks.map((b) => b.css)).join('\n'),
  };
  if (list.length === 1) alone.set(list[0]!, { selector, piece });
  return piece;
}

const lasting = ({ timed }: Entry, easing: string): string => {
  if (!timed) return `auto ${easing}`;
  const ms = (n: Ms) => `${Number(n.toFixed(2))}ms`;
  const delay = timed.later ?? (timed.start > 0 ? ms(timed.start) : '');
  return `${ms(timed.duration)} ${easing}${delay ? ` ${delay}` : ''}`;
};

const IDLE = 'animation: none;';
/** Whether a rule only lets go. */
export const isIdle = (piece: Piece): boolean => piece.rules.includes(IDLE);

/** The shorthand comes first: it would reset timeline and range. */
function animationRule(selector: string, entries: readonly Entry[]): string {
  const list = introsLast(entries);
  const rows = list.flatMap((e) => e.blocks.map((b) => ({ e, name: b.name, easing: b.easing })));
  if (rows.length === 0) return rule(selector, [IDLE]);
  const join = (f: (row: (typeof rows)[number]) => string) => {
    const all = rows.map(f);
    return all.length > 1 ? `\n    ${all.join(',\n    ')}` : ` ${all[0]!}`;
  };
  const fill = (m: Motion) => (m.fill === 'none' ? '' : ` ${m.fill}`);
  return rule(selector, [
    `animation:${join(({ e, name, easing }) => `${name} ${lasting(e, easing)}${fill(e.motion)}`)};`,
    `animation-timeline:${join(({ e }) => e.timeline)};`,
    `animation-range:${join(({ e }) => e.range)};`,
    ...(list.some((e) => e.timed && e.timed.trigger !== 'none')
      ? [`animation-trigger:${join(({ e }) => e.timed?.trigger ?? 'none')};`]
      : []),
    ...(list.some((e) => e.motion.composite === 'add')
      ? [`animation-composition:${join(({ e }) => e.motion.composite)};`]
      : []),
  ]);
}
