import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { cutName, listAlike, placeNames } from './labels.ts';

describe('names', () => {
  test('that begin alike keep their ends', () => {
    const alike = listAlike(['Instrument card 1', 'Instrument card 2', 'Hour bar']);
    expect([...alike]).toEqual(['Instrument card 1', 'Instrument card 2']);
    expect(cutName('Instrument card 2', 8, true)).toBe('…card 2');
    expect(cutName('Instrument card 2', 8, false)).toBe('Instrum…');
    expect(cutName('Hour bar', 8, false)).toBe('Hour bar');
  });

  const lists = fc.array(fc.record({ y: fc.integer({ min: -100, max: 900 }), first: fc.boolean() }), {
    maxLength: 120,
  });
  test('stand apart and inside, in the order of their rows; as many as there is room for', () => {
    fc.assert(
      fc.property(lists, (list) => {
        const pitch = 12;
        const rows = 600;
        const placed = placeNames(list, pitch, rows);
        const shown = placed.flatMap((y, i) => (y === null ? [] : [{ y, own: list[i]?.y ?? 0 }]));
        const sorted = [...shown].sort((a, b) => a.y - b.y);
        sorted.forEach((s, k) => {
          if (k > 0) expect(s.y - (sorted[k - 1]?.y ?? 0)).toBeGreaterThanOrEqual(pitch - 1e-9);
          expect(s.y).toBeLessThanOrEqual(rows);
        });
        expect(sorted.map((s) => s.own)).toEqual([...sorted.map((s) => s.own)].sort((a, b) => a - b));
        const most = Math.floor((rows - pitch) / pitch) + 1;
        if (list.length <= most) expect(shown).toHaveLength(list.length);
        const firsts = list.filter((l) => l.first).length;
        if (firsts <= most) expect(placed.filter((y, i) => y === null && list[i]?.first)).toEqual([]);
      }),
    );
  });
});
