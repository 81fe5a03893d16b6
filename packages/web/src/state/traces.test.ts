import { expect, test } from '@jest/globals';
import { recordedGesture, TraceSchema, runGesture, itemAt, lastItem, present } from '@lyvek/core';
import { MAX_TRACES, traceFrom, withTrace } from './traces.ts';

const samples = [
  { t: 0, y: 100 },
  { t: 2000, y: 120 },
  { t: 2016.67, y: 160 },
  { t: 2033.33, y: 150 },
];

test('a recording begins with the first movement and is replayed as it was', () => {
  const trace = present(traceFrom(samples, []));
  expect(TraceSchema.parse(trace)).toEqual(trace);
  expect(trace.samples.map((s) => s.y)).toEqual([100, 120, 160, 150]);
  expect(itemAt(trace.samples, 0).t).toBe(0);
  expect(lastItem(trace.samples).t).toBeCloseTo(50, 0);
  expect([...runGesture(recordedGesture(trace), 0, 5000, 60).offsets]).toEqual([100, 120, 160, 150]);
});
test('without movement there is nothing to keep', () => {
  expect(traceFrom([{ t: 0, y: 5 }], [])).toBeNull();
  expect(
    traceFrom(
      [
        { t: 0, y: 5 },
        { t: 90, y: 5 },
      ],
      [],
    ),
  ).toBeNull();
});
test('names are free ones, and the oldest goes when there are too many', () => {
  let all: ReturnType<typeof withTrace> = [];
  for (let i = 0; i < MAX_TRACES + 2; i++) all = withTrace(all, present(traceFrom(samples, all)));
  expect(all.length).toBe(MAX_TRACES);
  expect(new Set(all.map((t) => t.name)).size).toBe(MAX_TRACES);
  expect(lastItem(all).name).not.toBe(itemAt(all, 0).name);
});
