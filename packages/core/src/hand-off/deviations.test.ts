import { expect, test } from '@jest/globals';
import { makeDocument, motion } from '../testing/index.ts';
import { listDeviations } from './deviations.ts';

const HTML = '<!-- made by hand -->\n<!DOCTYPE html><title>x</title>';
const from = (value: string, to: string) => [
  { at: '0%', value },
  { at: '100%', value: to },
];
const listed = (keyframes: Parameters<typeof motion>[0], html = HTML) =>
  listDeviations(makeDocument(motion(keyframes)), html).map((d) => d.browser);

test.each<[string, Parameters<typeof motion>[0], string[]]>([
  ['one notation', { keyframes: { color: from('#f00', 'rgb(0 0 0 / 40%)') } }, []],
  ['newer ones', { keyframes: { color: from('oklch(50% 0.1 20)', 'lab(50% 3 4)') } }, ['Firefox']],
  [
    'transforms of one form',
    { keyframes: { transform: from('scale(2) rotate(3deg)', 'scale(1) rotate(0)') } },
    [],
  ],
  ['transforms of two', { keyframes: { transform: from('scale(2)', 'rotate(9deg)') } }, ['Safari']],
  ['one and none', { keyframes: { transform: from('scale(2)', 'none') } }, []],
  [
    'an old and a newer one',
    { keyframes: { 'background-color': from('#f00', 'oklch(50% 0.1 20)') } },
    ['Firefox'],
  ],
  [
    'the same in a motion that is off',
    { on: false, keyframes: { color: from('#f00', 'oklch(50% 0.1 20)') } },
    [],
  ],
  [
    'a size that flips beside a position',
    {
      keyframes: {
        'background-position': from('0 0', '9px 9px'),
        'background-size': from('auto', '50% 50%'),
      },
    },
    ['Safari'],
  ],
  [
    'a size that mixes beside one',
    {
      keyframes: {
        'background-position': from('0 0', '9px 9px'),
        'background-size': from('20% 20%', '50% 50%'),
      },
    },
    [],
  ],
  [
    'the page as a driver, and nothing held',
    { driver: { kind: 'scroll', axis: 'block' }, range: { start: '0%', end: '40%' }, fill: 'none' },
    ['Safari'],
  ],
])('%s', (_, given, browsers) => expect(listed(given)).toEqual(browsers));

test('a page without a doctype is told of once, and a page under development has none to look at', () => {
  expect([listed({}, '<title>x</title>'), listed({}, '')]).toEqual([['Safari'], []]);
});
