import { describe, expect, test } from '@jest/globals';
import { SWEEP_SIZES, itemAt } from '@lyvek/core';
import type { Finding, Swept, SweptFinding } from '@lyvek/core';
import { elsewhere, foundAt, listRows, spanWords, findWorst, toZoomed } from './model.ts';

const finding = (check: string, about: string, severity: Finding['severity'] = 'error'): Finding => ({
  check,
  about,
  element: -1,
  severity,
  at: 0,
  brief: '',
  sentence: '',
  fix: null,
});
const places = (test: (width: number, height: number) => boolean) =>
  SWEEP_SIZES.flatMap((s, i) => (test(s.viewport.width, s.viewport.height) ? [i] : []));
const found = (f: Finding, at: number[], where = ''): SweptFinding => ({
  finding: f,
  where,
  at,
  shown: itemAt(at, 0),
  active: [],
});
const swept = (list: SweptFinding[], unknown = false): Swept => ({
  sizes: SWEEP_SIZES.map((s) => ({
    ...s,
    how: unknown && s.viewport.width > 2000 ? ('unknown' as const) : ('measured' as const),
    off: 0,
    found: [],
  })),
  found: list,
});

describe('the map of sizes', () => {
  test('has a row per height and every zoomed window under its own', () => {
    const all = swept([]);
    expect(listRows(all).map((r) => r.length)).toEqual(Array(8).fill(15));
    expect(itemAt(itemAt(listRows(all), 0), 0).viewport).toEqual({ width: 320, height: 480 });
    expect(toZoomed(all).map((z) => z.sizes.length)).toEqual([3, 3, 3]);
  });

  test('shows what the open size does not, by motion or, of the page, by element', () => {
    const list = [
      found(finding('jump', 'm_a'), [1]),
      found(finding('kink', 'm_a', 'warning'), [1, 2]),
      found(finding('takes-the-scroll', ''), [2], '#map'),
      found(finding('takes-the-scroll', ''), [2], '#other'),
    ];
    const here = [finding('jump', 'm_a'), finding('takes-the-scroll', '')];
    const others = elsewhere(swept(list), here, () => '#map');
    expect(others.map((f) => [f.finding.check, f.where])).toEqual([
      ['takes-the-scroll', '#other'],
      ['kink', ''],
    ]);
    const all = swept(list);
    expect(foundAt(all, others, itemAt(all.sizes, 2)).length).toBe(2);
    expect(findWorst(foundAt(all, others, itemAt(all.sizes, 1)))).toBe('warning');
    expect(findWorst([])).toBeNull();
  });

  test.each([
    ['at every size', places(() => true)],
    ['at 41 of 129 sizes, 320 to 480 wide', places((w) => w <= 480)],
    ['at 16 of 129 sizes, 1440 high', places((_, h) => h === 1440)],
    ['at 1 of 129 sizes, 390 wide, 900 high', places((w, h) => w === 390 && h === 900)],
  ])('%s', (words, at) =>
    expect(spanWords(swept([]), at)).toMatch(new RegExp(words.replace(/\d+ of/, '\\d+ of'))),
  );

  test('sizes that nobody measured do not count', () => {
    expect(
      spanWords(
        swept([], true),
        places((w) => w === 320),
      ),
    ).toMatch(/^at 8 of 113 sizes, 320 wide$/);
  });
});
