import { expect, test } from '@jest/globals';
import { declarationError } from './adjustment.ts';

test.each([
  ['overflow', 'clip'],
  ['overflow', 'clip !important'],
  ['overflow', 'clip!IMPORTANT'],
  ['--anything', '{ not ; a value'],
  ['width', 'calc-size(auto, size / 2)'],
])('%s: %s can be declared', (property, css) => expect(declarationError(property, css)).toBeNull());

test.each([
  ['overflow', 'clip important', '“clip important” is not a value of overflow'],
  ['overflow', '!important clip', '“!important clip” is not a value of overflow'],
  ['overflow', ' ', 'overflow needs a value'],
  ['overflown', 'clip', 'overflown is not a property known here'],
])('%s: %s cannot, because %s', (property, css, why) => expect(declarationError(property, css)).toBe(why));
