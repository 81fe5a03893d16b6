/** Marquees in every engine: with what plays the rest they go by themselves, and the strip stays as high as it was. */
import { expect, test } from '@playwright/test';
import { itemAt, readDocument } from '@lyvek/core';
import { makeDocument, motion } from '@lyvek/core/testing';
import { engineByName, filesInMemory } from '@lyvek/server/lab';
import { FULL } from '../support/full.ts';
import { ALL_ENGINES, finish, layoutsInChromium, SIZE } from './play.ts';
import type { MovingPage } from './play.ts';

const HTML = `<!doctype html><html lang="en"><head><title>Strip</title><style>body { margin: 0 } .gap { height: 300px } #strip { display: flex; gap: 24px; padding: 10px 0; overflow: clip } #strip b { flex: none; width: 180px; height: 60px; background: #cde }</style></head><body><div class="gap"></div><div id="strip">${'<b>Boats</b>'.repeat(7)}</div><div class="gap" style="height: 1500px"></div></body></html>`;

function makePage(): MovingPage {
  const strip = motion({
    name: 'Strip',
    targets: { selector: '#strip' },
    keyframes: {},
    driver: { kind: 'marquee', axis: 'inline', speed: 200, reverses: false, push: 0, pauses: true },
    reducedMotion: 'drop',
  });
  const read = readDocument(makeDocument(strip));
  if (!read.ok) throw new Error(itemAt(read.problems, 0).message);
  return { document: read.document, files: [{ path: 'index.html', bytes: Buffer.from(HTML) }] };
}

/** Height of the strip, and how far its first part has gone within a while. */
const WATCHED = `(async () => {
  const frames = (n) => new Promise((done) => { const next = (left) => (left === 0 ? done() : requestAnimationFrame(() => next(left - 1))); next(n); });
  await frames(60);
  const strip = document.querySelector('#strip');
  const left = () => strip.querySelector('b').getBoundingClientRect().left;
  const before = left();
  await frames(30);
  return { height: strip.getBoundingClientRect().height, moved: before - left(), right: Math.max(...[...strip.children].map((e) => e.getBoundingClientRect().right)) };
})()`;

for (const [name, missing] of ALL_ENGINES)
  test(`${name} plays a marquee, and lays it out as it was`, name === 'firefox' ? {} : FULL, async () => {
    test.skip(missing !== null, `because ${missing}`);
    const page = makePage();
    const layout = itemAt(await layoutsInChromium([page]), 0);
    await engineByName(name).use(async (started) => {
      for (const fallback of [true, false]) {
        const files = finish(page, layout, { target: 'css', fallback });
        const opened = await started.open(filesInMemory('index.html', files), { viewport: SIZE });
        const seen = (await opened.evaluate(WATCHED)) as { height: number; moved: number; right: number };
        await opened.close();
        expect([name, fallback, seen.height]).toEqual([name, fallback, 80]);
        // It needs no scroll timeline, so it plays with and without the fallback script.
        expect(Math.abs(seen.moved)).toBeGreaterThan(20);
        // No hole at its end.
        expect(seen.right).toBeGreaterThan(SIZE.width);
      }
    });
  });
