/** Pages that move by their own CSS: read, written again, and played by every engine that is installed. */
import { expect, test } from '@playwright/test';
import { findWorst, itemAt } from '@lyvek/core';
import { engineByName } from '@lyvek/server/lab';
import { listFiles, movingPages, read } from '../css-import/pages.ts';
import { isAll } from '../support/full.ts';
import { ALL_ENGINES, besides, layoutsInChromium, listDifferences, proveHandOff } from './play.ts';
import type { MovingPage } from './play.ts';

/** Every so many of them in `npm test`. */
const EACH = isAll ? 1 : 8;

const PAGES = movingPages().flatMap((name, i): [string, MovingPage][] => {
  if (i % EACH !== 0) return [];
  const files = listFiles(name);
  const { document } = read(files);
  if (document.motions.length === 0) return [];
  return [
    [name, { document, files: [...files].map(([path, text]) => ({ path, bytes: Buffer.from(text) })) }],
  ];
});

for (const [engine, missing] of ALL_ENGINES)
  test(`${engine} plays what was read from pages and written again`, besides(engine), async () => {
    test.skip(missing !== null, `because ${missing}`);
    test.setTimeout(600_000);
    const layouts = await layoutsInChromium(PAGES.map(([, page]) => page));
    let [values, worst] = [0, 0];
    const wrong: string[] = [];
    await engineByName(engine).use(async (started) => {
      for (const [i, [name, page]] of PAGES.entries()) {
        const proof = await proveHandOff(started, page, itemAt(layouts, i), { places: 30 });
        values += proof.values;
        worst = Math.max(worst, ...proof.motions.map(findWorst));
        wrong.push(...listDifferences(engine, page, proof).map((text) => `${name}: ${text}`));
      }
    });
    console.log(`${engine}: ${PAGES.length} pages, ${values} values, worst ${worst.toFixed(2)}`);
    expect(values).toBeGreaterThan(0);
    expect(wrong).toEqual([]);
  });
