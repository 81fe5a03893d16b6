/** A browser’s trace as frames: how long the main thread and the other threads worked on each, by class, and where the page stood. */
import { itemAt, lastItem, present } from '@lyvek/core';
import * as z from 'zod';
import type { CostPart, TrialFrames } from '@lyvek/core';

const EventShape = z.looseObject({
  name: z.string(),
  ph: z.string(),
  ts: z.number(),
  pid: z.number(),
  tid: z.number(),
  /** µs on the clock, and of work */
  dur: z.number().optional(),
  tdur: z.number().optional(),
  args: z.unknown().optional(),
});
type TraceEvent = z.infer<typeof EventShape>;

/** Each frame of the page leaves a mark of this name with its scroll offset. */
export const MARK = 'lyvek-frame ';

/** What the main thread does for a frame. Of nested events the inner one has its own time. */
const MAIN: Record<string, CostPart> = {
  FireAnimationFrame: 'script',
  FunctionCall: 'script',
  TimerFire: 'script',
  EventDispatch: 'script',
  EvaluateScript: 'script',
  UpdateLayoutTree: 'style',
  Layout: 'style',
  PrePaint: 'paint',
  Paint: 'paint',
  'LocalFrameView::RunPaintLifecyclePhase': 'paint',
  Layerize: 'composite',
  Commit: 'composite',
};
/** More frames than any trial can have: ten minutes at 240 Hz. */
const MAX_MARKS = 200_000;
/** A page may have grown a little since it was measured, px. */
const SLACK = 20_000;
/** Threads that put frames together: the renderer’s compositor and rasterizers, and the GPU process. */
const DRAWING =
  /^(?:Compositor|CompositorTileWorker.*|ThreadPoolForegroundWorker|VizCompositorThread|CrGpuMain)$/;

/** Reads the events of a trace file; anything that is not one is left out. */
export function listEvents(trace: Buffer): TraceEvent[] {
  const parsed = z.object({ traceEvents: z.array(z.unknown()) }).parse(JSON.parse(trace.toString('utf8')));
  return parsed.traceEvents.flatMap((e) => {
    const one = EventShape.safeParse(e);
    return one.success ? [one.data] : [];
  });
}

/**
 * Frames between the marks. `max`: as far as the page can be scrolled, px. The page can set marks of this name too; those at no offset of the page
 * count for nothing, and of very many the first ones count.
 */
export function listFrames(events: readonly TraceEvent[], max: number): TrialFrames {
  const marks = events
    .filter((e) => e.name.startsWith(MARK))
    .slice(0, MAX_MARKS)
    .map((e) => ({ ts: e.ts, y: Number(e.name.slice(MARK.length)), pid: e.pid, tid: e.tid }))
    .filter((m) => m.y >= 0 && m.y <= max + SLACK)
    .sort((a, b) => a.ts - b.ts);
  // A mark is told once by the page and may be told again where it is measured.
  const frames = marks.filter((m, i) => i === 0 || m.ts - itemAt(marks, i - 1).ts > 200);
  const first = frames[0];
  const out: TrialFrames = { t: [], y: [], script: [], style: [], paint: [], composite: [], interval: [] };
  if (!first) return out;
  const n = frames.length - 1;
  const spent: Record<CostPart, Float64Array> = {
    script: new Float64Array(n),
    style: new Float64Array(n),
    paint: new Float64Array(n),
    composite: new Float64Array(n),
  };
  const frameAt = (ts: number): number => {
    let low = 0;
    let high = frames.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (itemAt(frames, middle).ts <= ts) low = middle + 1;
      else high = middle;
    }
    return low - 1;
  };
  const add = (part: CostPart, ts: number, us: number) => {
    const i = frameAt(ts);
    if (i >= 0 && i < n) spent[part][i]! += us / 1000;
  };
  const threads = new Map<string, string>();
  for (const e of events)
    if (e.name === 'thread_name')
      threads.set(`${e.pid} ${e.tid}`, String((e.args as { name?: unknown } | undefined)?.name ?? ''));
  const main = events
    .filter((e) => e.ph === 'X' && e.pid === first.pid && e.tid === first.tid && MAIN[e.name])
    .sort((a, b) => a.ts - b.ts || (b.dur ?? 0) - (a.dur ?? 0));
  const open: { part: CostPart; end: number; ts: number }[] = [];
  for (const e of main) {
    while (open.length && lastItem(open).end <= e.ts) open.pop();
    const own = e.tdur ?? e.dur ?? 0;
    const around = open.at(-1);
    if (around) add(around.part, around.ts, -own);
    const part = present(MAIN[e.name]);
    add(part, e.ts, own);
    open.push({ part, end: e.ts + (e.dur ?? 0), ts: e.ts });
  }
  // They work side by side, so that a frame takes as long as the busiest of them.
  const drawing = new Map<string, Float64Array>();
  for (const e of events) {
    const thread = `${e.pid} ${e.tid}`;
    if (e.name !== 'RunTask' || e.ph !== 'X' || !DRAWING.test(threads.get(thread) ?? '')) continue;
    const i = frameAt(e.ts);
    if (i < 0 || i >= n) continue;
    const own = drawing.get(thread) ?? new Float64Array(n);
    drawing.set(thread, own);
    own[i]! += (e.tdur ?? e.dur ?? 0) / 1000;
  }
  for (let i = 0; i < n; i++)
    spent.composite[i]! += [...drawing.values()].reduce((most, own) => Math.max(most, itemAt(own, i)), 0);
  for (let i = 0; i < n; i++) {
    out.t.push(round((itemAt(frames, i).ts - first.ts) / 1000));
    out.y.push(itemAt(frames, i).y);
    present(out.interval).push(round((itemAt(frames, i + 1).ts - itemAt(frames, i).ts) / 1000));
    for (const part of ['script', 'style', 'paint', 'composite'] as const)
      out[part].push(round(Math.max(0, itemAt(spent[part], i))));
  }
  return out;
}

const round = (n: number) => Math.round(n * 100) / 100;
