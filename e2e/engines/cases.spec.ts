/** Random motions on a page of awkward CSS, handed off and played by every engine that is installed. */
import { expect, test } from '@playwright/test';
import { findWorst, itemAt, readDocument } from '@lyvek/core';
import { engineByName } from '@lyvek/server/lab';
import { makeCases } from '../oracle/cases.ts';
import { makePage } from '../oracle/page.ts';
import { isAll } from '../support/full.ts';
import { ALL_ENGINES, besides, layoutsInChromium, listDifferences, proveHandOff } from './play.ts';
import type { MovingPage } from './play.ts';

const SEED = Number(process.env.LYVEK_ORACLE_SEED ?? 4870);
const PER_PAGE = 30;
/** Chromium has an oracle of its own, which looks closer. */
const COUNT = { chromium: isAll ? 300 : 60, firefox: isAll ? 1020 : 60, webkit: isAll ? 1020 : 60 };

function makeMovingPage(seed: number): MovingPage {
  const cases = makeCases(seed, PER_PAGE);
  const read = readDocument({
    format: 'lyvek-document',
    version: 2,
    motions: cases.flatMap((c) => (c.second ? [c.motion, c.second] : [c.motion])),
    pins: cases.flatMap((c) => c.pin ?? []),
  });
  if (!read.ok) throw new Error(JSON.stringify(itemAt(read.problems, 0)));
  return {
    document: read.document,
    files: [{ path: 'index.html', bytes: Buffer.from(makePage(cases, '')) }],
  };
}

for (const [engine, missing] of ALL_ENGINES)
  test(`${engine} plays random motions as they are foretold there`, besides(engine), async () => {
    test.skip(missing !== null, `because ${missing}`);
    test.setTimeout(1_800_000);
    const pages = Array.from({ length: COUNT[engine] / PER_PAGE }, (_, i) => makeMovingPage(SEED + i));
    const layouts = await layoutsInChromium(pages);
    let [values, worst] = [0, 0];
    const wrong: string[] = [];
    const skipped = new Map<string, number>();
    await engineByName(engine).use(async (started) => {
      for (const [i, page] of pages.entries()) {
        const proof = await proveHandOff(started, page, itemAt(layouts, i), { places: 24 });
        values += proof.values;
        worst = Math.max(worst, ...proof.motions.map(findWorst));
        for (const s of proof.skipped) skipped.set(s.reason, (skipped.get(s.reason) ?? 0) + 1);
        wrong.push(...listDifferences(engine, page, proof).map((text) => `seed ${SEED + i}: ${text}`));
      }
    });
    console.log(
      `${engine}: ${COUNT[engine]} cases, ${values} values, worst ${worst.toFixed(2)}; not looked at: ${JSON.stringify([...skipped])}`,
    );
    expect(values).toBeGreaterThan(0);
    expect(wrong).toEqual([]);
  });
