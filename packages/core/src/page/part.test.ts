import { expect, test } from '@jest/globals';
import { splitPart } from './part.ts';

test.each([
  ['.card::after', '.card', '::after'],
  ['.card:before', '.card', '::before'],
  ['::before', '*', '::before'],
  [':is(a, b) > li::before', ':is(a, b) > li', '::before'],
  ['[title="a,b"]::after', '[title="a,b"]', '::after'],
  ['.card', '.card', ''],
  ['.after', '.after', ''],
  // Of a list nobody could say whose part it is.
  ['.card, .note::after', '.card, .note::after', ''],
])('%s is drawn by %s', (selector, host, part) => {
  expect(splitPart(selector)).toEqual([host, part]);
});
