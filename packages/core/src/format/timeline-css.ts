/** Timelines of motions: anonymous ones where the target carries it, named ones where another element does. */
import type { Layout } from '../page/index.ts';
import { geometryOf, matchesOf } from '../page/index.ts';
import { isNamedPlace, subjectOf } from '../timeline/index.ts';
import type { Motion } from '../motion/index.ts';
import { rangeCss } from './range-css.ts';
import type { Piece, WriterNote } from './piece.ts';

export interface NamedTimeline {
  kind: 'view' | 'scroll';
  owner: string;
  name: string;
  axis: string;
  insets: string;
  motion: string;
}

export interface TimelineCss {
  timeline: string;
  range: string;
  /** null where the target carries its timeline itself */
  named: NamedTimeline | null;
  notes: WriterNote[];
}

const hasNamedPlaces = (m: Motion) =>
  Object.values(m.keyframes).some((stops) => stops.some((s) => isNamedPlace(s.at)));

/** Timeline and range of a motion, for all layouts at once. */
export function timelineOf(motion: Motion, name: string, layouts: readonly Layout[]): TimelineCss {
  const { driver, range } = motion;
  const named = { name: `--lv-${name}`, axis: driver.axis, motion: motion.id };
  if (driver.kind === 'page') {
    const points = `${range.start as string} ${range.end as string}`;
    if (driver.scroller === undefined)
      return { timeline: `scroll(root ${driver.axis})`, range: points, named: null, notes: [] };
    return {
      timeline: named.name,
      range: points,
      named: { ...named, kind: 'scroll', owner: driver.scroller, insets: '' },
      notes: [],
    };
  }
  const geometries = layouts.flatMap((layout) =>
    matchesOf(layout, motion.targets.selector).flatMap((target) => {
      const subject = subjectOf(driver, target, layout);
      return subject === undefined ? [] : [geometryOf(layout, subject, driver.axis, driver.insets)];
    }),
  );
  const css = rangeCss(range, driver, geometries, hasNamedPlaces(motion));
  const notes: WriterNote[] = [];
  if (css.assumesViewport)
    notes.push({
      motion: motion.id,
      note: 'Its range is exact where the scroller is as high as the viewport.',
    });
  const insets = css.insets[0] === css.insets[1] ? css.insets[0] : css.insets.join(' ');
  if (driver.subject === 'self')
    return { timeline: `view(${driver.axis} ${insets})`, range: css.range, named: null, notes };
  const matched = matchesOf(layouts[0]!, driver.subject).length;
  if (matched > 1)
    notes.push({
      motion: motion.id,
      note: `${driver.subject} matches ${matched} elements; a named timeline needs exactly one.`,
    });
  return {
    timeline: named.name,
    range: css.range,
    named: { ...named, kind: 'view', owner: driver.subject, insets },
    notes,
  };
}

/** Timelines that an element other than the target carries. Their names must be visible to the target, so the root scopes them. */
export class NamedTimelines {
  private readonly byOwner = new Map<string, NamedTimeline[]>();

  add(owner: string, timeline: NamedTimeline): void {
    this.byOwner.set(owner, [...(this.byOwner.get(owner) ?? []), timeline]);
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

/** A style rule, one declaration a line. */
export const rule = (selector: string, lines: readonly string[]) =>
  `${selector} {\n${lines.map((l) => `  ${l}`).join('\n')}\n}`;
