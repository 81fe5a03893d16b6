import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { Problem } from '../http/problem.ts';
import { chooseEntry, otherPages } from './entry.ts';
import { pageFrom } from './page-from.ts';
import { safePath, unpack } from './unpack.ts';

const zip = (files: Record<string, string>) =>
  zipSync(Object.fromEntries(Object.entries(files).map(([p, t]) => [p, strToU8(t)])));
const title = (work: () => unknown) => {
  try {
    work();
    return 'accepted';
  } catch (error) {
    return error instanceof Problem ? error.title : `fault: ${String(error)}`;
  }
};

describe('unpacking', () => {
  test('one common folder is taken off, clutter is left out', () => {
    const files = unpack(zip({ 'site/index.html': '<p>', 'site/css/a.css': 'a', '__MACOSX/site/x': 'x' }));
    expect(files.map((f) => f.path).sort()).toEqual(['css/a.css', 'index.html']);
  });

  test('no path leads out, whatever it is called', () => {
    const part = fc.constantFrom('..', '.', 'a', 'b c', '', 'ü', '\\..');
    fc.assert(
      fc.property(fc.array(part, { minLength: 1, maxLength: 6 }), (parts) => {
        const name = parts.join('/');
        const outcome = title(() => {
          const path = safePath(name);
          expect(path.split('/')).not.toContain('..');
          expect(path.startsWith('/')).toBe(false);
        });
        expect(['accepted', 'Path outside the page']).toContain(outcome);
      }),
    );
  });

  /** Where an entry of this name stands in the directory at the end. */
  const inDirectory = (bytes: Uint8Array, name: string) => {
    const at = Buffer.from(bytes).lastIndexOf(name);
    return at - 46;
  };
  test('a locked entry, and one whose content is not what was packed, are refused by name', () => {
    const locked = zip({ 'index.html': '<p>hello', 'a.css': 'x{}' });
    locked[inDirectory(locked, 'a.css') + 8]! |= 1;
    expect(title(() => unpack(locked))).toBe('Encrypted zip');
    const other = zip({ 'index.html': '<p>hello', 'a.css': 'x{}' });
    other[inDirectory(other, 'a.css') + 16]! ^= 0xff;
    expect(title(() => unpack(other))).toBe('Damaged zip');
  });

  test('the same file twice is refused, also under two spellings of its path', () => {
    expect(title(() => unpack(zip({ 'index.html': '<p>', 'a.css': '1', './a.css': '2' })))).toBe(
      'Twice the same file',
    );
  });

  test('very many small files that unpack to very much are refused as one large one is', () => {
    const one = new Uint8Array(900_000);
    const many = zipSync(Object.fromEntries(Array.from({ length: 40 }, (_, i) => [`f${i}.txt`, one])), {
      level: 9,
    });
    expect(many.length).toBeLessThan(60_000);
    expect(title(() => unpack(many))).toBe('Unpacks too large');
  });

  test('a zip cut off or changed anywhere is refused with a problem or read, never a crash', () => {
    const whole = zip({ 'index.html': '<p>hello</p>'.repeat(50), 'a/b.css': 'x{}' });
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: whole.length - 1 }),
        fc.integer({ min: 0, max: 255 }),
        fc.boolean(),
        (at, byte, cut) => {
          const bad = cut ? whole.slice(0, at) : whole.slice();
          if (!cut) bad[at] = byte;
          expect(title(() => unpack(bad))).not.toMatch(/^fault/);
        },
      ),
      { numRuns: 300 },
    );
  });
});

describe('which file is the page', () => {
  const files = (...paths: string[]) => paths.map((path) => ({ path, bytes: new Uint8Array(3) }));
  test.each([
    [['a.html', 'deep/index.html', 'index.html'], 'index.html'],
    [['only.htm', 'x.css'], 'only.htm'],
    [['sub/index.html', 'other.html'], 'sub/index.html'],
  ])('%j → %s', (paths, entry) => expect(chooseEntry(files(...paths))).toBe(entry));

  test('the other HTML files of a page are named, and nothing else', () => {
    expect(otherPages(files('index.html', 'about/us.htm', 'style.css', 'old.HTML'), 'index.html')).toEqual([
      'about/us.htm',
      'old.HTML',
    ]);
  });
  test('asks where it cannot know', () => {
    expect(title(() => chooseEntry(files('a.html', 'b.html')))).toBe('Which page?');
    expect(chooseEntry(files('a.html', 'b.html'), 'b.html')).toBe('b.html');
    expect(title(() => chooseEntry(files('a.html'), 'c.html'))).toBe('No such file');
  });
  test('takes the title of the page', () =>
    expect(pageFrom(strToU8('<title>Tide</title><p>x'), 'text/html').title).toBe('Tide'));
});
