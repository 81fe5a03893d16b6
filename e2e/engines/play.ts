/** A page and its motions, handed off and played by an engine, against what the page foretells as that engine lays it out. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  assemble,
  ENGINES,
  findWorst,
  itemAt,
  listDeviations,
  present,
  PROOF_LIMIT,
  showsTheSame,
  readDocument,
  withoutTaken,
} from '@lyvek/core';
import type {
  EngineName,
  FileAt,
  MotionProof,
  HandOffOptions,
  Layout,
  MotionDocument,
  Target,
} from '@lyvek/core';
import { handedOff } from '@lyvek/server/hand-off';
import { engineByName, filesInMemory, measureOpened, proveOn } from '@lyvek/server/lab';
import type { EngineProof, StartedEngine } from '@lyvek/server/lab';

import { FULL } from '../support/full.ts';
import { demoDocument, listDemoFiles } from '../support/demo.ts';

export const SIZE = { width: 1280, height: 800 };
export const inPage = (): string => readFileSync('dist/in-page.js', 'utf8');

export interface MovingPage {
  document: MotionDocument;
  files: { path: string; bytes: Uint8Array }[];
}
type Proof = Omit<EngineProof, 'engine'>;

const fileAtOf =
  ({ files }: MovingPage): FileAt =>
  (path) => {
    const bytes = files.find((f) => f.path === path)?.bytes;
    return bytes ? Buffer.from(bytes).toString('utf8') : null;
  };

/** The page without what its document has taken over. */
export function makeSource(page: MovingPage): Map<string, Uint8Array> {
  const fileAt = fileAtOf(page);
  const all = new Map(page.files.map((f) => [f.path, f.bytes]));
  for (const [path, { text }] of withoutTaken(
    'index.html',
    present(fileAt('index.html')),
    fileAt,
    page.document.importedRules,
  ))
    all.set(path, Buffer.from(text));
  return all;
}

/** As people get it: written from a layout that Chromium has measured. */
export function finish(page: MovingPage, layout: Layout, options: HandOffOptions): Map<string, Uint8Array> {
  const fileAt = fileAtOf(page);
  const html = present(fileAt('index.html'));
  const assembled = assemble(
    {
      document: page.document,
      layout,
      page: { name: 'page', entry: 'index.html', html, fileAt },
      title: 'Test',
    },
    options,
  );
  const files = page.files.map(({ path, bytes }) => ({ path, bytes: Buffer.from(bytes) }));
  return handedOff(files, 'index.html', assembled, (name) => readFileSync(join('dist', name)));
}

/** A demo page with its document. */
export function readDemo(folder: string): MovingPage {
  const read = readDocument(demoDocument(folder));
  if (!read.ok) throw new Error(JSON.stringify(itemAt(read.problems, 0)));
  return { document: read.document, files: listDemoFiles(folder) };
}

/** Layouts of pages in Chromium, which hand-offs are written from. */
export function layoutsInChromium(pages: readonly MovingPage[]): Promise<Layout[]> {
  return engineByName('chromium').use(async (started) => {
    const out: Layout[] = [];
    for (const page of pages) {
      const opened = await started.open(filesInMemory('index.html', makeSource(page)), { viewport: SIZE });
      const sizes = { next: () => null, onProgress: (l: Layout) => void out.push(l) };
      await measureOpened(opened, { inPage: inPage(), document: page.document }, sizes);
      await opened.close();
    }
    return out;
  });
}

export const proveHandOff = (
  started: StartedEngine,
  page: MovingPage,
  layout: Layout,
  { places = 40, target = 'css' }: { places?: number; target?: Target } = {},
): Promise<Proof> =>
  proveOn(started, {
    document: page.document,
    source: filesInMemory('index.html', makeSource(page)),
    finished: filesInMemory('index.html', finish(page, layout, { target, fallback: target === 'css' })),
    inPage: inPage(),
    places,
    viewport: SIZE,
    hasFallback: target === 'css',
  });

/** WebKit works easings out less closely: by a 200th of their way. */
const LIMIT: Record<EngineName, number> = {
  chromium: PROOF_LIMIT,
  firefox: PROOF_LIMIT,
  webkit: 1.2 * PROOF_LIMIT,
};
const BROWSERS: Record<EngineName, string> = { chromium: 'Chrome', firefox: 'Firefox', webkit: 'Safari' };

/** What WebKit writes otherwise than it draws: a rotation about an axis that points back as one about the axis, a blur below nothing. */
function isOnlyWritten(engine: EngineName, { property, shown, predicted }: MotionProof): boolean {
  if (engine !== 'webkit') return false;
  if (property === 'filter') return showsTheSame(shown.replace(/blur\(-[\d.]+px\)/g, 'blur(0px)'), predicted);
  const [, axis = 'z', angle] = /^(?:([xy]) )?(-?[\d.]+)deg$/.exec(shown) ?? [];
  const back = { x: '-1 0 0', y: '0 -1 0', z: '0 0 -1' }[axis];
  if (property !== 'rotate' || angle === undefined || !back || !predicted.startsWith(`${back} `))
    return false;
  return Math.abs(parseFloat(predicted.slice(back.length)) - parseFloat(angle)) < 0.01;
}

/** Sentences about what differs, by motion, and is not known to. */
export function listDifferences(engine: EngineName, page: MovingPage, { motions }: Proof): string[] {
  const { document } = page;
  const known = listDeviations(document, present(fileAtOf(page)('index.html'))).filter(
    (d) => d.browser === BROWSERS[engine],
  );
  const find = (id: string | null) => document.motions.find((m) => m.id === id);
  const name = (id: string) => find(id)?.name ?? id;
  // What is known of one motion shows in others of the same elements.
  const isKnown = (id: string) =>
    known.some((d) => d.motion === null || find(d.motion)?.targets.selector === find(id)?.targets.selector);
  return motions
    .filter((m) => findWorst(m) > LIMIT[engine] && !isOnlyWritten(engine, m) && !isKnown(m.motion))
    .map(
      (m) =>
        `${name(m.motion)} by ${findWorst(m).toFixed(2)} at ${m.at}: ${m.property} is ${m.shown}, predicted ${m.predicted}`,
    );
}

/** Chromium has closer tests of its own. */
export const besides = (engine: EngineName): { tag?: string } => (engine === 'chromium' ? FULL : {});

/** The engines with what is missing of each. */
export const ALL_ENGINES: readonly (readonly [EngineName, string | null])[] = ENGINES.map(
  (name) => [name, engineByName(name).missing()] as const,
);
