/**
 * Adding a page: how its cost grows with what is on it. The exponent is the slope between a page and one of four times the amount: 1 is in
 * proportion, 2 the square.
 */
import { readPage } from '@lyvek/core';
import { report } from './support/figures.ts';

const ACCEPT = 1.15;
/** Best of so many: what disturbs a run only makes it longer. */
const RUNS = 3;

const KEYFRAMES =
  '@keyframes rise { from { opacity: 0; translate: 0 40px } to { opacity: 1; translate: 0 0 } }';
const page = (css: string, body: string) =>
  `<!doctype html><html><head><title>Long</title><style>${css}</style></head><body>${body}</body></html>`;
const rows = (n: number, of: (i: number) => string) => Array.from({ length: n }, (_, i) => of(i)).join('');

/** Each makes a page with `n` of one thing and a steady amount of everything else. */
const PAGES: Record<string, { n: number; make(n: number): string }> = {
  'elements that nothing moves': {
    n: 8000,
    make: (n) =>
      page(
        `${KEYFRAMES} .moved { animation: rise linear both; animation-timeline: view() }`,
        `<div class="moved">x</div>${rows(n, (i) => `<p class="c${i % 50}">row ${i}</p>`)}`,
      ),
  },
  'elements in a tree': {
    n: 6000,
    make: (n) =>
      page(
        'section > div p { color: red }',
        rows(n / 6, (i) => `<section><div><p>a${i}</p><p>b</p></div><div></div></section>`),
      ),
  },
  'rules that move nothing': {
    n: 4000,
    make: (n) =>
      page(
        `${KEYFRAMES} ${rows(n, (i) => `.c${i} .d${i % 7} { color: #${(i % 900) + 100} }`)}`,
        rows(400, (i) => `<p class="c${i} d${i % 7}">row</p>`),
      ),
  },
  'rules that move': {
    n: 300,
    make: (n) =>
      page(
        `${KEYFRAMES} ${rows(n, (i) => `.c${i} { animation: rise linear both; animation-timeline: view(); animation-range: entry ${i % 50}% cover 50% }`)}`,
        rows(n, (i) => `<p class="c${i}">row</p>`),
      ),
  },
  'media queries': {
    n: 100,
    make: (n) =>
      page(
        `${KEYFRAMES} ${rows(n, (i) => `@media (min-width: ${300 + i}px) { .c${i % 40} { color: red } }`)} .c1 { animation: rise linear both; animation-timeline: view() }`,
        rows(400, (i) => `<p class="c${i % 40}">row</p>`),
      ),
  },
  keyframes: {
    n: 1500,
    make: (n) =>
      page(
        `${rows(n, (i) => `@keyframes k${i} { from { opacity: 0 } 50% { opacity: .4 } to { opacity: 1 } }`)} .a { animation: k7 linear both; animation-timeline: view() }`,
        '<p class="a">x</p>',
      ),
  },
};

function seconds(html: string): number {
  let best = Infinity;
  for (let i = 0; i < RUNS; i++) {
    globalThis.gc?.();
    const from = performance.now();
    readPage('index.html', html, (path) => (path === 'index.html' ? html : null));
    best = Math.min(best, performance.now() - from);
  }
  return best;
}

seconds(PAGES.keyframes!.make(100));
for (const [what, { n, make }] of Object.entries(PAGES)) {
  const [small, large] = [seconds(make(n)), seconds(make(4 * n))];
  const exponent = Math.log(large / small) / Math.log(4);
  report({
    name: `import: growth with ${what}, ${n} to ${4 * n}`,
    value: exponent,
    unit: 'exponent',
    accept: ACCEPT,
    aim: 1,
    better: 'lower',
  });
}
