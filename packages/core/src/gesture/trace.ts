/** A recorded way of scrolling: scroll offsets over time, as one file. */
import { itemAt, present } from '../assert/index.ts';
import * as z from 'zod';
import type { Ms, Px } from '../page/index.ts';

export const TraceSchema = z.strictObject({
  format: z.literal('lyvek-trace'),
  version: z.literal(1),
  name: z.string().trim().min(1).max(120),
  /** in the order of time: ms since the first one, and px */
  samples: z
    .array(z.strictObject({ t: z.number().min(0).max(3_600_000), y: z.number().finite() }))
    .min(2)
    .max(200_000)
    .superRefine((list, ctx) => {
      const at = list.findIndex((s, i) => i > 0 && s.t < itemAt(list, i - 1).t);
      if (at > 0)
        ctx.addIssue({ code: 'custom', message: 'samples are in the order of time', path: [at, 't'] });
    }),
});
export type Trace = z.infer<typeof TraceSchema>;

/** Where the page stood at a time: in a straight line between two samples; of several at one time the last counts. */
export function traceOffset({ samples }: Trace, t: Ms): Px {
  let low = 0;
  let high = samples.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (itemAt(samples, middle).t <= t) low = middle + 1;
    else high = middle;
  }
  const before = samples[low - 1] ?? itemAt(samples, 0);
  const after = samples[low] ?? before;
  return after.t === before.t
    ? before.y
    : before.y + ((after.y - before.y) * (t - before.t)) / (after.t - before.t);
}

/** A trace as CSV with a head line, times and offsets to a tenth. */
export const traceCsv = ({ samples }: Trace): string =>
  ['ms,px', ...samples.map((s) => `${tenth(s.t)},${tenth(s.y)}`)].join('\r\n') + '\r\n';
const tenth = (n: number) => String(Math.round(n * 10) / 10);

/** Reads a trace from JSON or from CSV: two columns, ms and px, with or without a head line. The error says what to change. */
export function readTrace(text: string, name: string): { trace: Trace } | { error: string } {
  const json = text.trimStart().startsWith('{');
  let raw: unknown;
  try {
    raw = json ? JSON.parse(text) : fromCsv(text, name);
  } catch (error) {
    return { error: json ? 'This is no complete JSON.' : (error as Error).message };
  }
  const parsed = TraceSchema.safeParse(raw);
  if (parsed.success) return { trace: parsed.data };
  const [first] = parsed.error.issues;
  return { error: `${present(first).path.join('.') || 'The file'}: ${present(first).message}` };
}

function fromCsv(text: string, name: string): unknown {
  const lines = text.split(/\r?\n/).filter((l) => l.trim() !== '');
  const rows = lines.map((l) => l.split(/[,;\t]/).map((cell) => Number.parseFloat(cell)));
  const headed = rows[0]?.some(Number.isNaN);
  const body = headed ? rows.slice(1) : rows;
  const bad = body.findIndex(
    (r) => r.length < 2 || !Number.isFinite(itemAt(r, 0)) || !Number.isFinite(itemAt(r, 1)),
  );
  if (bad >= 0)
    throw new Error(
      `Line ${bad + (headed ? 2 : 1)} does not have two numbers: milliseconds, then pixels of scroll.`,
    );
  const first = body[0]?.[0] ?? 0;
  return {
    format: 'lyvek-trace',
    version: 1,
    name,
    samples: body.map(([t, y]) => ({ t: present(t) - first, y: present(y) })),
  };
}
