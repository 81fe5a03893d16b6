import { describe, expect, test } from '@jest/globals';
import { element, makeDocument, makeLayout, motion } from '../testing/index.ts';
import { isMeasuredFor } from '../page/index.ts';
import type { Layout } from '../page/index.ts';
import { layoutBetween } from '../sweep/index.ts';
import { compileTimeline } from './compile.ts';
import type { Motion } from './document.ts';
import { makeMeasureRequest } from './measure-request.ts';
import { isKnown, sample, shownValue } from './sample.ts';

const bare = makeLayout([element({ selector: '#a' }), element({ selector: '#b', parent: 0 })]);
const moving = (keyframes: Motion['keyframes'], more: Partial<Motion> = {}) =>
  motion({ targets: { selector: '#a' }, keyframes, ...more });
const from = (value: string, to: string) => [
  { at: '0%', value },
  { at: '100%', value: to },
];

describe('what only the browser can read', () => {
  test.each<[string, Motion['keyframes'], string[]]>([
    ['nothing of what is read here', { opacity: from('0', '1'), translate: from('0px 2em', '0 10%') }, []],
    ['a missing end', { 'box-shadow': [{ at: '100%', value: '0 0 9px red' }] }, ['']],
    ['no end that every layout has', { opacity: [{ at: '100%', value: '1' }] }, []],
    ['units of the font', { width: from('2ch', '40px') }, ['2ch']],
    [
      'functions',
      { width: from('round(up, 9px, 4px)', 'calc(1px * sin(30deg))') },
      ['round(up, 9px, 4px)', 'calc(1px * sin(30deg))'],
    ],
    [
      'colours of others',
      { color: from('color-mix(in oklab, red, blue)', 'red') },
      ['color-mix(in oklab, red, blue)'],
    ],
    ['what hangs on the parent', { 'font-size': from('2em', '30px') }, ['2em']],
    ['no words', { width: from('auto', '30px') }, []],
  ])('asks for %s', (_, keyframes, values) =>
    expect(makeMeasureRequest(makeDocument(moving(keyframes))).values.map((v) => v.value)).toEqual(values),
  );

  const document = makeDocument(moving({ width: from('2ch', '40px') }));
  const answered = (text: string | null): Layout => ({
    ...bare,
    matches: { '#a': [0] },
    values: [{ selector: '#a', property: 'width', value: '2ch', computed: [text] }],
  });
  const half = (layout: Layout, of = document) => {
    const timeline = compileTimeline(of, layout);
    sample(timeline, [1475, 0]);
    return isKnown(timeline, 0, 'width') ? shownValue(timeline, 0, 'width') : null;
  };
  test('is mixed as the browser has read it, and not said where it has not', () => {
    expect([half(answered('20px')), half(answered(null)), half(bare)]).toEqual(['30px', null, null]);
  });
  test('a layout is measured anew for what it was not asked', () => {
    const request = makeMeasureRequest(document);
    expect([
      isMeasuredFor(answered(null), request),
      isMeasuredFor({ ...bare, matches: { '#a': [0] } }, request),
    ]).toEqual([true, false]);
  });
  test('between two sizes it is known only where both have the same', () => {
    const between = (a: string, b: string) =>
      layoutBetween(answered(a), answered(b), 0.4, { width: 800, height: 600 }).values?.[0]?.computed;
    expect([between('20px', '20px'), between('20px', '22px')]).toEqual([['20px'], [null]]);
  });
});

describe('values that refer to what moves as well', () => {
  const known = (value: string, property: string, beside: Partial<Motion>) => {
    const layout = { ...bare, matches: { '#a': [0], '#b': [1] } };
    const timeline = compileTimeline(
      makeDocument(moving({ [property]: from(value, value) }, { targets: { selector: '#b' } }), {
        ...motion({ id: 'm_other' }),
        ...beside,
      }),
      layout,
    );
    sample(timeline, [1475, 0]);
    return isKnown(timeline, 1, property);
  };
  const type = { keyframes: { 'font-size': from('10px', '30px') } };
  test.each<[string, string, string, Partial<Motion>, boolean]>([
    ['em under a moving font size', 'width', '2em', { ...type, targets: { selector: '#a' } }, false],
    ['px under one', 'width', '20px', { ...type, targets: { selector: '#a' } }, true],
    [
      'em where only a child’s size moves',
      'width',
      '2em',
      { targets: { selector: '#a' }, keyframes: { opacity: from('0', '1') } },
      true,
    ],
    [
      'shares of a box that grows',
      'translate',
      '-50%',
      { targets: { selector: '#b' }, keyframes: { width: from('10px', '90px') } },
      false,
    ],
    [
      'shares of a box whose parent grows',
      'translate',
      '-50%',
      { targets: { selector: '#a' }, keyframes: { color: from('red', 'blue') } },
      true,
    ],
    [
      'its own colour, while that moves',
      'outline-color',
      'currentcolor',
      { targets: { selector: '#b' }, keyframes: { color: from('red', 'blue') } },
      false,
    ],
  ])('%s', (_, property, value, beside, is) => expect(known(value, property, beside)).toBe(is));
});
