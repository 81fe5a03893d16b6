/** Timed triggers as triggers (CSS Animations 2, §5). */
import { itemAt, present } from '../../assert/index.ts';
import type { Element } from 'domhandler';
import type { Trigger } from '../../motion/index.ts';
import { parseLength } from '../../page/index.ts';
import type { LengthExpr } from '../../page/index.ts';
import { parsePhasePoint } from '../../timeline/index.ts';
import type { RangePoint } from '../../timeline/index.ts';
import { decimal } from '../../value/index.ts';
import type { Cascade, Environment } from '../cascade/cascade.ts';
import { findParent } from '../source/elements.ts';
import { rangePoints } from './shorthand.ts';
import { splitTop } from '../../text/index.ts';
import type { ReadRule } from '../cascade/rules.ts';
import type { Timelines } from './timelines.ts';

/** A trigger but for its name and its element. */
export type ReadLines = Pick<Trigger, 'down' | 'up' | 'past' | 'insets' | 'plays' | 'back'>;

export interface ReadTrigger {
  name: string;
  owner: Element;
  lines: ReadLines;
}

/** Shares of an end inset that, with the element's own share, say where its point meets a line. */
function toMeetingPoint(point: string, base: number): RangePoint | null {
  const parsed = parsePhasePoint(point, 'start');
  if (!parsed.ok || parsed.value.phase !== 'entry-crossing') return null;
  const parts = { '%': 0, vh: 0 };
  const add = (e: LengthExpr, factor: number): boolean => {
    switch (e.kind) {
      case 'dimension':
        if (e.unit !== '%' && e.unit !== 'vh') return false;
        parts[e.unit] += factor * e.value;
        return true;
      case 'sum':
        return e.terms.every((t) => add(t, factor));
      case 'product': {
        const numbers = e.factors.filter((f) => f.kind === 'number');
        const others = e.factors.filter((f) => f.kind !== 'number');
        const scale = numbers.reduce((n, f) => n * (f as { value: number }).value, factor);
        return others.length === 1 && add(itemAt(others, 0), scale);
      }
      default:
        return false;
    }
  };
  if (!add(parsed.value.offset, 1) || parts['%'] < 0 || parts['%'] > 100) return null;
  const line = 100 - base - parts.vh;
  return { edge: `${decimal(parts['%'])}%`, line: `${decimal(line)}%` };
}

const ACTIONS: Record<string, Pick<Trigger, 'plays' | 'back'>> = {
  'play-once': { plays: 'once', back: 'keeps-end' },
  'play none': { plays: 'once', back: 'keeps-end' },
  play: { plays: 'once', back: 'keeps-end' },
  'play-forwards': { plays: 'once', back: 'keeps-end' },
  'play-forwards none': { plays: 'once', back: 'keeps-end' },
  replay: { plays: 'each-time', back: 'keeps-end' },
  'replay none': { plays: 'each-time', back: 'keeps-end' },
  'play-forwards play-backwards': { plays: 'each-time', back: 'plays-back' },
  'play reset': { plays: 'each-time', back: 'returns' },
  'play-forwards reset': { plays: 'each-time', back: 'returns' },
};

/** Ends that no scroll reaches. */
const isEndless = (point: string): boolean =>
  /^cover\s+(\d{3,})%$/.test(point) && Number(present(/\d+/.exec(point))[0]) >= 200;

export class Triggers {
  private readonly carriers = new Map<string, Element[]>();

  constructor(
    private readonly cascade: Cascade,
    rules: readonly ReadRule[],
    private readonly timelines: Timelines,
  ) {
    for (const rule of rules)
      for (const d of rule.declarations)
        if (d.property === 'timeline-trigger')
          for (const e of cascade.findElements.get(rule) ?? [])
            for (const name of d.value.match(/(^|,)\s*--[\w-]+/g) ?? []) {
              const key = name.replace(/^[,\s]+/, '');
              this.carriers.set(key, [...new Set([...(this.carriers.get(key) ?? []), e])]);
            }
  }

  /** The trigger that `animation-trigger: --t play-once` names for an element. */
  of(css: string, element: Element, env: Environment): ReadTrigger | { obstacle: string } {
    const [name = '', ...words] = splitTop(css, ' ');
    const actions = ACTIONS[words.join(' ').toLowerCase()];
    if (!actions) return { obstacle: `“${words.join(' ')}” is not something that a trigger does` };
    const owner = this.findOwner(name, element);
    if (!owner) return { obstacle: `the trigger ${name} is not set on one element that it could mean` };
    const winner = this.cascade.declared(owner, env, (p) => p === 'timeline-trigger').get('timeline-trigger');
    const entry = winner && splitTop(winner.value).find((t) => t.startsWith(`${name} `));
    if (!winner || !entry) return { obstacle: `the trigger ${name} is not set` };
    const read = this.lines(entry.slice(name.length).trim(), owner, env, actions);
    return 'obstacle' in read ? read : { name, owner: read.subject, lines: { ...actions, ...read.lines } };
  }

  private findOwner(name: string, element: Element): Element | null {
    const all = this.carriers.get(name) ?? [];
    if (all.length === 1) return itemAt(all, 0);
    for (let e: Element | null = element; e; e = findParent(e)) if (all.includes(e)) return e;
    return null;
  }

  private lines(
    text: string,
    owner: Element,
    env: Environment,
    { plays }: Pick<Trigger, 'plays'>,
  ): { subject: Element; lines: Omit<ReadLines, 'plays' | 'back'> } | { obstacle: string } {
    const [activation = '', active] = splitTop(text, '/');
    const [source = '', ...range] = splitTop(activation, ' ');
    const timeline = this.timelines.of(source, owner, env);
    if ('obstacle' in timeline) return timeline;
    if (timeline.kind !== 'view' || timeline.axis !== 'block')
      return {
        obstacle:
          'it is started by a place on a scroller, where a trigger needs the view progress of an element',
      };
    const points = rangePoints(range.join(' ') || 'normal');
    const back = active === undefined ? null : rangePoints(active);
    if (!points) return { obstacle: `“${text}” is not a range` };
    // What is played once is never left.
    const ends = plays === 'once' ? [] : [points, ...(back ? [back] : [])].map((p) => p[1]);
    const isLeft = ends.length > 0 && !ends.some(isEndless);
    if (isLeft && new Set(ends).size > 1)
      return { obstacle: 'it is left at another line than the one at which it can be entered from below' };
    const share = this.base(timeline.insets);
    const insets = share === null ? ([...timeline.insets] as [string, string]) : null;
    if (insets && !insets.every((css) => css === 'auto' || parseLength(css).ok))
      return { obstacle: 'its timeline has an inset that cannot be read' };
    const base = share ?? 0;
    const place = (point: string): RangePoint | null => {
      const plain = point === 'normal' ? 'cover 0%' : point;
      if (!parsePhasePoint(plain, 'start').ok) return null;
      return base === 0 ? plain : toMeetingPoint(plain, base);
    };
    const down = place(points[0]);
    const up = back ? place(back[0]) : null;
    const past = isLeft ? place(itemAt(ends, 0) === 'normal' ? 'cover 100%' : itemAt(ends, 0)) : null;
    if (down === null || (back && up === null) || (isLeft && past === null))
      return { obstacle: `“${text}” cannot be read as a trigger’s line` };
    const same = JSON.stringify(up) === JSON.stringify(down);
    return {
      subject: timeline.owner ?? owner,
      lines: { down, up: same ? null : up, ...(past ? { past } : {}), ...(insets ? { insets } : {}) },
    };
  }

  /** Percent by which the end edge is moved in; null for anything but that. */
  private base([start, end]: readonly [string, string]): number | null {
    const share = (css: string): number | null => {
      const parsed = parseLength(css);
      if (!parsed.ok || parsed.value.kind !== 'dimension') return null;
      if (parsed.value.value === 0) return 0;
      return parsed.value.unit === '%' ? parsed.value.value : null;
    };
    return share(start) === 0 ? share(end) : null;
  }
}
