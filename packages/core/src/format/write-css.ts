/**
 * The one writer of CSS. The preview applies its pieces as they are; the hand-off joins the same pieces (see join-css.ts).
 * CSS keeps animations as lists per element, so motions that share an element are written together.
 */
import type { Layout } from '../page/index.ts';
import { geometryOf, matchesOf } from '../page/index.ts';
import { subjectOf } from '../timeline/index.ts';
import type { Motion, MotionDocument } from '../motion/index.ts';
import { keyframesCss } from './keyframes-css.ts';
import type { KeyframesBlock } from './keyframes-css.ts';
import { rangeCss } from './range-css.ts';
import { namesOf } from './names.ts';

/** For whom it is written: readers with or without a wish for reduced motion. */
export type Condition = 'full-motion' | 'reduced-motion';

export interface Piece {
  /** stable while the same motions share the same elements */
  id: string;
  motions: string[];
  /** rules that belong inside the guards */
  rules: string;
  keyframes: string;
}

export interface WriterNote {
  motion: string;
  note: string;
}

export interface Written {
  pieces: Piece[];
  notes: WriterNote[];
}

/** One entry of the animation lists. */
interface Entry {
  motion: Motion;
  blocks: KeyframesBlock[];
  timeline: string;
  range: string;
}

/**
 * CSS of the motions that are on, for one condition. `others` are layouts of the same page at further viewport sizes: a form
 * that would be wrong at one of them is not used.
 */
export function writeCss(
  document: MotionDocument,
  layout: Layout,
  condition: Condition,
  others: readonly Layout[] = [],
): Written {
  const notes: WriterNote[] = [];
  const names = namesOf(document.motions);
  const shared = new NamedTimelines();
  const entries = document.motions.flatMap((motion): Entry[] => {
    if (!motion.on || (condition === 'reduced-motion' && motion.reducedMotion === 'drop')) return [];
    const fadeOnly = condition === 'reduced-motion' && motion.reducedMotion === 'fade';
    const name = `lv-${names.get(motion.id)!}${fadeOnly ? '-still' : ''}`;
    const blocks = keyframesCss(motion, name, fadeOnly ? (p) => p === 'opacity' : undefined);
    if (blocks.length === 0) return [];
    return [
      { motion, blocks, ...timelineOf(motion, names.get(motion.id)!, [layout, ...others], shared, notes) },
    ];
  });
  return { pieces: [...shared.pieces(), ...piecesOf(entries, layout)], notes };
}

function timelineOf(
  motion: Motion,
  name: string,
  layouts: readonly Layout[],
  shared: NamedTimelines,
  notes: WriterNote[],
) {
  const { driver, range } = motion;
  if (driver.kind === 'page') {
    const points = `${range.start as string} ${range.end as string}`;
    if (driver.scroller === undefined) return { timeline: `scroll(root ${driver.axis})`, range: points };
    return { timeline: shared.scroll(name, driver.scroller, driver.axis, motion.id), range: points };
  }
  const geometries = layouts.flatMap((layout) =>
    matchesOf(layout, motion.targets.selector).flatMap((target) => {
      const subject = subjectOf(driver, target, layout);
      return subject === undefined ? [] : [geometryOf(layout, subject, driver.axis, driver.insets)];
    }),
  );
  const css = rangeCss(range, driver, geometries);
  if (css.assumesViewport)
    notes.push({
      motion: motion.id,
      note: 'Its range is exact where the scroller is as high as the viewport.',
    });
  const insets = css.insets[0] === css.insets[1] ? css.insets[0] : css.insets.join(' ');
  if (driver.subject === 'self') return { timeline: `view(${driver.axis} ${insets})`, range: css.range };
  const matched = matchesOf(layouts[0]!, driver.subject).length;
  if (matched > 1)
    notes.push({
      motion: motion.id,
      note: `${driver.subject} matches ${matched} elements; a named timeline needs exactly one.`,
    });
  return { timeline: shared.view(name, driver.subject, driver.axis, insets, motion.id), range: css.range };
}

/** Timelines that an element other than the target carries. Their names must be visible to the target, so the root scopes them. */
class NamedTimelines {
  private readonly byOwner = new Map<
    string,
    { kind: 'view' | 'scroll'; name: string; axis: string; insets: string; motion: string }[]
  >();

  view(name: string, owner: string, axis: string, insets: string, motion: string): string {
    return this.add(owner, { kind: 'view', name: `--lv-${name}`, axis, insets, motion });
  }

  scroll(name: string, owner: string, axis: string, motion: string): string {
    return this.add(owner, { kind: 'scroll', name: `--lv-${name}`, axis, insets: '', motion });
  }

  private add(
    owner: string,
    timeline: { kind: 'view' | 'scroll'; name: string; axis: string; insets: string; motion: string },
  ): string {
    this.byOwner.set(owner, [...(this.byOwner.get(owner) ?? []), timeline]);
    return timeline.name;
  }

  pieces(): Piece[] {
    const all = [...this.byOwner.values()].flat();
    if (all.length === 0) return [];
    const owners = [...this.byOwner].map(([owner, list]) => {
      const views = list.filter((t) => t.kind === 'view');
      const scrolls = list.filter((t) => t.kind === 'scroll');
      const lines = [
        views.length && `view-timeline: ${views.map((t) => `${t.name} ${t.axis}`).join(', ')};`,
        views.length && `view-timeline-inset: ${views.map((t) => t.insets).join(', ')};`,
        scrolls.length && `scroll-timeline: ${scrolls.map((t) => `${t.name} ${t.axis}`).join(', ')};`,
      ].filter((l) => l !== 0);
      return rule(owner, lines);
    });
    const scope = rule(':root', [`timeline-scope: ${all.map((t) => t.name).join(', ')};`]);
    return [
      {
        id: 'timelines',
        motions: [...new Set(all.map((t) => t.motion))],
        rules: [scope, ...owners].join('\n'),
        keyframes: '',
      },
    ];
  }
}

const rule = (selector: string, lines: readonly string[]) =>
  `${selector} {\n${lines.map((l) => `  ${l}`).join('\n')}\n}`;

/**
 * One piece per selector, then one per overlap. The selector of an overlap is the intersection of its parts, so it is more
 * specific than each of them and keeps holding when the page changes.
 */
function piecesOf(entries: readonly Entry[], layout: Layout): Piece[] {
  const bySelector = new Map<string, Entry[]>();
  for (const e of entries) {
    const s = e.motion.targets.selector;
    bySelector.set(s, [...(bySelector.get(s) ?? []), e]);
  }
  const pieces = [...bySelector].map(([selector, list]): Piece => ({
    id: list.map((e) => e.motion.id).join('+'),
    motions: list.map((e) => e.motion.id),
    rules: animationRule(selector, list),
    keyframes: list.flatMap((e) => e.blocks.map((b) => b.css)).join('\n'),
  }));
  for (const group of overlaps([...bySelector.keys()], layout)) {
    const list = entries.filter((e) => group.includes(e.motion.targets.selector));
    pieces.push({
      id: `both:${list.map((e) => e.motion.id).join('+')}`,
      motions: list.map((e) => e.motion.id),
      rules: animationRule(group.map((s) => `:is(${s})`).join(''), list),
      keyframes: '',
    });
  }
  return pieces;
}

/** Sets of two or more selectors that match a common element, smaller sets first. */
function overlaps(selectors: readonly string[], layout: Layout): string[][] {
  const byElement = new Map<number, string[]>();
  for (const s of selectors)
    for (const e of matchesOf(layout, s)) byElement.set(e, [...(byElement.get(e) ?? []), s]);
  const sets = new Map<string, string[]>();
  for (const set of byElement.values()) if (set.length > 1) sets.set(set.join('\n'), set);
  return [...sets.values()].sort((a, b) => a.length - b.length);
}

/** The shorthand comes first: it would reset timeline and range. */
function animationRule(selector: string, list: readonly Entry[]): string {
  const rows = list.flatMap((e) => e.blocks.map((b) => ({ e, name: b.name })));
  const join = (f: (row: (typeof rows)[number]) => string) => {
    const all = rows.map(f);
    return all.length > 1 ? `\n    ${all.join(',\n    ')}` : ` ${all[0]!}`;
  };
  const fill = (m: Motion) => (m.fill === 'none' ? '' : ` ${m.fill}`);
  return rule(selector, [
    `animation:${join(({ e, name }) => `${name} auto linear${fill(e.motion)}`)};`,
    `animation-timeline:${join(({ e }) => e.timeline)};`,
    `animation-range:${join(({ e }) => e.range)};`,
  ]);
}
