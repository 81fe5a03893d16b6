/** On a device: where the page is scrolled, told to the workbench, and what that says in return. Nothing is drawn over the page. */

import type { RidePath } from '@lyvek/core';
import { ride } from './ride.ts';

const own = document.currentScript as HTMLScriptElement;
const BASE = own.dataset.lyvekDevice!;
own.remove();

/** ms between two reports. */
const REPORT_MS = 100;
/** A scroll so soon after a touch is the reader’s, ms. */
const TOUCH_MS = 3000;
const PLACE = 'lyvek-y';

let touched = -Infinity;
let waiting = false;

const readMax = () => Math.max(0, document.documentElement.scrollHeight - innerHeight);

function report(): void {
  waiting = false;
  const view = visualViewport;
  const body = JSON.stringify({
    y: Math.max(0, scrollY),
    max: readMax(),
    width: innerWidth,
    height: innerHeight,
    visual: { height: view?.height ?? innerHeight, top: view?.offsetTop ?? 0, scale: view?.scale ?? 1 },
    density: devicePixelRatio,
    touched: performance.now() - touched < TOUCH_MS,
  });
  fetch(`${BASE}report`, { method: 'POST', body }).catch(() => undefined);
}

function reportSoon(): void {
  if (!waiting) setTimeout(report, REPORT_MS);
  waiting = true;
}

const hold = () => {
  touched = performance.now();
};
for (const type of ['touchstart', 'touchmove', 'wheel', 'pointerdown'])
  addEventListener(type, hold, { passive: true, capture: true });
for (const type of ['scroll', 'resize']) {
  addEventListener(type, reportSoon, { passive: true });
  visualViewport?.addEventListener(type, reportSoon);
}

addEventListener('load', () => {
  // An edit loads it anew: it comes back at its place.
  const at = Number(new URLSearchParams(location.search).get(PLACE));
  if (at > 0) scrollTo({ top: at, behavior: 'instant' });
  report();
});

interface Told {
  type: 'reload' | 'end' | 'scroll' | 'ride' | 'record';
  share?: number;
  path?: RidePath;
  rest?: number;
  /** where an answer is expected */
  answerTo?: string;
}

const source = new EventSource(`${BASE}events`);
source.onmessage = ({ data }) => {
  const message = JSON.parse(data as string) as Told;
  const answer = (given: unknown) =>
    void fetch(`${BASE}answer/${message.answerTo}`, { method: 'POST', body: JSON.stringify(given) }).catch(
      () => undefined,
    );
  switch (message.type) {
    case 'reload':
      return location.replace(`${location.pathname}?${PLACE}=${Math.round(scrollY)}`);
    case 'end':
      source.close();
      return location.replace(location.pathname);
    case 'scroll':
      if (performance.now() - touched > TOUCH_MS)
        scrollTo({ top: (message.share ?? 0) * readMax(), behavior: 'instant' });
      return;
    case 'ride':
      return void ride(message.path!, message.rest ?? 0).then(answer);
    case 'record':
      return void recordScroll().then((samples) => answer({ samples }));
  }
};

/** It has come to rest when nothing has moved for so long, ms; after this long it is over anyway. */
const REST_MS = 1000;
const MAX_SCROLL_MS = 60_000;

/** The next scroll of a finger, from its touch on until all has come to rest: a fling goes on by itself. */
function recordScroll(): Promise<{ t: number; y: number }[]> {
  return new Promise((done) => {
    let began = 0;
    let moved = 0;
    let down = false;
    const samples: { t: number; y: number }[] = [];
    const end = new AbortController();
    const on = { passive: true, capture: true, signal: end.signal };
    const add = () => samples.push({ t: performance.now() - began, y: Math.max(0, scrollY) });
    const touch = () => {
      down = true;
      if (began) return;
      began = performance.now();
      add();
      requestAnimationFrame(look);
    };
    const look = () => {
      const now = performance.now();
      if (Math.max(0, scrollY) !== samples.at(-1)!.y) {
        add();
        moved = now;
      }
      const rests = moved > 0 && !down && now - moved > REST_MS;
      if (!rests && now - began < MAX_SCROLL_MS) return void requestAnimationFrame(look);
      end.abort();
      done(samples);
    };
    addEventListener('touchstart', touch, on);
    for (const type of ['touchend', 'touchcancel']) addEventListener(type, () => (down = false), on);
  });
}
