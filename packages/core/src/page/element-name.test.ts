import { describe, expect, test } from '@jest/globals';
import { element, makeLayout } from '../testing/index.ts';
import { elementName, selectorName } from './element-name.ts';

const LONG = 'When the first boats went down the river at night, nobody had seen a lamp that did not flicker';

describe('what elements are called', () => {
  test.each([
    ['its label first', { label: 'Paddle wheel', idClass: '#wheel', selector: '#wheel' }, 'Paddle wheel'],
    ['a heading by its words', { tag: 'h2', text: 'The boats. A list' }, 'The boats'],
    ['an id of its own', { selector: '#road-picture', idClass: '#road-picture', text: LONG }, 'road picture'],
    [
      'not one that was numbered',
      { selector: 'p', idClass: '#node-48213', text: 'Open today', kind: 'text' },
      'Open today',
    ],
    [
      'a text by its first words',
      { kind: 'text', text: LONG, idClass: '.lead' },
      'When the first boats went…',
    ],
    ['a box by a class that it shares', { text: LONG, idClass: '.card.wide' }, 'card'],
    ['a landmark by its tag rather than by all that it holds', { tag: 'main', text: LONG }, 'main'],
    ['a plain box by its words', { tag: 'div', text: LONG }, 'When the first boats went…'],
    ['nothing else is known', { tag: 'div', text: '' }, 'div'],
  ] as const)('%s', (_, facts, name) => {
    expect(elementName(element({ selector: 'main > div', kind: 'box', ...facts }))).toBe(name);
  });

  test('a picture without a name is one in what holds it, a pseudo-element one of its host', () => {
    const layout = makeLayout([
      element({ selector: '#boats', label: 'The boats' }),
      element({ selector: '#boats > img', tag: 'img', kind: 'image', text: '', parent: 0 }),
      element({ selector: '#boats::after', tag: '::after', text: '', parent: 0 }),
    ]);
    expect(layout.elements.map((e) => elementName(e, layout))).toEqual([
      'The boats',
      'picture in The boats',
      'The boats ::after',
    ]);
  });

  test('what a selector finds is called by its last id or class', () => {
    expect(['#boats > .card', '.card::before', 'main > p', '#ab'].map(selectorName)).toEqual([
      'card',
      'card ::before',
      null,
      null,
    ]);
  });
});
