import { itemAt } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mediaMatches, parseMedia, viewportFor } from '../page/index.ts';
import { makeDocument, motion } from '../testing/index.ts';
import { activeMedia, editedUnder, readDocument, underMedia } from './index.ts';
import type { Motion, MotionDocument, Pin } from './index.ts';

const at = (width: number, height = 800, reducedMotion = false) => ({
  viewport: { width, height },
  reducedMotion,
});

describe('media conditions', () => {
  test.each([
    ['(width < 600px)', 599, 600],
    ['(max-width: 599px)', 599, 600],
    ['(min-width: 40em) and (orientation: landscape)', 1000, 700],
    ['(400px <= width < 600px)', 400, 399],
    ['(600px > width)', 599, 600],
    ['not (width >= 600px)', 599, 600],
    ['(width < 300px) or (width > 900px)', 901, 900],
    ['(width > 500px) and (not (width > 800px))', 800, 801],
    ['(aspect-ratio >= 16/10)', 1280, 1279],
  ])('%s holds at %i px and not at %i', (query, yes, no) => {
    expect([mediaMatches(query, at(yes)), mediaMatches(query, at(no))]).toEqual([true, false]);
  });
  test('reduced motion is the reader’s wish, not the screen’s', () => {
    expect(mediaMatches('(prefers-reduced-motion: reduce)', at(1000, 800, true))).toBe(true);
    expect(mediaMatches('(prefers-reduced-motion: reduce)', at(1000))).toBe(false);
  });
  test.each([
    ['(width < 600px', 'media condition'],
    ['(hover)', 'is not known here'],
    ['screen', 'one condition in brackets'],
    ['(width < 2vw), (height > 3px)', 'one condition'],
    ['(orientation: round)', 'portrait or landscape'],
    ['(width < 3bananas)', 'bananas'],
    ['', 'one condition'],
  ])('%s says what is wrong', (query, words) => {
    const parsed = parseMedia(query);
    expect(parsed.ok ? 'read' : parsed.error).toContain(words);
  });
  test('a viewport for a condition is a usual one where there is one', () => {
    const near = { width: 1280, height: 800 };
    expect(viewportFor('(width < 600px)', near)).toEqual({ width: 390, height: 844 });
    expect(viewportFor('(2500px <= width < 2600px)', near)).toEqual({ width: 2500, height: 800 });
    expect(viewportFor('(width < 600px) and (width > 700px)', near)).toBeNull();
  });
});

const pin: Pin = {
  id: 'p_a',
  name: 'Dome',
  on: true,
  stage: '#dome',
  sticky: { by: 'top', inset: '0px' },
  distance: { kind: 'length', value: '900px' },
  overlap: ['0px', '0px'],
  layer: null,
};
const MEDIA = [
  { id: 'q_a', name: 'Narrow', query: '(width < 600px)' },
  { id: 'q_b', name: 'Short', query: '(height < 500px)' },
];
const base = (): MotionDocument => ({
  ...makeDocument(
    motion({
      conditions: [{ media: 'q_a', range: { end: 'cover 40%' } }],
    }),
    motion({ id: 'm_b', name: 'Other', targets: { selector: '#b' } }),
  ),
  pins: [{ ...pin, conditions: [{ media: 'q_b', on: false }] }],
  media: MEDIA,
});

test('what holds is said by the viewport, in the order of the list', () => {
  expect(activeMedia(base(), at(390, 400))).toEqual(['q_a', 'q_b']);
  expect(activeMedia(base(), at(390))).toEqual(['q_a']);
});

test('only what differs is another object under a condition', () => {
  const d = base();
  const seen = underMedia(d, ['q_a']);
  expect(itemAt(seen.motions, 0).range).toEqual({
    start: itemAt(d.motions, 0).range.start,
    end: 'cover 40%',
  });
  expect(seen.motions[1]).toBe(d.motions[1]);
  expect(underMedia(d, ['q_a'])).toBe(seen);
  expect(underMedia(d, [])).toBe(d);
  expect(itemAt(underMedia(d, ['q_b']).pins, 0).on).toBe(false);
});

test('an edit without a scope goes where the seen value stands', () => {
  const move = (d: MotionDocument): MotionDocument => ({
    ...d,
    motions: d.motions.map((m) =>
      m.id === 'm_a' ? { ...m, name: 'Renamed', range: { start: 'entry 5%', end: 'cover 33%' } } : m,
    ),
  });
  const done = editedUnder(base(), ['q_a'], null, move);
  expect(done.motions[0]).toMatchObject({
    name: 'Renamed',
    range: { start: 'entry 5%', end: itemAt(base().motions, 0).range.end },
    conditions: [{ media: 'q_a', range: { end: 'cover 33%' } }],
  });
});

const values = fc.constantFrom('0', '0.3', '0.7', '1');
const points = fc.constantFrom('entry 0%', 'entry 40%', 'cover 10%', 'contain 50%', 'exit 20%');
/** An edit as any control makes it: of what it sees. */
const edit = fc.oneof(
  fc.record({ id: fc.constantFrom('m_a', 'm_b'), on: fc.boolean() }).map(
    ({ id, on }) =>
      (m: Motion): Motion =>
        m.id === id ? { ...m, on } : m,
  ),
  fc
    .record({
      id: fc.constantFrom('m_a', 'm_b'),
      side: fc.constantFrom('start' as const, 'end' as const),
      points,
    })
    .map(
      ({ id, side, points }) =>
        (m: Motion): Motion =>
          m.id === id ? { ...m, range: { ...m.range, [side]: points } } : m,
    ),
  fc.record({ id: fc.constantFrom('m_a', 'm_b'), values }).map(
    ({ id, values }) =>
      (m: Motion): Motion =>
        m.id === id
          ? {
              ...m,
              keyframes: {
                ...m.keyframes,
                opacity: [
                  { at: '0%', value: values },
                  { at: '100%', value: '1' },
                ],
              },
            }
          : m,
  ),
  fc.constantFrom('m_a', 'm_b').map(
    (id) =>
      (m: Motion): Motion =>
        m.id === id ? { ...m, easing: 'ease-in' } : m,
  ),
);
/** A motion without what is written for conditions. */
const makeSeen = (d: MotionDocument) => d.motions.map(({ conditions: _, ...m }) => m);

test('whatever is edited under some conditions is what is then seen under them, and the document stays valid', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ edit, active: fc.subarray(['q_a', 'q_b']), scoped: fc.boolean() }), {
        maxLength: 12,
      }),
      (steps) => {
        let d = base();
        for (const { edit, active, scoped } of steps) {
          // What is edited for a condition that a later one covers is not seen: the last one is the one that is edited.
          const scope = scoped ? (active.at(-1) ?? null) : null;
          const change = (x: MotionDocument): MotionDocument => ({ ...x, motions: x.motions.map(edit) });
          const wanted = change(underMedia(d, active));
          d = editedUnder(d, active, scope, change);
          expect(makeSeen(underMedia(d, active))).toEqual(makeSeen(wanted));
          expect(readDocument(d).ok).toBe(true);
        }
      },
    ),
    { numRuns: 200 },
  );
});

test('an edit for one condition is not seen outside of it', () => {
  const d = base();
  const muted = editedUnder(d, ['q_a'], 'q_a', (x) => ({
    ...x,
    motions: x.motions.map((m) => ({ ...m, on: false })),
    pins: x.pins.map((p) => ({ ...p, distance: { kind: 'length' as const, value: '300px' } })),
  }));
  expect(makeSeen(underMedia(muted, []))).toEqual(makeSeen(d));
  expect(itemAt(muted.pins, 0).distance).toEqual(pin.distance);
  expect(itemAt(underMedia(muted, ['q_a']).pins, 0).distance).toEqual({ kind: 'length', value: '300px' });
});

test('a condition that is not there, or is given twice, is an error with its path', () => {
  const broken = base();
  itemAt(broken.motions, 1).conditions = [{ media: 'q_x', on: false }];
  itemAt(broken.pins, 0).conditions = [{ media: 'q_a' }, { media: 'q_a', on: true }];
  const read = readDocument(broken);
  expect(read.ok ? [] : read.problems.map((p) => p.path)).toEqual([
    'motions[1].conditions[0].media',
    'pins[0].conditions[1].media',
  ]);
});

test('targets that are alike under a condition keep their stagger elsewhere, whatever is edited there', () => {
  const stagger = { step: '24px', order: 'page' as const };
  const d: MotionDocument = {
    ...makeDocument(motion({ stagger, conditions: [{ media: 'q_n', stagger: null }] })),
    media: [{ id: 'q_n', name: 'Narrow', query: '(width < 600px)' }],
  };
  const edited = (change: (m: Motion) => Motion) =>
    itemAt(
      editedUnder(d, ['q_n'], null, (seen) => ({ ...seen, motions: seen.motions.map(change) })).motions,
      0,
    );
  expect(itemAt(underMedia(d, ['q_n']).motions, 0)).not.toHaveProperty('stagger');
  expect(edited((m) => ({ ...m, name: 'Other' }))).toMatchObject({ name: 'Other', stagger });
  const other = { ...stagger, step: '9px' };
  expect(edited((m) => ({ ...m, stagger: other }))).toMatchObject({
    stagger,
    conditions: [{ media: 'q_n', stagger: other }],
  });
});
