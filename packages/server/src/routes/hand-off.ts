/** The hand-off as files: the page with its style sheet linked, and everything else as it was brought. */
import { Router } from 'express';
import type pg from 'pg';
import { zipSync } from 'fflate';
import { ENGINES, OWN_SCRIPTS, provable, slug } from '@lyvek/core';
import { found, notFound, Problem } from '../http/problem.ts';
import type { EngineName } from '@lyvek/core';
import { routes } from '@lyvek/api';
import { handle } from '../http/handle.ts';
import { listFiles, pageById } from '../store/pages.ts';
import { filesWithoutTaken, handOffPage, handedOff } from '../hand-off/files.ts';
import { handOffTake } from '../hand-off/make.ts';
import type { MadeHandOff } from '../hand-off/make.ts';
import {
  LabBusy,
  engineByName,
  failureSentence,
  filesInMemory,
  isLate,
  proveHere,
  proveIn,
  within,
} from '../lab/index.ts';
import type { LabTurn } from '../lab/index.ts';
import type { Proofs } from '../preview/proofs.ts';

const SCRIPTS = new Set<string>(OWN_SCRIPTS);

/** Places that are looked at, down and up. */
const PLACES = 120;
/** ms */
const LONGEST_PROOF = 120_000;

/** Chromium plays it in the layout that it was measured in; other browsers lay the page out anew. */
async function proveMade(
  { document, page, files, assembled, layout }: MadeHandOff,
  engine: EngineName,
  built: (file: string) => Buffer,
  signal: AbortSignal,
) {
  const finished = filesInMemory(page.entry, handedOff(files, page.entry, assembled, built));
  const how = { document, finished, inPage: built('in-page.js').toString('utf8'), places: PLACES };
  if (engine === 'chromium') return proveHere({ ...how, layout }, undefined, signal);
  const source = filesInMemory(page.entry, filesWithoutTaken(page, files, document.importedRules));
  const hasFallback = assembled.fallback !== null;
  return proveIn(engine, { ...how, source, viewport: layout.viewport, hasFallback }, { signal });
}

/** `built` reads one of the built scripts. */
export function handOffRoutes(
  pool: pg.Pool,
  built: (file: string) => Buffer,
  proofs: Proofs,
  turn: LabTurn,
): Router {
  const router = Router();
  handle(router, routes.handOff, async ({ id, ...query }, { res }) => {
    const { page, files, assembled } = await handOffTake(pool, id, query);
    const entries = Object.fromEntries(handedOff(files, page.entry, assembled, built));
    res.setHeader('Content-Disposition', `attachment; filename="${slug(page.name)}.zip"`);
    res.type('application/zip').send(Buffer.from(zipSync(entries, { level: 6 })));
  });
  /** Keeps the finished hand-off for a few minutes, for a browser that proves it. */
  handle(router, routes.startProof, async ({ id, ...query }) => {
    const { page, files, assembled } = await handOffTake(pool, id, provable(query));
    const token = proofs.put({
      entry: page.entry,
      files: handedOff(files, page.entry, assembled, built),
      outside: page.outside,
    });
    return { token };
  });

  handle(router, routes.labEngines, () =>
    Promise.resolve(
      ENGINES.map((name) => {
        const { label, missing } = engineByName(name);
        return { name, label, missing: missing() };
      }),
    ),
  );

  /** Proves the hand-off in a browser on this machine. Ends when the asker goes away. */
  handle(router, routes.labProof, async ({ id, engine, ...query }, { res }) => {
    const made = await handOffTake(pool, id, provable(query));
    const { label, missing } = engineByName(engine);
    const why = missing();
    if (why !== null) throw new Problem(501, `No ${label} here`, why);
    const gone = new AbortController();
    res.on('close', () => gone.abort());
    const prove = () =>
      within(LONGEST_PROOF, gone.signal, (signal) => proveMade(made, engine, built, signal));
    return turn.run(prove, gone.signal).catch((error: unknown) => {
      if (gone.signal.aborted) throw new Problem(499, 'Given up', 'It was given up.');
      if (error instanceof LabBusy) throw new Problem(429, 'Busy', error.message);
      const late = isLate(error);
      throw new Problem(
        504,
        'Not proved',
        late
          ? `${label} did not get to the end of it within ${LONGEST_PROOF / 1000} s.`
          : failureSentence(error),
      );
    });
  });

  handle(router, routes.script, ({ name }, { res }) => {
    if (!SCRIPTS.has(name)) throw notFound('script');
    res.type('text/javascript; charset=utf-8').send(built(`${name}.js`));
  });
  /** The page's HTML and style sheets as they were brought, for writing the change beside them. */
  handle(router, routes.texts, async ({ id }) => {
    const page = found(await pageById(pool, id), 'page');
    const files = await listFiles(pool, page.id);
    const { html, fileAt } = handOffPage(page, files);
    const sheets = files.filter((f) => /\.css$/i.test(f.path));
    return { html, sheets: Object.fromEntries(sheets.map((f) => [f.path, fileAt(f.path) ?? ''])) };
  });
  return router;
}
