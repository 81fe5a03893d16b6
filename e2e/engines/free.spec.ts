/** What the pointer and a click move needs no scroll timeline: it plays in every engine, beside what is static there. */
import { expect, test } from '@playwright/test';
import { itemAt, readDocument } from '@lyvek/core';
import { makeDocument, motion } from '@lyvek/core/testing';
import { engineByName, filesInMemory } from '@lyvek/server/lab';
import { FULL } from '../support/full.ts';
import { ALL_ENGINES, finish, layoutsInChromium, SIZE } from './play.ts';
import type { MovingPage } from './play.ts';

const HTML =
  '<!doctype html><html lang="en"><head><title>Free</title><style>body { margin: 0 } #dot, #door { width: 120px; height: 80px } #far { height: 200px; margin-top: 900px } footer { height: 1500px }</style></head><body><div id="dot"></div><button id="door">Door</button><p id="far">Far</p><footer></footer></body></html>';

function makePage(): MovingPage {
  const ends = (property: string, from: string, to: string) => ({
    [property]: [
      { at: '0%', value: from },
      { at: '100%', value: to },
    ],
  });
  const document = makeDocument(
    motion({
      ...{
        id: 'm_dot',
        targets: { selector: '#dot' },
        keyframes: ends('translate', '-30px 0px', '30px 0px'),
      },
      driver: { kind: 'pointer', axis: 'x', over: 'viewport', rest: 0.5, touch: 'none' },
    }),
    motion({
      ...{ id: 'm_door', targets: { selector: '#door' }, keyframes: ends('rotate', '0deg', '40deg') },
      ...{ driver: { kind: 'trigger', trigger: 'g_door' }, time: { delay: '0ms', duration: '60ms' } },
    }),
    // Needs them, and is damped: the script may not look for what is not there.
    motion({ id: 'm_far', targets: { selector: '#far' }, damping: { kind: 'half-life', halfLife: 80 } }),
  );
  const trigger = {
    id: 'g_door',
    name: 'Door',
    on: true,
    subject: '#door',
    event: 'click',
    down: 'entry 0%',
  };
  const read = readDocument({
    ...document,
    triggers: [{ ...trigger, up: null, plays: 'each-time', back: 'keeps-end' }],
    adjustments: [
      { id: 'a_dot', selector: '#dot', declarations: { 'border-left': '7px solid' }, for: ['m_dot'] },
    ],
  });
  if (!read.ok) throw new Error(itemAt(read.problems, 0).message);
  return { document: read.document, files: [{ path: 'index.html', bytes: Buffer.from(HTML) }] };
}

/** What is shown with the pointer at the right edge, after a click, and of the text that the scroll moves where that is known. */
const TRIED = `(async () => {
  const frames = (n) => new Promise((done) => { const next = (left) => (left === 0 ? done() : requestAnimationFrame(() => next(left - 1))); next(n); });
  await frames(30);
  document.dispatchEvent(new PointerEvent('pointermove', { clientX: innerWidth - 1, clientY: 5, pointerType: 'mouse', bubbles: true }));
  await frames(30);
  document.querySelector('#door').click();
  await frames(30);
  const get = (selector, property) => getComputedStyle(document.querySelector(selector))[property];
  return { dot: parseFloat(get('#dot', 'translate')), door: parseFloat(get('#door', 'rotate')), edge: get('#dot', 'borderLeftWidth'), far: Number(get('#far', 'opacity')) };
})()`;

for (const [name, missing] of ALL_ENGINES)
  test(
    `${name}: pointer and click play without scroll timelines`,
    name === 'firefox' ? {} : FULL,
    async () => {
      test.skip(missing !== null, `because ${missing}`);
      const page = makePage();
      const layout = itemAt(await layoutsInChromium([page]), 0);
      await engineByName(name).use(async (started) => {
        for (const target of ['css', 'web-animations'] as const) {
          const files = finish(page, layout, { target, fallback: false });
          const opened = await started.open(filesInMemory('index.html', files), { viewport: SIZE });
          const { far, ...seen } = (await opened.evaluate(TRIED)) as { dot: number; far: number };
          await opened.close();
          expect([name, target, seen]).toEqual([
            name,
            target,
            { dot: expect.closeTo(30, 0), door: 40, edge: '7px' },
          ]);
          // Below the window: at its start where the scroll moves it, complete elsewhere.
          expect([name, target, far]).toEqual([name, target, name === 'firefox' ? 1 : 0]);
        }
      });
    },
  );
