import { describe, expect, test } from '@jest/globals';
import { listEvents, listFrames, MARK } from './trace-frames.ts';

const main = { pid: 1, tid: 10 };
const mark = (ms: number, y: number) => ({ name: `${MARK}${y}`, ph: 'I', ts: ms * 1000, ...main });
const work = (name: string, ms: number, dur: number, tdur = dur, at = main) => ({
  name,
  ph: 'X',
  ts: ms * 1000,
  dur: dur * 1000,
  tdur: tdur * 1000,
  ...at,
});
const thread = (name: string, tid: number, pid = 1) => ({
  name: 'thread_name',
  ph: 'M',
  ts: 0,
  pid,
  tid,
  args: { name },
});
const marks = [mark(100, 0), mark(116, 20), mark(150, 60)];

describe('frames of a trace', () => {
  test('lie between two marks, at the offset of the first, with the time until the next', () => {
    const f = listFrames(marks, 9000);
    expect([f.t, f.y, f.interval]).toEqual([
      [0, 16],
      [0, 20],
      [16, 34],
    ]);
  });
  test('a mark that is told twice counts once, and there may be none', () => {
    expect(listFrames([...marks, { ...mark(116.1, 20) }], 9000).y).toEqual([0, 20]);
    expect(listFrames([], 9000).t).toEqual([]);
  });
  test('work counts for the frame that it begins in, by class, as time of the processor', () => {
    const f = listFrames(
      [...marks, work('UpdateLayoutTree', 101, 5, 3), work('Layout', 107, 2), work('Commit', 120, 4)],
      9000,
    );
    expect([f.style, f.composite, f.paint]).toEqual([
      [5, 0],
      [0, 4],
      [0, 0],
    ]);
  });
  test('what is nested has its own class and is taken off what is around it', () => {
    const f = listFrames(
      [...marks, work('FireAnimationFrame', 101, 8), work('FunctionCall', 101.5, 7), work('Layout', 103, 3)],
      9000,
    );
    expect(f.script[0]).toBeCloseTo(5, 6);
    expect(f.style[0]).toBeCloseTo(3, 6);
  });
  test('of other threads the busiest that draws counts; of other processes’ main threads nothing does', () => {
    const f = listFrames(
      [
        thread('Compositor', 11),
        thread('CrRendererMain', 10, 2),
        thread('CrGpuMain', 30, 3),
        ...marks,
        work('RunTask', 102, 4, 4, { pid: 1, tid: 11 }),
        work('RunTask', 102, 9, 9, { pid: 2, tid: 10 }),
        work('RunTask', 103, 1, 1, { pid: 3, tid: 30 }),
        work('Layout', 103, 5, 5, { pid: 2, tid: 10 }),
      ],
      9000,
    );
    expect(f.composite[0]).toBeCloseTo(4, 6);
    expect(f.style[0]).toBe(0);
  });
  test('marks that the page sets itself, at places that it does not have, count for nothing', () => {
    const forged = [1e10, -5, NaN, Infinity, 40_000].map((y, i) => mark(120 + i, y));
    expect(listFrames([...marks, ...forged], 9000)).toEqual(listFrames(marks, 9000));
    const flood = Array.from({ length: 300_000 }, (_, i) => mark(200 + i, i % 9000));
    expect(listFrames([...marks, ...flood], 9000).y.length).toBeLessThanOrEqual(200_000);
  });
  test('reads a trace file and leaves out what is no event', () => {
    const text = JSON.stringify({ traceEvents: [mark(1, 0), { name: 4 }, 'x'] });
    expect(listEvents(Buffer.from(text)).length).toBe(1);
    expect(() => listEvents(Buffer.from('{}'))).toThrow();
  });
});
