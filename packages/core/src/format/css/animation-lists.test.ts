import { expect, test } from '@jest/globals';
import { NO_ANIMATIONS, listAnimations, writeAnimations } from './animation-lists.ts';

const rise = listAnimations([
  {
    'animation-name': 'rise',
    'animation-timing-function': 'linear',
    'animation-fill-mode': 'both',
    'animation-timeline': 'view()',
    'animation-range': 'entry 0% cover 40%',
  },
]);
const lines = (set: object, over: object = {}) => writeAnimations(set as never, over as never).lines;

test.each([
  [
    'all of it',
    rise,
    {},
    ['animation: rise linear both;', 'animation-timeline: view();', 'animation-range: entry 0% cover 40%;'],
  ],
  ['nothing where nothing differs', rise, rise, []],
  [
    'one end of a range',
    { ...rise, 'animation-range': ['entry 0% cover 90%'] },
    rise,
    ['animation-range-end: cover 90%;'],
  ],
  [
    'the other one',
    { ...rise, 'animation-range': ['entry 9% cover 40%'] },
    rise,
    ['animation-range-start: entry 9%;'],
  ],
  [
    'a phase by its name',
    { ...rise, 'animation-range': ['exit 0% exit 100%'] },
    rise,
    ['animation-range: exit;'],
  ],
  [
    'the whole timeline',
    { ...rise, 'animation-range': ['cover 0% cover 100%'] },
    rise,
    ['animation-range: normal;'],
  ],
  ['another name', { ...rise, 'animation-name': ['fall'] }, rise, ['animation-name: fall;']],
  ['letting go', NO_ANIMATIONS, rise, ['animation: none;']],
  [
    'letting go of a trigger too',
    NO_ANIMATIONS,
    { ...rise, 'animation-trigger': ['--t play'] },
    ['animation: none;', 'animation-trigger: none;'],
  ],
  [
    'a single list',
    { 'animation-range': ['scroll 0% exit 70%'] },
    {},
    ['animation-range: scroll 0% exit 70%;'],
  ],
])('%s', (_, set, over, expected) => expect(lines(set, over)).toEqual(expected));

test('a time is told from a delay by its place, and equal entries of a list are one', () => {
  const two = listAnimations([
    { 'animation-name': 'a', 'animation-delay': '90ms', 'animation-timeline': 'view()' },
    { 'animation-name': 'b', 'animation-duration': '1s', 'animation-timeline': 'view()' },
  ]);
  expect(lines(two)).toEqual(['animation:\n    a auto 90ms,\n    b 1s;', 'animation-timeline: view();']);
});
