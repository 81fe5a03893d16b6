/** Whoever reads the finished page sees all of it: while it loads, in print, and without scripts, in every engine that is installed. */
import { expect, test } from '@playwright/test';
import { itemAt } from '@lyvek/core';
import { engineByName, filesInMemory } from '@lyvek/server/lab';
import type { EnginePage } from '@lyvek/server/lab';
import { FULL } from '../support/full.ts';
import { ALL_ENGINES, finish, layoutsInChromium, makeSource, readDemo, SIZE } from './play.ts';

const LOOKS = 160;

/** Texts that a reader who scrolls through the page sees once: all of their letters within the window, opaque, and nothing before them. */
const readSeen = async (looks: number): Promise<string[]> => {
  const frames = (n: number) =>
    new Promise<void>((done) => {
      const next = (left: number) => (left === 0 ? done() : requestAnimationFrame(() => next(left - 1)));
      next(n);
    });
  const ownText = (e: Element) =>
    [...e.childNodes]
      .map((n) => (n.nodeType === 3 ? (n.textContent ?? '') : ''))
      .join(' ')
      .trim();
  const all = [...document.body.querySelectorAll('*')].filter(
    (e) => !/^(SCRIPT|STYLE|OPTION|NOSCRIPT)$/i.test(e.tagName) && /\p{L}{2}/u.test(ownText(e)),
  );
  const isOpaque = (e: Element) => {
    let opacity = 1;
    for (let p: Element | null = e; p; p = p.parentElement) {
      const style = getComputedStyle(p);
      if (style.visibility === 'hidden') return false;
      opacity *= Number(style.opacity);
    }
    return opacity > 0.5;
  };
  const seen = new Set<string>();
  // What plays as the page opens has played.
  await frames(120);
  for (let k = 0; k <= looks; k++) {
    const max = document.scrollingElement!.scrollHeight - innerHeight;
    scrollTo({ top: (k / looks) * max, behavior: 'instant' });
    await frames(3);
    for (const e of all) {
      // Words that a script of the page changes are known by their element.
      const key = e.id ? `#${e.id}` : ownText(e).replace(/\s+/g, ' ');
      if (seen.has(key)) continue;
      const r = e.getBoundingClientRect();
      const [x, y] = [(r.left + r.right) / 2, (r.top + r.bottom) / 2];
      if (r.width === 0 || x < 0 || y < 0 || x > innerWidth || y > innerHeight || !isOpaque(e)) continue;
      seen.add(key);
    }
  }
  return [...seen];
};

const seenOn = async (page: EnginePage): Promise<string[]> =>
  (await page.evaluate(`(${readSeen.toString()})(${LOOKS})`)) as string[];

/** Without what runs: as for readers who have scripts off. */
const withoutScripts = (files: Map<string, Uint8Array>): Map<string, Uint8Array> =>
  new Map(
    [...files].map(([path, bytes]) => [
      path,
      path.endsWith('.html')
        ? Buffer.from(
            Buffer.from(bytes)
              .toString('utf8')
              .replace(/<script\b[\s\S]*?<\/script>/g, ''),
          )
        : bytes,
    ]),
  );

for (const [name, missing] of ALL_ENGINES)
  test(`${name} shows every text of the night, with scripts and without`, FULL, async () => {
    test.skip(missing !== null, `because ${missing}`);
    test.setTimeout(420_000);
    const page = readDemo('night');
    const layout = itemAt(await layoutsInChromium([page]), 0);
    await engineByName(name).use(async (started) => {
      const look = async (files: Map<string, Uint8Array>) => {
        const opened = await started.open(filesInMemory('index.html', files), { viewport: SIZE });
        const seen = await seenOn(opened);
        await opened.close();
        return seen;
      };
      const source = await look(makeSource(page));
      expect(source.length).toBeGreaterThan(60);
      for (const fallback of [true, false]) {
        const finished = finish(page, layout, { target: 'css', fallback });
        for (const files of [finished, withoutScripts(finished)]) {
          const seen = new Set(await look(files));
          const how = `${fallback ? 'with' : 'without'} a fallback, ${files === finished ? 'scripts on' : 'scripts off'}`;
          expect(
            source.filter((text) => !seen.has(text)),
            how,
          ).toEqual([]);
        }
      }
    });
  });
