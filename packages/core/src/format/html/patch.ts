/** What pins and adjustments need in the HTML. One list, applied by the probe to the live page and by `patchHtml` to its source. */
import { itemAt, present } from '../../assert/index.ts';
import type { Cue, MotionDocument, Pin, Split } from '../../motion/index.ts';
import { collectSelectors } from '../../motion/index.ts';
import { splitHost, splitPart } from '../../page/index.ts';
import type { Layout } from '../../page/index.ts';
import { splitPseudo } from '../selectors/marks.ts';
import { DEFAULT_PREFIX, cssNames, withPrefix } from '../selectors/names.ts';

export interface HtmlPatch {
  /** an element gets a wrapper with this class, and in it, before the element, places that links lead to */
  wraps: { id: string; selector: string; className: string; anchors: { id: string; className: string }[] }[];
  attributes: { selector: string; name: string; value: string }[];
  /** texts that the script takes apart, for the live page: in its source they stay whole */
  splits: ({ selector: string } & Split)[];
  /** selectors that must go on meaning what they mean in the page as it was brought */
  selectors: string[];
  /** selectors of the page’s own rules whose elements are marked where they are missed, and where they are hit by accident */
  missed: string[];
  gained: string[];
}

/** Classes of the tracks around the stages of pins, by pin. */
export const trackClasses = (
  { pins }: Pick<MotionDocument, 'pins'>,
  prefix?: string,
): ReadonlyMap<string, string> => cssNames(pins, { prefix: withPrefix(prefix ?? DEFAULT_PREFIX, 'hold') });

/** A cue that links can lead to has an element of its own in the track: there is nothing else at its place. */
export const linkedCues = (document: Pick<MotionDocument, 'cues'>, pin: Pin): (Cue & { link: string })[] =>
  pin.sticky.by === 'top'
    ? document.cues.filter((c): c is Cue & { link: string } => c.pin === pin.id && c.link !== undefined)
    : [];
export const anchorClass = (link: string, prefix = DEFAULT_PREFIX): string =>
  withPrefix(prefix, `cue-${link}`);

/** `kept`: rules of the page that have to go on holding, from the layout; the live page finds them by itself. `prefix`: of the hand-off’s names. */
export function makePatch(document: MotionDocument, kept: Layout['kept'] = [], prefix?: string): HtmlPatch {
  const classes = trackClasses(document, prefix);
  const wraps = document.pins
    .filter((p) => p.on || p.conditions?.some((c) => c.on))
    .map((p) => ({
      id: p.id,
      selector: p.stage,
      className: present(classes.get(p.id)),
      anchors: linkedCues(document, p).map((c) => ({ id: c.link, className: anchorClass(c.link, prefix) })),
    }));
  return {
    wraps,
    attributes: document.adjustments.flatMap((a) =>
      Object.entries(a.attributes ?? {}).map(([name, value]) => ({ selector: a.selector, name, value })),
    ),
    splits: document.adjustments.flatMap(({ selector, split, for: owners }) =>
      split && document.motions.some((m) => m.on && owners.includes(m.id)) ? [{ selector, ...split }] : [],
    ),
    // Without a wrapper every selector goes on meaning what it meant.
    selectors: wraps.length
      ? [...new Set(collectSelectors(document).map((s) => splitHost(itemAt(splitPart(s), 0))))]
      : [],
    missed: listHosts(kept.flatMap(({ kind = 'missed', selector }) => (kind === 'missed' ? selector : []))),
    gained: listHosts(kept.flatMap(({ kind, of = '' }) => (kind === 'gained' ? of : []))),
  };
}

const listHosts = (selectors: readonly string[]): string[] => [
  ...new Set(selectors.map((s) => itemAt(splitPseudo(s), 0))),
];
