import { itemAt } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import { makeDocument, element, makeLayout, motion } from '../testing/index.ts';
import { compileTimeline } from './compile.ts';
import { collectSelectors } from './document.ts';
import { documentJsonSchema, readDocument } from './schema.ts';
import { sample, shownValue } from './sample.ts';

const layout = makeLayout([
  element({ selector: '#a' }),
  element({ selector: '#b', box: { x: 0, y: 5000, width: 200, height: 200 } }),
]);
const shown = (timeline: ReturnType<typeof compileTimeline>, s: number, property = 'opacity', e = 0) => {
  sample(timeline, [s, 0]);
  return shownValue(timeline, e, property);
};

describe('the document', () => {
  test('is read when it is right', () => expect(readDocument(makeDocument(motion())).ok).toBe(true));

  test.each<[string, unknown, string]>([
    ['an unknown field', makeDocument({ ...motion(), colour: 'red' } as never), 'motions[0]'],
    [
      'a wrong range',
      makeDocument(motion({ range: { start: 'entre 10%', end: 'exit' } })),
      'motions[0].range.start',
    ],
    [
      'a wrong value',
      makeDocument(motion({ keyframes: { opacity: [{ at: '0%', value: 'low' }] } })),
      'motions[0].keyframes.opacity[0].value',
    ],
    ['two equal ids', makeDocument(motion(), motion()), 'motions[1].id'],
    [
      'a meeting on a whole-page driver',
      makeDocument(
        motion({
          driver: { kind: 'scroll', axis: 'block' },
          range: { start: { edge: '0%', line: '0%' }, end: '100%' },
        }),
      ),
      'motions[0].range.start',
    ],
    [
      'an element point beyond its height',
      makeDocument(motion({ range: { start: { edge: '120%', line: '0%' }, end: 'exit' } })),
      'motions[0].range.start',
    ],
    ['a newer version', { format: 'lyvek-document', version: 3, motions: [] }, 'version'],
    [
      'an easing that swings back over a stop',
      makeDocument(
        motion({
          easing: 'cubic-bezier(0.3, 2.4, 0.6, -1.6)',
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
      driver: { kind: 'view', subject: '#b', axis: 'block', insets: ['0px', '0px'] },
    });
    expect(collectSelectors(makeDocument(motion(), other))).toEqual(['#a', '#b']);
  });
});

describe('edge cases of the page', () => {
  const page = motion({ driver: { kind: 'scroll', axis: 'block' }, range: { start: '0%', end: '100%' } });
  const reasons = (m: ReturnType<typeof motion>, l: typeof layout) =>
    compileTimeline(makeDocument(m), l).unplaced.map((u) => u.reason);

  test('a page that does not scroll has no scroll timeline, but view timelines have their place', () => {
    const short = makeLayout(
      [element({ selector: '#a', box: { x: 0, y: 100, width: 300, height: 200 } })],
      0,
    );
    expect(reasons(page, short)).toEqual(['there is nothing to scroll']);
    const timeline = compileTimeline(
      makeDocument(motion({ range: { start: 'cover 0%', end: 'cover 100%' } })),
      short,
    );
    expect(shown(timeline, 0)).toBe('0.7');
  });

  test('an element without a box has no timeline, and that is said', () => {
    const none = makeLayout([element({ selector: '#a', box: { x: 0, y: 0, width: 0, height: 0 } })]);
    expect(reasons(motion(), none)).toEqual(['it has no box of its own (display: none or contents)']);
  });

  test('insets that leave nothing of the viewport switch the view progress off, and that is said', () => {
    const driver = {
      kind: 'view' as const,
      subject: 'self',
      axis: 'block' as const,
      insets: ['80%', '70%'] as [string, string],
    };
    expect(reasons(motion({ driver }), layout)).toEqual(['its insets leave no part of the viewport']);
  });

  test('a fixed subject counts as lying at the page’s top: its view progress is over at once', () => {
    const fixed = makeLayout([
      element({ selector: '#a', fixed: true, box: { x: 0, y: 10, width: 900, height: 50 } }),
    ]);
    const timeline = compileTimeline(
      makeDocument(motion({ range: { start: 'entry 0%', end: 'exit 100%' } })),
      fixed,
    );
    expect(itemAt(timeline.instances, 0).placed).toMatchObject({ start: -790, end: 60 });
  });

  test('auto insets take the scroll padding, written ones do not', () => {
    const padded = {
      ...layout,
      scrollers: [{ ...itemAt(layout.scrollers, 0), padding: ['120px', '60px'] as [string, string] }],
    };
    const start = (insets: [string, string]) =>
      itemAt(
        compileTimeline(
          makeDocument(motion({ driver: { kind: 'view', subject: 'self', axis: 'block', insets } })),
          padded,
        ).instances,
        0,
      ).placed.start;
    expect(start(['auto', 'auto']) - start(['0px', '0px'])).toBe(60);
  });

  test('the inline axis and an inner scroller are channels of their own', () => {
    const inner = makeLayout([
      element({ selector: '#a', scroller: 1, box: { x: 700, y: 0, width: 100, height: 80 } }),
    ]);
    inner.scrollers.push({
      selector: '#box',
      port: { width: 400, height: 200 },
      max: { block: 0, inline: 900 },
    });
    const driver = {
      kind: 'view' as const,
      subject: 'self',
      axis: 'inline' as const,
      insets: ['0px', '0px'] as [string, string],
    };
    const timeline = compileTimeline(
      makeDocument(motion({ driver, range: { start: 'cover 0%', end: 'cover 100%' } })),
      inner,
    );
    sample(timeline, [0, 0, 0, 550]);
    expect(shownValue(timeline, 0, 'opacity')).toBe('0.5');
    sample(timeline, [550, 550, 550, 0]);
    expect(shownValue(timeline, 0, 'opacity')).toBe('0');
  });
});

describe('a compiled take', () => {
  test('holds before and after, and moves in between', () => {
    const timeline = compileTimeline(makeDocument(motion()), layout);
    expect(shown(timeline, 0)).toBe('0');
    expect(shown(timeline, 1475)).toBe('0.5');
    expect(shown(timeline, 5000)).toBe('1');
    expect(shown(timeline, 1475)).toBe('0.5');
  });

  test('without fill the element keeps its own value outside', () => {
    const timeline = compileTimeline(makeDocument(motion({ fill: 'none' })), layout);
    expect([shown(timeline, 0), shown(timeline, 1475), shown(timeline, 5000)]).toEqual([null, '0.5', null]);
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
    const timeline = compileTimeline(makeDocument(motion(), leave), layout);
    expect(shown(timeline, 1475)).toBe('0.5');
    expect(shown(timeline, 2150)).toBe('0.6');
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
    const timeline = compileTimeline(makeDocument(rest, pulse), layout);
    expect([1400, 1625, 1750, 5000].map((s) => shown(timeline, s))).toEqual(['0.2', '0.6', '1', '0.2']);
  });

  test('missing ends take the element’s own value', () => {
    const own = makeLayout([element({ selector: '#a', base: { opacity: '0.4' } })]);
    const timeline = compileTimeline(
      makeDocument(motion({ keyframes: { opacity: [{ at: '50%', value: '1' }] } })),
      own,
    );
    expect([shown(timeline, 0), shown(timeline, 1475), shown(timeline, 9000)]).toEqual(['0.4', '1', '0.4']);
  });

  test('says what could not be placed, and why', () => {
    const timeline = compileTimeline(
      makeDocument(
        motion({ targets: { selector: '#gone' } }),
        motion({
          id: 'm_b',
          driver: { kind: 'scroll', scroller: '#box', axis: 'block' },
          range: { start: '0%', end: '100%' },
        }),
      ),
      layout,
    );
    expect(timeline.unplaced.map((u) => u.reason)).toEqual([
      'no element matches #gone',
      'no scroller matches #box',
    ]);
  });

  test('sampling allocates no numbers: the same arrays are written', () => {
    const timeline = compileTimeline(makeDocument(motion()), layout);
    const { values, progress } = timeline;
    for (let s = 0; s < 9000; s += 7) sample(timeline, [s, 0]);
    expect(timeline.values).toBe(values);
    expect(timeline.progress).toBe(progress);
  });
});
