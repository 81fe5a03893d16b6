import { describe, expect, test } from '@jest/globals';
import type { Pin } from '@lyvek/core';
import { distanceLabel, insetLabel, withDistance } from './pins.ts';

const pin = (distance: Pin['distance'], inset = '0px', by: 'top' | 'bottom' = 'top'): Pin => ({
  id: 'p_a',
  name: 'Pin',
  on: true,
  stage: '#a',
  sticky: { by, inset },
  distance,
  overlap: ['0px', '0px'],
  layer: null,
});
const length = (value: string) => pin({ kind: 'length', value });
const strip = (rate: number) => pin({ kind: 'travel', strip: '#s', rate });

describe('how long a pin holds', () => {
  test.each([
    [length('800px'), 1234, false, '1230px'],
    [length('800px'), 1234.56, true, '1234.6px'],
    [length('800px'), -50, false, '0px'],
    [length('100vh'), 1200, false, '150vh'],
    [length('100svh'), 1200, false, '150svh'],
    [length('calc(10vh + 4px)'), 500, false, '500px'],
  ])('%# dragged keeps its notation', (p, now, exact, value) =>
    expect(withDistance(p, { was: 800, now }, 800, exact).distance).toEqual({ kind: 'length', value }),
  );

  test('as long as a strip’s travel goes on following the strip, at another rate', () => {
    expect(withDistance(strip(1), { was: 1000, now: 2000 }, 800).distance).toEqual({
      kind: 'travel',
      strip: '#s',
      rate: 0.5,
    });
    expect(withDistance(strip(2), { was: 500, now: 0 }, 800).distance).toMatchObject({ rate: 20 });
  });

  test('in words', () => {
    expect(
      [length('100vh'), length('150svh'), length('1600px'), strip(1), strip(0.5)].map(distanceLabel),
    ).toEqual([
      'one screen',
      '1.5 screens',
      '1600 px',
      'as long as the strip’s travel',
      'as long as the strip’s travel at 0.5×',
    ]);
    expect(insetLabel(length('1px'))).toBe('the top of the viewport');
    expect(insetLabel(pin({ kind: 'length', value: '1px' }, '12%', 'bottom'))).toBe('12 % above the bottom');
  });
});
