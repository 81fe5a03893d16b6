import type { Command } from 'commander';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ENGINES, PROOF_LIMIT, lookedWords, listProblems, findWorst, itemAt } from '@lyvek/core';
import type { EngineName, Layout, MotionDocument } from '@lyvek/core';
import { BadInput } from '../errors.ts';
import { HAND_OFF_FILE, HandOffFile } from '../hand-off-file.ts';
import { readJson, readPageAt, viewportFrom } from '../input.ts';
import type { InputPage } from '../input.ts';
import { put, putJson } from '../output.ts';
import { bareFiles, built, measured, readImport } from '../page.ts';

/** The document and layout that were exported, or what the page’s own CSS says. */
async function makePrediction(
  path: string,
  page: InputPage,
  viewport: string | undefined,
): Promise<{ document: MotionDocument; layout: Layout }> {
  const beside = join(path, HAND_OFF_FILE);
  if (existsSync(beside)) {
    const parsed = HandOffFile.safeParse(readJson(beside));
    if (!parsed.success) throw new BadInput(itemAt(listProblems(parsed.error), 0).message, beside);
    const { document, layout } = parsed.data;
    const size = viewport === undefined ? layout.viewport : viewportFrom(viewport);
    if (size.width === layout.viewport.width && size.height === layout.viewport.height)
      return { document, layout };
    throw new BadInput(
      `it was written from a layout at ${layout.viewport.width}x${layout.viewport.height}`,
      beside,
    );
  }
  const { document } = readImport(page);
  return { document, layout: await measured(page, viewportFrom(viewport ?? '1280x800'), document) };
}

interface Asked {
  viewport?: string;
  offsets: string;
  engine: string;
  source?: string;
  json?: boolean;
}

function placesFrom(offsets: string): number {
  const count = Number(offsets);
  if (!Number.isInteger(count) || count < 2 || count > 5000)
    throw new BadInput('--offsets is a number from 2 to 5000');
  return count;
}

const isEngine = (name: string): name is EngineName => (ENGINES as readonly string[]).includes(name);

/** In Chromium from the layout that it was written from; other browsers lay out the page that it was made from anew. */
async function look(page: InputPage, path: string, o: Asked) {
  const { document, layout } = await makePrediction(path, page, o.viewport);
  const { proveHere, proveIn } = await import('@lyvek/server/lab');
  const how = {
    document,
    finished: page.files,
    inPage: new TextDecoder().decode(built('in-page.js')),
    places: placesFrom(o.offsets),
  };
  if (!isEngine(o.engine)) throw new BadInput(`--engine is one of ${ENGINES.join(', ')}`);
  if (o.engine === 'chromium') return { document, result: await proveHere({ ...how, layout }) };
  if (o.source === undefined)
    throw new BadInput(
      'another browser lays the page out in its own way, so it is measured there without its motions: name the page that it was made from with --source',
    );
  const source = bareFiles(readPageAt(o.source), document);
  const hasFallback = page.list().some((file) => /(^|\/)motion-fallback\.js$/.test(file));
  const { layout: _, ...result } = await proveIn(o.engine, {
    ...how,
    source,
    viewport: layout.viewport,
    hasFallback,
  });
  return { document, result };
}

export const prove = (program: Command): void =>
  void program
    .command('prove')
    .description('scroll an exported page in a browser and compare it with the prediction')
    .argument('<folder>', 'what lyvek export wrote, or any page with scroll-driven CSS')
    .option('--viewport <size>', 'size to look at; else that of the export')
    .option('--offsets <n>', 'how many places to look at, down and up', '120')
    .option('--engine <name>', `${ENGINES.join(', ')}: which browser, where it is installed`, 'chromium')
    .option('--source <page>', 'for other browsers than Chromium: the page that the export was made from')
    .option('--json', 'print JSON')
    .addHelpText(
      'after',
      '\nExit status 1: a motion shows something else than predicted. 2: nothing could be looked at, or the input could not be read.\n\nExamples:\n  lyvek prove dist\n  lyvek prove dist --engine firefox --source site',
    )
    .action(async (path: string, o: Asked) => {
      const page = readPageAt(path);
      const { document, result } = await look(page, path, o);
      const name = (id: string) => document.motions.find((m) => m.id === id)?.name ?? id;
      const off = result.motions.filter((m) => findWorst(m) > PROOF_LIMIT);
      if (o.json) putJson(result);
      else
        put(
          [
            ...result.motions.map(
              (m) =>
                `${findWorst(m) > PROOF_LIMIT ? 'differs' : 'same   '}  ${findWorst(m).toFixed(3).padStart(8)}  ${name(m.motion)}${
                  findWorst(m) > PROOF_LIMIT
                    ? ` at ${m.at} px: ${m.property} is ${m.shown}, predicted ${m.predicted}`
                    : ''
                }`,
            ),
            ...result.skipped.map((s) => `not proved         ${name(s.motion)}: ${s.reason}`),
            lookedWords(result),
            ...(result.values === 0
              ? []
              : [
                  off.length === 0
                    ? `All as predicted, in ${result.version}.`
                    : `${off.length} motions differ, in ${result.version}.`,
                ]),
          ].join('\n'),
        );
      // A proof of nothing is none.
      if (result.values === 0) process.exitCode = 2;
      else if (off.length) process.exitCode = 1;
    });
