/** Mistakes in a page's own animations, found while they are read: what is shown, why, and what would be meant. */
import { itemAt, present } from '../../assert/index.ts';
import type { Element } from 'domhandler';
import type { Environment, Winner } from '../cascade/cascade.ts';
import { findParent } from '../source/elements.ts';
import type { Cascade } from '../cascade/cascade.ts';
import { toMs } from '../animations/lengths.ts';
import { RESET_ONLY } from '../animations/shorthand.ts';
import { splitTop } from '../../text/index.ts';
import type { ReadDeclaration } from '../cascade/rules.ts';
import type { Place } from '../source/source.ts';
import { findClaim } from '../claims/take-out.ts';

export type MistakeKind =
  | 'shorthand-order'
  | 'zero-duration'
  | 'delay-on-scrub'
  | 'missing-fill'
  | 'scroll-container'
  | 'per-frame-factor'
  | 'misspelt';
/** Those that can be read as they were meant. */
export const CORRECTABLE: ReadonlySet<MistakeKind> = new Set([
  'shorthand-order',
  'zero-duration',
  'delay-on-scrub',
  'misspelt',
]);

export interface Mistake {
  /** the same for the same mistake at the same place */
  key: string;
  kind: MistakeKind;
  /** the rule that is taken out of the page once it is read; empty: none is */
  rule: string;
  place: Place;
  /** one sentence: what is wrong */
  what: string;
  /** why a reader of the page cares */
  why: string;
  /** what to change */
  advice: string;
}

type Found = Omit<Mistake, 'key' | 'rule' | 'place'> & { declaration: ReadDeclaration };
type Finder = (context: {
  won: ReadonlyMap<string, Winner>;
  element: Element;
  cascade: Cascade;
  env: Environment;
}) => Found[];

const text = (won: ReadonlyMap<string, Winner>, p: string) => won.get(p)?.value ?? '';
const isScrubbed = (won: ReadonlyMap<string, Winner>) =>
  /\b(view|scroll)\(|^--|,\s*--/.test(text(won, 'animation-timeline'));

/** A timeline that a later shorthand has put back. */
const shorthandOrder: Finder = ({ won }) =>
  RESET_ONLY.slice(0, 1).flatMap((property) => {
    const winner = won.get(property);
    if (winner?.declaration.property !== 'animation' || winner.value !== 'auto') return [];
    for (let lost = winner.over; lost; lost = lost.over)
      if (lost.declaration.property === property && lost.value !== 'auto')
        return [
          {
            kind: 'shorthand-order' as const,
            declaration: winner.declaration,
            what: `“animation” comes after “animation-timeline: ${lost.value}” and resets it`,
            why: 'The animation plays over time as soon as the page is there, or is at its end, and scroll does not drive it.',
            advice: `Write animation-timeline (line ${lost.declaration.place.line}) after the shorthand.`,
          },
        ];
    return [];
  });

const zeroDuration: Finder = ({ won }) => {
  const winner = won.get('animation-duration');
  if (!winner || !isScrubbed(won) || !splitTop(winner.value).some((d) => toMs(d) === 0)) return [];
  return [
    {
      kind: 'zero-duration',
      declaration: winner.declaration,
      what: 'Its duration is 0, so it jumps to its end where its range begins',
      why: 'Readers see a jump instead of a movement.',
      advice: 'Leave the duration out: without one an animation fills its range.',
    },
  ];
};

const delay: Finder = ({ won }) => {
  const winner = won.get('animation-delay');
  const durations = splitTop(won.get('animation-duration')?.value ?? 'auto');
  if (!winner || !isScrubbed(won)) return [];
  const waits = splitTop(winner.value).map((d, i) => {
    const [wait, lasts] = [toMs(d) ?? 0, toMs(itemAt(durations, i % durations.length)) ?? 0];
    return lasts > 0 && wait > 0 ? wait / (wait + lasts) : 0;
  });
  const most = Math.max(...waits);
  if (most <= 0) return [];
  return [
    {
      kind: 'delay-on-scrub',
      declaration: winner.declaration,
      what: `Its delay eats the first ${Math.round(most * 100)} % of its range`,
      why: 'On a scroll timeline a delay is a share of the range, not a time: the element waits while the page scrolls.',
      advice: 'Take the delay away and let the range begin later.',
    },
  ];
};

const missingFill: Finder = ({ won }) => {
  if (!isScrubbed(won)) return [];
  const winner = won.get('animation-fill-mode');
  const fills = splitTop(winner?.value ?? 'none');
  const timelines = splitTop(text(won, 'animation-timeline'));
  if (!timelines.some((t, i) => t !== 'auto' && fills[i % fills.length] === 'none')) return [];
  const { declaration } = winner ?? present(won.get('animation-name'));
  return [
    {
      kind: 'missing-fill',
      declaration,
      what: 'It has no fill before and after its range',
      why: 'The element snaps to its own values where the range begins and ends.',
      advice: 'Add “both” to the animation.',
    },
  ];
};

const SCROLLS = /^(auto|scroll|hidden)$/i;

/** An ancestor that became a scroll container without scrolling catches the timeline, and sticky too. */
const scrollContainer: Finder = ({ won, element, cascade, env }) => {
  if (!/\bview\(/.test(text(won, 'animation-timeline'))) return [];
  for (let e = findParent(element); e && e.name !== 'body' && e.name !== 'html'; e = findParent(e)) {
    const own = cascade.declared(e, env, (p) => p.startsWith('overflow'));
    const caught = ['overflow-y', 'overflow-x']
      .map((p) => own.get(p))
      .find((w) => w && SCROLLS.test(w.value));
    if (!caught) continue;
    if (!/^hidden$/i.test(caught.value)) return [];
    return [
      {
        kind: 'scroll-container',
        declaration: caught.declaration,
        what: '“overflow: hidden” makes this a scroller, and the view progress is measured in it instead of in the page',
        why: 'It never scrolls, so motions inside do not play; sticky elements inside stop sticking.',
        advice: 'Write overflow: clip, which cuts off as well and is no scroller.',
      },
    ];
  }
  return [];
};

const FINDERS: readonly Finder[] = [shorthandOrder, zeroDuration, delay, missingFill, scrollContainer];

export const listMistakes = (context: Parameters<Finder>[0]): Mistake[] =>
  FINDERS.flatMap((find) => find(context)).map(({ declaration: { place, node, sheet }, ...m }) => ({
    ...m,
    place,
    rule: findClaim(node, sheet, '{animation}').key,
    key: `${m.kind} ${place.path}:${place.line}:${place.column}`,
  }));

/** Which mistakes are read as they were meant, by key. */
export type Corrections = ReadonlySet<string> | 'all';

/** What would be declared without the mistakes. Those that the document can say by itself, such as a fill, are left to its checks. */
export function corrected(
  won: ReadonlyMap<string, Winner>,
  mistakes: readonly Mistake[],
  corrections: Corrections,
): Map<string, Winner> {
  const out = new Map(won);
  const put = (property: string, value: string) => {
    const winner = out.get(property);
    if (winner) out.set(property, { ...winner, value });
  };
  for (const { kind, key } of mistakes) {
    if (corrections !== 'all' && !corrections.has(key)) continue;
    if (kind === 'zero-duration') put('animation-duration', 'auto');
    if (kind === 'delay-on-scrub') put('animation-delay', '0s');
    if (kind !== 'shorthand-order') continue;
    for (const property of RESET_ONLY)
      for (let lost = won.get(property)?.over ?? null; lost; lost = lost.over)
        if (lost.declaration.property !== 'animation') {
          out.set(property, lost);
          break;
        }
    // Meant in time, its duration would be read as a share of the range.
    put('animation-duration', 'auto');
  }
  return out;
}
