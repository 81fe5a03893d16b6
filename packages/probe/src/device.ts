/** On a device: where the page is scrolled, told to the workbench, and what that says in return. Nothing is drawn over the page. */

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

const source = new EventSource(`${BASE}events`);
source.onmessage = ({ data }) => {
  const message = JSON.parse(data as string) as { type: string; share?: number };
  if (message.type === 'reload') location.replace(`${location.pathname}?${PLACE}=${Math.round(scrollY)}`);
  else if (message.type === 'end') {
    source.close();
    location.replace(location.pathname);
  } else if (message.type === 'scroll' && performance.now() - touched > TOUCH_MS)
    scrollTo({ top: (message.share ?? 0) * readMax(), behavior: 'instant' });
};
