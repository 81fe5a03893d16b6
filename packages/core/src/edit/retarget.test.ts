import { expect, test } from '@jest/globals';
import { itemAt } from '../assert/index.ts';
import { selectorName } from '../page/index.ts';
import { makeDocument, motion } from '../testing/index.ts';
import { applyOperation } from './operation.ts';
import type { NewId } from './operation.ts';
import { setTarget } from './retarget.ts';

const newId: NewId = (kind) => `${kind}_new`;
const retarget = (name: string, called?: { was: string; now: string }) =>
  itemAt(
    applyOperation(
      makeDocument(motion({ id: 'm_card', name }), motion({ id: 'm_other', name: 'bar fills' })),
      setTarget('m_card', '.bar', newId, called),
    ).document.motions,
    0,
  );

test.each([
  ['nav fills', { was: 'nav', now: 'rule' }, 'rule fills'],
  ['nav', { was: 'nav', now: 'rule' }, 'rule'],
  // One is called so already.
  ['nav fills', { was: 'nav', now: 'bar' }, 'bar fills 2'],
  // People’s own names, and beginnings of other words.
  ['navigation fills', { was: 'nav', now: 'rule' }, 'navigation fills'],
  ['My gauge', { was: 'nav', now: 'rule' }, 'My gauge'],
  ['nav fills', undefined, 'nav fills'],
])('“%s” on other elements %o is called “%s”', (name, called, expected) => {
  expect(retarget(name, called)).toMatchObject({ name: expected, targets: { selector: '.bar' } });
});

test.each([
  ['.tiles > .tile', 'tile'],
  ['#claim-2 .side-rule', 'side rule'],
  ['.list li.entry::before', 'entry ::before'],
  ['.list > li', null],
  ['h1, p', null],
])('all of %s are called %s', (selector, name) => {
  expect(selectorName(selector)).toBe(name);
});
