/** A hand-off as texts: what the workbench shows, the zip holds, and the command line writes. */
import {
  handOffCss,
  headLines,
  hasSheetsInBody,
  insertLastInHead,
  isEmptyPlan,
  listParts,
  fallbackPlan,
  patchHtml,
  makePatch,
  packageScript,
  scriptText,
  stylesheetPath,
} from '../format/index.ts';
import type { HandOff, WriterNote, Plan } from '../format/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import { withPins } from '../page/index.ts';
import type { Layout } from '../page/index.ts';
import { withoutTaken } from '../css-import/index.ts';
import type { FileAt, TakenOut } from '../css-import/index.ts';
import { apiScript, isForApi } from './api-script.ts';
import { listDeviations } from './deviations.ts';
import type { Deviation } from './deviations.ts';
import { howPlayed } from './how.ts';
import { canFallBack } from './options.ts';
import type { HandOffOptions, OwnScript, Target } from './options.ts';
import type { How } from './how.ts';

export interface HandOffPage {
  name: string;
  /** path of the HTML among the page’s files */
  entry: string;
  html: string;
  fileAt: FileAt;
}

export interface Assembled extends HandOff {
  sheet: { path: string; href: string };
  /** null where none is needed */
  script: { path: string; href: string; text: string } | null;
  /** files of ours that the script starts, beside it */
  runtimes: OwnScript[];
  /** the script is imported by a script of the page’s, which starts it */
  packaged: boolean;
  html: {
    text: string;
    /** the page without what was read into motions, before anything is added */
    bare: string;
    /** lines of the page as it was brought in which something went */
    removed: number[];
    changes: { text: string; line: number }[];
    notes: string[];
    line: number;
    lines: string[];
    /** the page has style sheets in its body, which come after what is linked in its head */
    hasSheetsInBody: boolean;
  };
  /** other files of the page that lose what was read from them */
  pageFiles: { path: string; before: string; after: string; removed: number[] }[];
  how: How[];
  /** motions that are not there, or not as they were, under this target, and why */
  lost: WriterNote[];
  fallback: { count: number; notes: WriterNote[] } | null;
  /** what browsers are known to play otherwise */
  deviations: Deviation[];
}

/** A name whose style sheet is not there yet, or has nothing left in it: an earlier one may hold what could not be read. */
function freeName(page: HandOffPage, taken: ReadonlyMap<string, TakenOut>): string {
  for (let i = 1; ; i++) {
    const name = i === 1 ? page.name : `${page.name} ${i}`;
    const { path } = stylesheetPath(page.entry, name);
    const text = taken.get(path)?.text ?? page.fileAt(path) ?? '';
    if (text.replace(/\/\*[\s\S]*?\*\//g, '').trim() === '') return name;
  }
}

/** What is handed off. */
export interface HandOffSource {
  document: MotionDocument;
  layout: Layout;
  /** the page at other sizes */
  others?: readonly Layout[];
  page: HandOffPage;
  title: string;
}

/** `others`: layouts of the same page at further sizes. `title` becomes the opening comment of what is written. */
export function assemble(
  { document, layout, others = [], page, title }: HandOffSource,
  { target, fallback: wanted }: HandOffOptions,
): Assembled {
  const fallback = wanted && canFallBack(target);
  const out = handOffCss(document, layout, title, others, {
    fallback,
    isApart: target === 'web-animations' ? isForApi : undefined,
  });
  const data = fallback ? fallbackPlan(document, withPins(layout, document.pins)) : null;
  const taken = withoutTaken(page.entry, page.html, page.fileAt, document.importedRules);
  const how = howPlayed(document, out.plan);
  const module = {
    standards: () => null,
    'web-animations': () => apiScript(document, layout, others, out.plan, title),
    package: () => packageScript(out.plan, { title, fallback: data?.plan ?? null }),
    css: () => scriptText(out.plan, title, data?.plan ?? null),
  } satisfies Record<Target, () => string | null>;
  const script = module[target]();
  const name = freeName(page, taken);
  const sheet = stylesheetPath(page.entry, name);
  const modulePath = stylesheetPath(page.entry, name, 'js');
  const bare = taken.get(page.entry)?.text ?? page.html;
  const removed = taken.get(page.entry)?.lines ?? [];
  const patched = patchHtml(bare, makePatch(document, layout.kept, document.prefix));
  const lines = headLines(
    sheet.href,
    script === null || target === 'package' ? null : modulePath.href,
  ).filter(
    // A page that was handed off before has its lines already.
    (line) => !bare.includes(line),
  );
  const linked = lines.length ? insertLastInHead(patched.html, ...lines) : { html: patched.html, line: 0 };
  taken.delete(page.entry);
  taken.delete(sheet.path);
  return {
    ...out,
    sheet,
    script: script === null ? null : { ...modulePath, text: script },
    runtimes: script === null || target === 'package' ? [] : ownScripts(out.plan, fallback),
    packaged: target === 'package' && script !== null,
    html: {
      text: linked.html,
      bare,
      removed,
      changes: patched.changes,
      notes: patched.notes,
      line: linked.line,
      lines,
      hasSheetsInBody: hasSheetsInBody(page.html),
    },
    pageFiles: [...taken].map(([path, { before, text, lines: gone }]) => ({
      path,
      before,
      after: text,
      removed: gone,
    })),
    how,
    lost:
      target === 'standards'
        ? how.flatMap((h) => (h.without === null ? [] : [{ motion: h.motion, note: h.without }]))
        : [],
    fallback: data && { count: data.plan.motions.length, notes: data.notes },
    deviations: listDeviations(document, page.html),
  };
}

function ownScripts(plan: Plan, hasFallback: boolean): OwnScript[] {
  if (isEmptyPlan(plan) && !hasFallback) return [];
  return ['runtime', ...listParts(plan), ...(hasFallback ? (['fallback'] as const) : [])];
}
