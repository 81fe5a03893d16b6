/** What a sweep reckons between measured sizes, held against the browser itself at those very sizes. */
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import {
  apartBy,
  DEFAULT_LIMITS,
  findGesture,
  clockById,
  LayoutField,
  readDocument,
  SWEEP_SIZES,
  sweeping,
  withPins,
  itemAt,
  present,
} from '@lyvek/core';
import type { Layout, Swept } from '@lyvek/core';
import { filesInFolder, measurePages } from '@lyvek/server/lab';

const inPage = () => readFileSync(new URL('../../dist/in-page.js', import.meta.url), 'utf8');
const demo = (name: string) => {
  const folder = new URL(`../../demo/${name}/`, import.meta.url);
  const read = readDocument(JSON.parse(readFileSync(new URL('lyvek.document.json', folder), 'utf8')));
  if (!read.ok) throw new Error('the document of the demo cannot be read');
  return { files: filesInFolder(folder.pathname, 'index.html'), document: read.document };
};
const finished = (work: Generator<unknown, Swept>): Swept => {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
};

// Where lines break anew at every width, as on the night, hardly any size can be told from others.
for (const name of ['hessle'])
  test(`${name}: at sizes that were reckoned the checks say what they say where the browser has measured`, async () => {
    const { files, document } = demo(name);
    const field = new LayoutField();
    await measurePages(
      { files, inPage: inPage(), document },
      () => field.next(),
      (l) => field.put(l),
    );
    const interpolated = SWEEP_SIZES.filter((s) => field.howAt(s.viewport)?.kind === 'between');
    expect(interpolated.length).toBeGreaterThan(5);
    // Every third, so that the test stays short.
    const tried = interpolated.filter((_, i) => i % 3 === 0).map((s) => s.viewport);
    const truth: Layout[] = [];
    await measurePages(
      { files, inPage: inPage(), document },
      () => tried[truth.length] ?? null,
      (l) => truth.push(l),
    );

    const ask = {
      document,
      limits: DEFAULT_LIMITS,
      gesture: findGesture('brisk-wheel', 800),
      clock: clockById('60'),
      reducedMotion: false,
    };
    const guessed = finished(sweeping({ ...ask, layouts: field.layouts }));
    const measured = finished(sweeping({ ...ask, layouts: [...field.layouts, ...truth] }));
    let worst = 0;
    let same = 0;
    let all = 0;
    for (const [i, { viewport }] of SWEEP_SIZES.entries()) {
      const own = truth.find(
        (l) => l.viewport.width === viewport.width && l.viewport.height === viewport.height,
      );
      if (!own) continue;
      worst = Math.max(
        worst,
        apartBy(withPins(present(field.layoutAt(viewport)).layout, []), withPins(own, [])),
      );
      const at = (s: Swept) =>
        itemAt(s.sizes, i).found.map(
          (k) => `${itemAt(s.found, k).finding.check} ${itemAt(s.found, k).finding.about}`,
        );
      const [a, b] = [new Set(at(guessed)), new Set(at(measured))];
      for (const key of new Set([...a, ...b])) {
        all++;
        same += Number(a.has(key) && b.has(key));
      }
    }
    console.log(
      `${name}: ${tried.length} of ${interpolated.length} reckoned sizes measured; worst ${worst.toFixed(1)} px, ${same} of ${all} findings the same`,
    );
    expect(worst).toBeLessThan(64);
    expect(same).toBeGreaterThanOrEqual(0.98 * all);
  });
