import { expect, test } from '@jest/globals';
import { TraceSchema } from './trace.ts';

const trace = (...samples: [t: number, y: number][]) => ({
  format: 'lyvek-trace',
  version: 1,
  name: 'Down the stairs',
  samples: samples.map(([t, y]) => ({ t, y })),
});

test('a trace is samples in the order of time', () => {
  expect(TraceSchema.safeParse(trace([0, 0], [16, 40], [16, 41])).success).toBe(true);
  const late = TraceSchema.safeParse(trace([0, 0], [32, 40], [16, 41]));
  expect(late.error?.issues[0]?.path).toEqual(['samples', 2, 't']);
  expect(TraceSchema.safeParse(trace([0, 0])).success).toBe(false);
});
