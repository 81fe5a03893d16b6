/** What a developer does with a hand-off: which lines go into which file, and what scripts and rules of the page can use of it. */
import postcss from 'postcss';
import { makePatch, OWN_FILES, startLines } from '../format/index.ts';
import type { Plan } from '../format/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import type { Assembled } from './assemble.ts';

/** One file, and what becomes of it. Paths are from the folder of the page’s HTML. */
export type Step =
  | { kind: 'new'; files: string[] }
  | { kind: 'head'; file: string; lines: string[] }
  /** what a script of the page imports, and how it starts that */
  | { kind: 'start'; lines: string[] }
  /** wrappers around pinned stages */
  | { kind: 'wrap'; file: string; stages: { selector: string; className: string }[] }
  | { kind: 'attributes'; file: string; elements: { selector: string; name: string; value: string }[] }
  /** attributes by which rules go on finding what a track has moved or another element resembles */
  | { kind: 'marks'; file: string; marks: string[] }
  /** what was imported from the page and is written anew */
  | { kind: 'remove'; file: string; lines: number };

/** The steps in the order in which they are taken. `entry`: path of the page’s HTML. */
export function listSteps(assembled: Assembled, document: MotionDocument, entry: string): Step[] {
  const { sheet, script, runtimes, packaged, html, pageFiles } = assembled;
  const { wraps, attributes } = makePatch(document, [], document.prefix);
  const steps: Step[] = [
    {
      kind: 'new',
      files: [sheet.href, ...(script ? [script.href] : []), ...runtimes.map((r) => OWN_FILES[r])],
    },
    { kind: 'head', file: entry, lines: html.lines },
    { kind: 'start', lines: script && packaged ? startLines(script.href) : [] },
    {
      kind: 'wrap',
      file: entry,
      stages: wraps.map(({ selector, className }) => ({ selector, className })),
    },
    { kind: 'attributes', file: entry, elements: attributes },
    {
      kind: 'marks',
      file: entry,
      marks: [...new Set(html.changes.flatMap((c) => c.text.match(/data-lv="[^"]*"/g) ?? []))],
    },
    { kind: 'remove', file: entry, lines: html.removed.length },
    ...pageFiles.map(({ path, removed }): Step => ({ kind: 'remove', file: path, lines: removed.length })),
  ];
  return steps.filter((s) => {
    if (s.kind === 'remove') return s.lines > 0;
    return listParts(s).length > 0;
  });
}

function listParts(step: Exclude<Step, { kind: 'remove' }>): readonly unknown[] {
  switch (step.kind) {
    case 'new':
      return step.files;
    case 'head':
    case 'start':
      return step.lines;
    case 'wrap':
      return step.stages;
    case 'attributes':
      return step.elements;
    case 'marks':
      return step.marks;
  }
}

/** An event that the page’s scripts can listen for on an element, or send to it. */
export interface PageEvent {
  kind: 'listen' | 'send';
  name: string;
  selector: string;
  motion: string;
  /** for `listen`: the event’s `detail.name`, or `detail.threshold` */
  detail?: string;
}

export const listEvents = (plan: Plan): PageEvent[] => [
  ...plan.signals.map(({ motion, selector, property }): PageEvent => ({
    kind: 'listen',
    name: 'signal',
    selector,
    motion,
    detail: property.replace(/^--/, ''),
  })),
  ...plan.signals.flatMap(({ motion, selector, thresholds = [] }) =>
    thresholds.map(({ name }): PageEvent => ({
      kind: 'listen',
      name: 'threshold',
      selector,
      motion,
      detail: name,
    })),
  ),
  ...plan.marquees.flatMap(({ motion, selector }) =>
    ['marquee-rest', 'marquee-run'].map((name): PageEvent => ({ kind: 'send', name, selector, motion })),
  ),
];

/** Positions of the page that links lead to: cues with a link. */
export const listAnchors = ({ cues }: MotionDocument): { name: string; href: string }[] =>
  cues.flatMap(({ name, link }) => (link ? [{ name, href: `#${link}` }] : []));

/** A custom property at the head of a rule, which a rule of the page’s own may set otherwise. */
export interface TuningProperty {
  name: string;
  value: string;
  selector: string;
}

/** Those of one motion that its rules or keyframes read, each once. */
export function listTuning(lines: Assembled['lines'], motion: string): TuningProperty[] {
  const found = new Map<string, TuningProperty>();
  for (const { piece } of lines)
    if (piece.motions.includes(motion))
      postcss.parse(piece.rules).walkDecls(/^--lv-/, ({ prop, value, parent }) => {
        if (
          !found.has(prop) &&
          parent?.type === 'rule' &&
          (piece.rules + piece.keyframes).includes(`var(${prop}`)
        )
          found.set(prop, { name: prop, value, selector: (parent as postcss.Rule).selector });
      });
  return [...found.values()];
}
