import { expect, test } from '@jest/globals';
import { makeDocument, motion } from '@lyvek/core/testing';
import { readDocument, withDriver, itemAt } from '@lyvek/core';
import type { Driver, MotionDocument } from '@lyvek/core';
import { MARQUEE, marqueeSpeed } from './marquee.ts';

test('a marquee turns with the hand and is pushed by it; one that keeps its direction is only pushed', () => {
  const at = (reverses: boolean, hand: number) =>
    marqueeSpeed({ ...MARQUEE, speed: 40, push: 0.5, reverses }, hand);
  expect([at(true, 0), at(true, 100), at(true, -100)]).toEqual([40, 90, -90]);
  expect([at(false, 0), at(false, 100), at(false, -100)]).toEqual([40, 90, -10]);
});

const narrow = { id: 'q_n', name: 'Narrow', query: '(width < 600px)' };
const given = { target: '#a', length: 400, newId: (kind: string) => `${kind}_new` };
const changed = (d: MotionDocument, driver: Driver) => withDriver(d, 'm_a', driver, given);

test('to a marquee and back nothing of a motion is lost, and people are told', () => {
  const d = makeDocument(motion());
  const run = changed(d, MARQUEE);
  expect(run.message).toContain('kept');
  expect(readDocument(run.document).ok).toBe(true);
  const back = changed(run.document, itemAt(d.motions, 0).driver);
  expect(back.document.motions).toEqual(d.motions);
});

test('a range meant for one condition goes with the driver that measured it; on and off stay', () => {
  const d = {
    ...makeDocument(
      motion({ conditions: [{ media: 'q_n', on: false, range: { end: { edge: '50%', line: '40%' } } }] }),
    ),
    media: [narrow],
  };
  const { document } = changed(
    {
      ...d,
      motions: [{ ...itemAt(d.motions, 0), range: { start: 'entry 0%', end: { edge: '0%', line: '50%' } } }],
    },
    { kind: 'scroll', axis: 'block' },
  );
  expect(itemAt(document.motions, 0).conditions).toEqual([{ media: 'q_n', on: false }]);
  expect(readDocument(document).ok).toBe(true);
});

test('also where the range itself would suit the new driver, one of a condition that does not suit it goes', () => {
  const d = {
    ...makeDocument(
      motion({
        range: { start: '10%', end: '90%' },
        conditions: [{ media: 'q_n', range: { end: { edge: '50%', line: '40%' } } }],
      }),
    ),
    media: [narrow],
  };
  const { document } = changed(d, { kind: 'scroll', axis: 'block' });
  expect(itemAt(document.motions, 0).range).toEqual({ start: '10%', end: '90%' });
  expect(readDocument(document).ok).toBe(true);
});
