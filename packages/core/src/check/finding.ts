/** What a check is and what it finds. */
import { itemAt } from '../assert/index.ts';
import type { FrameClock, Gesture } from '../gesture/index.ts';
import { addRead, edit, without } from '../edit/index.ts';
import type { Operation } from '../edit/index.ts';
import type {
  Trigger,
  Instance,
  Correction,
  Motion,
  MotionDocument,
  Pin,
  CompiledTimeline,
} from '../motion/index.ts';
import type { Layout, Px } from '../page/index.ts';
import type { MotionFigures, Simulated } from '../trial/index.ts';
import type { Limits } from './limits.ts';

export const SEVERITIES = ['error', 'warning', 'info'] as const;
export type Severity = (typeof SEVERITIES)[number];

export interface CheckContext {
  document: MotionDocument;
  timeline: CompiledTimeline;
  gesture: Gesture;
  clock: FrameClock;
  limits: Limits;
  /** a simulated trial of this very document; without one smoothness, feel and budget say nothing */
  trial?: Simulated | null;
  /** what is wrong in the page’s own files */
  mistakes?: readonly MistakeInPage[];
}

/** A mistake in the page’s own files; its kind is the id of the check that tells of it. */
export interface MistakeInPage {
  kind: string;
  /** key of the rule that is taken out of the page once it is read */
  rule: string;
  place: { path: string; line: number; column: number };
  what: string;
  why: string;
  advice: string;
  /** null: only the page’s author can mend it */
  correction: Correction | null;
}

/** A change of the document, as data: it is previewed, applied and undone, and it crosses from a worker. */
export interface Fix {
  label: string;
  /** these stand where those of the same id stood; everything else stays */
  motions?: Motion[];
  pins?: Pin[];
  triggers?: Trigger[];
  /** ids that go */
  drop?: string[];
  /** motions that come after all others: of several that set a property the last one counts */
  last?: string[];
  /** what is read from the page instead of what was */
  correction?: Correction;
  /** declarations that elements of the page need besides */
  adjust?: { selector: string; declarations: Record<string, string>; for?: string[] }[];
}

/** The fix of a finding as an edit of what is seen. */
export const applyFix = (fix: Fix): Operation => edit(fix.label.toLowerCase(), (d) => withFix(d, fix));

/** The document with a fix. */
export function withFix(whole: MotionDocument, fix: Fix): MotionDocument {
  const { drop = [] } = fix;
  const document = drop.length ? without(drop)(whole) : whole;
  const put = <T extends { id: string }>(list: T[], changed: readonly T[] = []): T[] => {
    const byId = new Map(changed.map((x) => [x.id, x]));
    return list.map((x) => byId.get(x.id) ?? x);
  };
  const ids = new Set(document.adjustments.map((a) => a.id));
  const made = (fix.adjust ?? []).map(({ selector, declarations, for: whom = [] }) => {
    let n = 1;
    while (ids.has(`a_fix-${n}`)) n++;
    ids.add(`a_fix-${n}`);
    return { id: `a_fix-${n}`, selector, declarations, for: whom };
  });
  const corrected = {
    ...document,
    motions: lastly(put(document.motions, fix.motions), fix.last),
    pins: put(document.pins, fix.pins),
    triggers: put(document.triggers, fix.triggers),
    adjustments: [...document.adjustments.filter((a) => !drop.includes(a.id)), ...made],
  };
  return fix.correction ? addRead(corrected, fix.correction) : corrected;
}

const lastly = (motions: Motion[], ids: readonly string[] = []): Motion[] => [
  ...motions.filter((m) => !ids.includes(m.id)),
  ...motions.filter((m) => ids.includes(m.id)),
];

/** What a check says of one place. */
export interface Found {
  severity: Severity;
  /** scroll offset where it shows */
  at: Px;
  /** two or three words for a lane label */
  brief: string;
  sentence: string;
  /** where in the page’s files it stands, if it does */
  place?: MistakeInPage['place'];
  /** null where only the page’s author can mend it */
  fix: Fix | null;
}

export interface Finding extends Found {
  check: string;
  /** id of the motion, pin or trigger that it is about; empty: the page */
  about: string;
  /** −1 for none */
  element: number;
}

export const CHECK_GROUPS = {
  reach: 'Reach',
  conflict: 'Conflict',
  structure: 'Structure',
  smoothness: 'Smoothness',
  damping: 'Damping',
  budget: 'Budget',
  care: 'Care',
} as const;

export interface CheckDefinition {
  id: string;
  name: string;
  group: keyof typeof CHECK_GROUPS;
  /** why a reader of the page cares */
  why: string;
  /** checks that would only tell the same cause of the same motion once more */
  covers?: readonly string[];
  /** looks at one placed motion on one element; `figures` are those of the trial, if there was one */
  checkMotion?(instance: Instance, context: CheckContext, figures: MotionFigures | null): Found | null;
  /** looks at the whole: pins, triggers, what plays in time, the page */
  checkDocument?(context: CheckContext): (Found & { about: string; element?: number })[];
}

export const pxText = (px: Px): string => `${english.format(Math.round(px))} px`;
const english = new Intl.NumberFormat('en');

/** The nearest place that the page can be scrolled to. */
export const placeOnPage = (y: Px, layout: Layout): Px =>
  Math.max(0, Math.min(itemAt(layout.scrollers, 0).max.block, y));

/** One of several in a scroller of the page: the first and the last of a strip never come from outside of it. */
export const isSlide = ({ motion, placed }: Instance, timeline: CompiledTimeline): boolean =>
  placed.scroller !== 0 &&
  timeline.instances.filter((i) => i.motion === motion && i.placed.scroller === placed.scroller).length > 1;

export const maxScrollFor = (instance: Instance, timeline: CompiledTimeline): Px =>
  itemAt(timeline.layout.scrollers, instance.placed.scroller).max[instance.placed.axis];
