/** Mutated style sheets and documents: no crash, no long wait, no growing memory. */
import { itemAt } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import { readFileSync, readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { readDocument } from '../motion/index.ts';
import { readPage, takenOut } from './index.ts';

const FOLDER = fileURLToPath(new URL('../../../../e2e/fixtures/moving/', import.meta.url));
const PAGES = readdirSync(FOLDER)
  .filter((f) => f.endsWith('.html'))
  .map((f) => readFileSync(`${FOLDER}${f}`, 'utf8'));
const COUNT = process.env.LYVEK_FULL ? 20_000 : 600;
/** ms; a hang, not a speed: a machine shared with others may stumble for a moment */
const HANG = 1000;

/** A small generator, so that a failure can be repeated by its number (mulberry32). */
function random(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), a | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const NASTY = [
  '{',
  '}',
  '(',
  ')',
  '[',
  '"',
  "'",
  '/*',
  '*/',
  ';',
  ':',
  '@media ',
  '@layer ',
  '\\',
  '\u0000',
  '&',
  '!important',
  'var(--a)',
  ':is(',
  ':not(',
  'calc(',
  '1e999px',
  '-0',
  'NaN',
  '<!--',
  '</style>',
  'url(',
  '\r',
  '🙂',
  '--',
  ','.repeat(50),
  '('.repeat(60),
  '{'.repeat(60),
  'a '.repeat(300),
  'view(',
  'entry 10%',
  'infinite',
  '0s',
  'animation:',
  'animation-timeline:view();',
  '@keyframes x{',
  '@import "x.css";',
  ':nth-child(2n+1 of ',
];

function mutated(text: string, next: () => number): string {
  let out = text;
  const rounds = 1 + Math.floor(next() * 8);
  for (let i = 0; i < rounds; i++) {
    const at = Math.floor(next() * out.length);
    const length = Math.floor(next() * next() * 200);
    const piece = out.slice(at, at + length);
    switch (Math.floor(next() * 5)) {
      case 0:
        out = out.slice(0, at) + out.slice(at + length);
        break;
      case 1:
        out = out.slice(0, at) + piece + piece + out.slice(at + length);
        break;
      case 2: {
        const to = Math.floor(next() * out.length);
        out = out.slice(0, to) + piece + out.slice(to);
        break;
      }
      default:
        out =
          out.slice(0, at) +
          itemAt(NASTY, Math.floor(next() * NASTY.length)) +
          out.slice(at + Math.floor(next() * 4));
    }
  }
  return out;
}

/** Milliseconds that some work takes, or the error it ends with. */
function tried(work: () => void): number | unknown {
  const from = performance.now();
  try {
    work();
    return performance.now() - from;
  } catch (error) {
    return error;
  }
}

describe('hostile input', () => {
  test(`${COUNT} mutated pages are read to their end`, () => {
    const heap = () => (globalThis.gc?.(), process.memoryUsage().heapUsed / 1e6);
    let read = 0;
    const before = heap();
    for (let n = 0; n < COUNT; n++) {
      const next = random(n + 1);
      const text = mutated(itemAt(PAGES, n % PAGES.length), next);
      const work = () => {
        const { document, claims, unsupported } = readPage('index.html', text, (p) =>
          p === 'x.css' ? text : null,
        );
        // What was read is a document, and taking it out only ever makes the page shorter.
        const parsed = readDocument(JSON.parse(JSON.stringify(document)));
        if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems.slice(0, 2)));
        const bare = takenOut(claims).get('index.html')?.text ?? text;
        if (claims.every((c) => c.only === null) && bare.length > text.length)
          throw new Error('longer than before');
        read += document.motions.length + unsupported.length;
      };
      let result = tried(work);
      if (typeof result === 'number' && result > HANG) result = tried(work);
      if (typeof result !== 'number') throw new Error(`mutation ${n}: ${String((result as Error).stack)}`);
      expect({ n, hangs: result > HANG }).toEqual({ n, hangs: false });
    }
    expect(read).toBeGreaterThan(COUNT);
    expect(heap() - before).toBeLessThan(400);
  }, 3_600_000);

  test(`${COUNT} mutated documents are taken or refused with a path`, () => {
    const sources = PAGES.map((p) => JSON.stringify(readPage('index.html', p, () => null).document));
    for (let n = 0; n < COUNT; n++) {
      const next = random(n + 77);
      const text = mutated(itemAt(sources, n % sources.length), next);
      let json: unknown;
      try {
        json = JSON.parse(text);
      } catch {
        json = {
          ...(JSON.parse(itemAt(sources, n % sources.length)) as object),
          [text.slice(0, 5)]: text,
          motions: [text, null, 3],
        };
      }
      const parsed = readDocument(json);
      if (!parsed.ok) expect(parsed.problems.length).toBeGreaterThan(0);
    }
  }, 3_600_000);
});
