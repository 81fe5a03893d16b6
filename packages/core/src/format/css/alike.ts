/** Motions that say the same on different elements are written once, as one rule for all of these elements. */
import { isAtLoad, isScrubbed } from '../../drivers/index.ts';
import { findMatches, splitPart } from '../../page/index.ts';
import type { Layout } from '../../page/index.ts';
import type { Motion, MotionDocument } from '../../motion/index.ts';
import type { Entry } from './entry.ts';

export interface Alike {
  document: MotionDocument;
  layouts: [Layout, ...Layout[]];
  /** the motions that a written one stands for, by its id; only of those that stand for several */
  members: ReadonlyMap<string, readonly string[]>;
}

/** What a motion says, apart from its element and its names. */
const toContent = ({ id: _, name: __, targets: ___, preset: ____, ...said }: Motion): string =>
  JSON.stringify(said);

/** Nothing hangs on it or on its place in a list, so that it can be said together with others. */
const isFree = (m: Motion, d: MotionDocument): boolean =>
  m.on &&
  (isScrubbed(m.driver) || isAtLoad(m.driver)) &&
  m.damping.kind === 'none' &&
  !m.stagger &&
  !m.conditions?.length &&
  !Object.keys(m.keyframes).some((p) => p.startsWith('--')) &&
  splitPart(m.targets.selector)[1] === '' &&
  m.time?.after === undefined &&
  !d.motions.some((o) => o.time?.after === m.id);

/** The words that all names end with, else the first name. */
function sharedName(names: readonly string[]): string {
  const words = names.map((n) => n.split(' ').reverse());
  const [first = []] = words;
  const own = first.findIndex((w, i) => words.some((list) => list[i] !== w || list.length === i + 1));
  const shared = first.slice(0, Math.max(0, own));
  return shared.length ? shared.reverse().join(' ') : (names[0] ?? '');
}

/**
 * The document with such motions joined. Only those that are alone on their elements, on every layout: elsewhere the animation list of an
 * element would have to be written apart again; and only where each by itself is written with the same timeline and range, which may depend
 * on its element. `entries`: the motions written by themselves.
 */
export function joinAlike(
  document: MotionDocument,
  layouts: readonly [Layout, ...Layout[]],
  entries: readonly Entry[],
): Alike {
  const on = document.motions.filter((m) => m.on);
  const isAlone = (m: Motion) =>
    layouts.every((layout) => {
      const { selector } = m.targets;
      const own = new Set(findMatches(layout, selector));
      return (
        own.size > 0 &&
        !layout.marked?.includes(selector) &&
        on.every((o) => o === m || !findMatches(layout, o.targets.selector).some((e) => own.has(e)))
      );
    });
  const groups = new Map<string, Motion[]>();
  for (const m of on)
    if (isFree(m, document)) {
      const own = entries.filter((e) => e.motion.id === m.id);
      if (own.length !== 1) continue;
      const content = [toContent(m), ...own.map((e) => `${e.timeline} ${e.range}`)].join(' ');
      groups.set(content, [...(groups.get(content) ?? []), m]);
    }
  const members = new Map<string, string[]>();
  const joined = new Map<string, Motion>();
  const gone = new Map<string, string>();
  const matches = layouts.map((l) => ({ ...l.matches }));
  for (const group of groups.values()) {
    const list = group.length > 1 ? group.filter(isAlone) : [];
    const [first, ...rest] = list;
    if (!first || rest.length === 0) continue;
    const selector = list.map((m) => m.targets.selector).join(', ');
    members.set(
      first.id,
      list.map((m) => m.id),
    );
    joined.set(first.id, {
      ...first,
      name: sharedName(list.map((m) => m.name)),
      targets: { selector },
    });
    for (const m of rest) gone.set(m.id, first.id);
    layouts.forEach((layout, i) => {
      matches[i] = {
        ...matches[i],
        [selector]: list.flatMap((m) => findMatches(layout, m.targets.selector)).sort((a, b) => a - b),
      };
    });
  }
  if (members.size === 0) return { document, layouts: [...layouts], members };
  return {
    document: {
      ...document,
      motions: document.motions.flatMap((m) => (gone.has(m.id) ? [] : [joined.get(m.id) ?? m])),
      adjustments: document.adjustments.map((a) => ({
        ...a,
        for: [...new Set(a.for.map((id) => gone.get(id) ?? id))],
      })),
    },
    layouts: layouts.map((l, i) => ({ ...l, matches: matches[i] ?? l.matches })) as [Layout, ...Layout[]],
    members,
  };
}
