import { expect, test } from '@jest/globals';
import { cssNames, trackClasses } from '../index.ts';
import { readableName } from '../../css-import/source/naming.ts';

const makeName = (name: string, selector: string) =>
  cssNames([{ id: 'a', name, targets: { selector } }]).get('a');

test('an author’s way of writing names is kept, both ways', () => {
  for (const name of ['fadeInUp', 'fade_in', 'FadeIn2']) {
    expect(readableName(name)).toBe(name);
    expect(cssNames([{ id: 'a', name }], { prefix: '' }).get('a')).toBe(name);
  }
  expect(readableName('fade-in-up')).toBe('Fade in up');
  expect(makeName('Rise', '#a')).toBe('lv-rise');
});

test('running text names nothing: then it is what is moved, or held', () => {
  const text = 'The ferry goes when you ring';
  expect(makeName(text, '#ferry')).toBe('lv-ferry');
  const pin = { id: 'p', name: text, stage: '#ferry' };
  expect(trackClasses({ pins: [pin] as never }).get('p')).toBe('lv-hold-ferry');
});
