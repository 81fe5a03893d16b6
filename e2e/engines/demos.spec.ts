/** The demo pages, in every engine that is installed. */
import { expect, test } from '@playwright/test';
import { findWorst, lookedWords } from '@lyvek/core';
import { engineByName } from '@lyvek/server/lab';
import { FULL } from '../support/full.ts';
import { ALL_ENGINES, layoutsInChromium, listDifferences, proveHandOff, readDemo } from './play.ts';

for (const folder of ['night', 'hessle', 'almanac'])
  for (const [name, missing] of ALL_ENGINES)
    test(
      `${folder} is played by ${name} as it is foretold there`,
      folder === 'night' ? {} : FULL,
      async () => {
        test.skip(missing !== null, `because ${missing}`);
        test.setTimeout(300_000);
        const page = readDemo(folder);
        const [layout] = await layoutsInChromium([page]);
        const proof = await engineByName(name).use((started) => proveHandOff(started, page, layout!));
        const worst = Math.max(...proof.motions.map(findWorst)).toFixed(2);
        console.log(`${folder} in ${proof.version}: ${lookedWords(proof)} Worst ${worst}.`);
        expect(proof.values).toBeGreaterThan(0);
        expect(listDifferences(name, page, proof)).toEqual([]);
        // What is not looked at in one engine and is in another would be a hole.
        expect(proof.skipped.map((s) => s.reason).filter((r) => /not found|nothing of it/.test(r))).toEqual(
          [],
        );
      },
    );

for (const [name, missing] of ALL_ENGINES)
  test(`night as Web Animations is played by ${name} as it is foretold there`, FULL, async () => {
    test.skip(missing !== null, `because ${missing}`);
    test.setTimeout(300_000);
    const page = readDemo('night');
    const [layout] = await layoutsInChromium([page]);
    const proof = await engineByName(name).use((started) =>
      proveHandOff(started, page, layout!, { target: 'web-animations' }),
    );
    console.log(`night as Web Animations in ${proof.version}: ${lookedWords(proof)}`);
    expect(listDifferences(name, page, proof)).toEqual([]);
    // Without scroll timelines it is static, and says so.
    if (name !== 'firefox') expect(proof.values).toBeGreaterThan(0);
  });
