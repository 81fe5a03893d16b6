import { describe, expect, test } from '@jest/globals';
import { documentOf, element, layoutOf, motion } from '../testing/index.ts';
import { compileTake } from './compile.ts';
import { documentJsonSchema, readDocument, selectorsOf } from './document.ts';
import { sample, shownValue } from './sample.ts';

const layout = layoutOf([
  element({ selector: '#a' }),
  element({ selector: '#b', box: { x: 0, y: 5000, width: 200, height: 200 } }),
]);
const shown = (take: ReturnType<typeof compileTake>, s: number, property = 'opacity', e = 0) => {
  sample(take, [s, 0]);
  return shownValue(take, e, property);
};

describe('the document', () => {
  test('is read when it is right', () => expect(readDocument(documentOf(motion())).ok).toBe(true));

  test.each<[string, unknown, string]>([
    ['an unknown field', documentOf({ ...motion(), colour: 'red' } as never), 'motions[0]'],
    [
      'a wrong range',
      documentOf(motion({ range: { start: 'entre 10%', end: 'exit' } })),
      'motions[0].range.start',
    ],
    [
      'a wrong value',
      documentOf(motion({ keyframes: { opacity: [{ at: '0%', value: 'low' }] } })),
      'motions[0].keyframes.opacity[0].value',
    ],
    ['two equal ids', documentOf(motion(), motion()), 'motions[1].id'],
    [
      'a meeting on a whole-page driver',
      documentOf(
        motion({
          driver: { kind: 'page', axis: 'block' },
          range: { start: { edge: '0%', line: '0%' }, end: '100%' },
        }),
      ),
      'motions[0].range.start',
    ],
    [
      'an element point beyond its height',
      documentOf(motion({ range: { start: { edge: '120%', line: '0%' }, end: 'exit' } })),
      'motions[0].range.start',
    ],
    ['a newer version', { format: 'lyvek-document', version: 2, motions: [] }, 'version'],
    [
      'an overshoot over several stops',
      documentOf(
        motion({
          easing: 'cubic-bezier(0.3, 1.6, 0.5, 1)',
          keyframes: {
            opacity: [
              { at: '0%', value: '0' },
              { at: '50%', value: '1' },
              { at: '100%', value: '0' },
            ],
          },
        }),
      ),
      'motions[0].easing',
    ],
    ['no document at all', 'hello', ''],
  ])('refuses %s with its path', (_name, json, path) => {
    const result = readDocument(json);
    expect(result.ok).toBe(false);
    if (!result.ok) expect(result.problems.map((p) => p.path)).toContain(path);
  });

  test('publishes a JSON Schema', () =>
    expect(JSON.stringify(documentJsonSchema())).toContain('lyvek-document'));
  test('names every selector once', () => {
    const other = motion({
      id: 'm_b',
      driver: { kind: 'passage', subject: '#b', axis: 'block', insets: ['0px', '0px'] },
    });
    expect(selectorsOf(documentOf(motion(), other))).toEqual(['#a', '#b']);
  });
});

describe('a compiled take', () => {
  test('holds before and after, and moves in between', () => {
    const take = compileTake(documentOf(motion()), layout);
    expect(shown(take, 0)).toBe('0');
    expect(shown(take, 1475)).toBe('0.5');
    expect(shown(take, 5000)).toBe('1');
    expect(shown(take, 1475)).toBe('0.5');
  });

  test('without fill the element keeps its own value outside', () => {
    const take = compileTake(documentOf(motion({ fill: 'none' })), layout);
    expect([shown(take, 0), shown(take, 1475), shown(take, 5000)]).toEqual([null, '0.5', null]);
  });

  test('the later writer wins where it is in effect: arrival both, departure forwards', () => {
    const leave = motion({
      id: 'm_b',
      range: { start: 'exit 0%', end: 'exit 100%' },
      fill: 'forwards',
      keyframes: {
        opacity: [
          { at: '0%', value: '1' },
          { at: '100%', value: '0.2' },
        ],
      },
    });
    const take = compileTake(documentOf(motion(), leave), layout);
    expect(shown(take, 1475)).toBe('0.5');
    expect(shown(take, 2150)).toBe('0.6');
  });

  test('a missing end lets an earlier motion show through', () => {
    const rest = motion({
      range: { start: 'entry 0%', end: 'entry 1%' },
      keyframes: {
        opacity: [
          { at: '0%', value: '0' },
          { at: '100%', value: '0.2' },
        ],
      },
    });
    const pulse = motion({
      id: 'm_b',
      range: { start: 'contain 0%', end: 'contain 100%' },
      fill: 'forwards',
      keyframes: { opacity: [{ at: '50%', value: '1' }] },
    });
    const take = compileTake(documentOf(rest, pulse), layout);
    expect([1400, 1625, 1750, 5000].map((s) => shown(take, s))).toEqual(['0.2', '0.6', '1', '0.2']);
  });

  test('missing ends take the element’s own value', () => {
    const own = layoutOf([element({ selector: '#a', base: { opacity: '0.4' } })]);
    const take = compileTake(
      documentOf(motion({ keyframes: { opacity: [{ at: '50%', value: '1' }] } })),
      own,
    );
    expect([shown(take, 0), shown(take, 1475), shown(take, 9000)]).toEqual(['0.4', '1', '0.4']);
  });

  test('says what could not be placed, and why', () => {
    const take = compileTake(
      documentOf(
        motion({ targets: { selector: '#gone' } }),
        motion({
          id: 'm_b',
          driver: { kind: 'page', scroller: '#box', axis: 'block' },
          range: { start: '0%', end: '100%' },
        }),
      ),
      layout,
    );
    expect(take.unplaced.map((u) => u.reason)).toEqual([
      'no element matches #gone',
      'no scroller matches #box',
    ]);
  });

  test('sampling allocates no numbers: the same arrays are written', () => {
    const take = compileTake(documentOf(motion()), layout);
    const { values, progress } = take;
    for (let s = 0; s < 9000; s += 7) sample(take, [s, 0]);
    expect(take.values).toBe(values);
    expect(take.progress).toBe(progress);
  });
});
