/** The demo pages’ hand-offs, played by every engine that is installed, against what the page foretells as that engine lays it out. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import {
  assemble,
  findWorst,
  PLAIN_HAND_OFF,
  present,
  PROOF_LIMIT,
  readDocument,
  withoutTaken,
  lookedWords,
} from '@lyvek/core';
import type { HandOffOptions, Layout, MotionDocument } from '@lyvek/core';
import { handedOff } from '@lyvek/server/hand-off';
import {
  engineByName,
  ENGINES,
  filesInFolder,
  measurePage,
  proveIn,
  filesInMemory,
  withTexts,
} from '@lyvek/server/lab';
import type { EngineName } from '@lyvek/server/lab';

const SIZE = { width: 1280, height: 800 };
const DEMO = join(process.cwd(), 'demo');
const inPage = () => readFileSync('dist/in-page.js', 'utf8');

interface Demo {
  document: MotionDocument;
  files: { path: string; bytes: Buffer }[];
  fileAt(path: string): string | null;
}

function readDemo(folder: string): Demo {
  const root = join(DEMO, folder);
  const paths = readdirSync(root, { recursive: true, withFileTypes: true })
    .filter((f) => f.isFile() && !f.name.startsWith('lyvek.'))
    .map((f) => join(f.parentPath, f.name).slice(root.length + 1));
  const read = readDocument(JSON.parse(readFileSync(join(root, 'lyvek.document.json'), 'utf8')));
  if (!read.ok) throw new Error(JSON.stringify(read.problems[0]));
  const files = paths.map((path) => ({ path, bytes: readFileSync(join(root, path)) }));
  return {
    document: read.document,
    files,
    fileAt: (path) => files.find((f) => f.path === path)?.bytes.toString('utf8') ?? null,
  };
}

/** As people get it: written from a layout that Chromium has measured. */
function finish(
  { document, files, fileAt }: Demo,
  layout: Layout,
  options: HandOffOptions,
): Map<string, Uint8Array> {
  const html = present(fileAt('index.html'));
  const assembled = assemble(
    { document, layout, page: { name: 'page', entry: 'index.html', html, fileAt }, title: 'Test' },
    options,
  );
  return handedOff(files, 'index.html', assembled, (name) => readFileSync(join('dist', name)));
}

const layouts = new Map<string, Layout>();
async function measured(folder: string, demo: Demo): Promise<Layout> {
  const known = layouts.get(folder);
  if (known) return known;
  const layout = await measurePage(sourceOf(folder, demo), SIZE, inPage(), demo.document);
  layouts.set(folder, layout);
  return layout;
}
const sourceOf = (folder: string, { document, fileAt }: Demo) => {
  const bare = withoutTaken('index.html', present(fileAt('index.html')), fileAt, document.importedRules);
  const texts = [...bare].map(([path, { text }]) => [path, text] as const);
  return withTexts(filesInFolder(join(DEMO, folder), 'index.html'), new Map(texts));
};

async function prove(engine: EngineName, folder: string, options: HandOffOptions) {
  const demo = readDemo(folder);
  const layout = await measured(folder, demo);
  return proveIn(engine, {
    document: demo.document,
    source: sourceOf(folder, demo),
    finished: filesInMemory('index.html', finish(demo, layout, options)),
    inPage: inPage(),
    places: 40,
    viewport: SIZE,
  });
}

for (const folder of ['night', 'hessle', 'almanac'])
  for (const name of ENGINES) {
    const missing = engineByName(name).missing();
    test(`${folder} is played by ${name} as it is foretold there`, async () => {
      test.skip(missing !== null, `because ${missing}`);
      test.setTimeout(300_000);
      const proof = await prove(name, folder, { ...PLAIN_HAND_OFF, fallback: true });
      const off = proof.motions.filter((m) => findWorst(m) > PROOF_LIMIT);
      const motionName = (id: string) => readDemo(folder).document.motions.find((m) => m.id === id)?.name;
      console.log(
        `${folder} in ${proof.version}: ${lookedWords(proof)} ${off.length} of ${proof.motions.length} motions differ; worst ${Math.max(...proof.motions.map(findWorst)).toFixed(2)}`,
      );
      for (const m of off.slice(0, 12))
        console.log(
          `  ${motionName(m.motion)} ${findWorst(m).toFixed(2)} at ${m.at}: ${m.property} ${m.shown}, predicted ${m.predicted}`,
        );
      for (const s of proof.skipped) console.log(`  not looked at: ${motionName(s.motion)}: ${s.reason}`);
      expect(proof.values).toBeGreaterThan(0);
      expect(off.map((m) => motionName(m.motion))).toEqual([]);
    });
  }
