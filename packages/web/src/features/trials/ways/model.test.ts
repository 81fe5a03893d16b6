import { present } from '@lyvek/core';
import { describe, expect, test } from '@jest/globals';
import type { WayFigures } from '@lyvek/core';
import { wayAt, wayWords } from './model.ts';

const figures = (over: Partial<WayFigures>): WayFigures => ({
  gesture: 'brisk-wheel',
  clock: '60',
  viewport: { width: 1280, height: 800 },
  onTime: 1,
  p95: 4,
  worst: 8,
  worstAt: 1200,
  fewestFrames: { value: 12, motion: 'm_a' },
  longestStep: { value: 30.4, motion: 'm_b' },
  findings: [],
  ...over,
});
const phone = { width: 390, height: 844 };

describe('a way of scrolling', () => {
  test('is the worst of the sizes that were tried', () => {
    const all = [
      figures({}),
      figures({ viewport: phone, onTime: 0.9, worst: 21 }),
      figures({ clock: '120', worst: 90 }),
    ];
    const way = present(wayAt(all, 'brisk-wheel', '60'));
    expect(way.figures.length).toBe(2);
    expect(way.late).toBeCloseTo(0.1);
    expect(way.worst.viewport).toEqual(phone);
    expect(wayAt(all, 'jump', '60')).toBeNull();
  });

  test('is said with whose the worst figures are, and at which size', () => {
    const all = [
      figures({}),
      figures({
        viewport: phone,
        fewestFrames: { value: 5, motion: 'm_b' },
        findings: [{ check: 'jump', about: 'm_a', severity: 'error' }],
      }),
    ];
    const said = wayWords(
      present(wayAt(all, 'brisk-wheel', '60')),
      (m) => m.toUpperCase(),
      (f) => ` (${f.viewport.width})`,
    );
    expect(said).toBe(
      'Most expensive frame 8.0 ms at 1200 px (1280); fewest frames in range 5, M_B (390); longest step 30 px, M_B (1280); 1 finding.',
    );
  });

  test('leaves out what a page without scrubbed motions does not have', () => {
    const bare = present(wayAt([figures({ fewestFrames: null, longestStep: null })], 'brisk-wheel', '60'));
    expect(wayWords(bare, () => '')).toBe('Most expensive frame 8.0 ms at 1200 px; nothing found.');
  });
});
