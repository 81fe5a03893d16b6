/** What the checks say of pages as they are handed to people: nothing that is an error. */
import { expect, test } from '@playwright/test';
import {
  CHECKS,
  compileTimeline,
  DEFAULT_LIMITS,
  emptyDocument,
  findFindings,
  findGesture,
  itemAt,
  makeClock,
  readDocument,
  shippedCoefficients,
  simulate,
  withPins,
} from '@lyvek/core';
import type { Finding, Layout, MotionDocument } from '@lyvek/core';
import { filesInFolder, filesInMemory, measurePages } from '@lyvek/server/lab';
import type { PageFiles } from '@lyvek/server/lab';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { makeSectionsPage, SECTIONS } from '../../packages/web/src/features/shelf/sections.ts';
import { FULL } from '../support/full.ts';

const inPage = () => readFileSync(new URL('../../dist/in-page.js', import.meta.url), 'utf8');

async function check(files: PageFiles, document: MotionDocument): Promise<Finding[]> {
  const layouts: Layout[] = [];
  const viewport = { width: 1280, height: 800 };
  await measurePages(
    { files, inPage: inPage(), document },
    () => (layouts.length === 0 ? viewport : null),
    (l) => void layouts.push(l),
  );
  const timeline = compileTimeline(document, withPins(itemAt(layouts, 0), document.pins));
  const gesture = findGesture('brisk-wheel', 800);
  const clock = makeClock(60);
  const coefficients = shippedCoefficients('here');
  const trial = simulate({ document, timeline, gesture, clock, direction: 'down', coefficients });
  return findFindings({ document, timeline, gesture, clock, limits: DEFAULT_LIMITS, trial, mistakes: [] });
}

async function checkDemo(demo: string): Promise<Finding[]> {
  const folder = join('demo', demo);
  const read = readDocument(JSON.parse(readFileSync(join(folder, 'lyvek.document.json'), 'utf8')));
  if (!read.ok) throw new Error(`the document of ${demo} cannot be read`);
  return check(filesInFolder(folder, 'index.html'), read.document);
}

for (const demo of ['night', 'almanac'])
  test(`${demo}: nothing is said of it`, demo === 'night' ? {} : FULL, async () => {
    expect((await checkDemo(demo)).map((f) => `${f.check} of ${f.about}: ${f.sentence}`)).toEqual([]);
  });

/** What is told of the page’s own files, of its videos’ files and of its listeners, which are read elsewhere. */
const ELSEWHERE = [
  ...['misspelt', 'shorthand-order', 'zero-duration', 'delay-on-scrub', 'per-frame-factor'],
  ...['video-key-frames', 'slow-listeners'],
];

test('hessle, where one of each was made: every check speaks', FULL, async () => {
  const said = new Set((await checkDemo('hessle')).map((f) => f.check));
  const silent = CHECKS.map((c) => c.id).filter((id) => !said.has(id) && !ELSEWHERE.includes(id));
  expect(silent).toEqual(['page-too-wide', 'pin-too-high']);
});

test('a page made from sections: nothing is said of it', async () => {
  const html = makeSectionsPage(SECTIONS.map((one) => one.id));
  const files = filesInMemory('index.html', new Map([['index.html', Buffer.from(html)]]));
  expect((await check(files, emptyDocument())).map((f) => f.sentence)).toEqual([]);
});
