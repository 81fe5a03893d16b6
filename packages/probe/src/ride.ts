/** Scrolls the page along a path, as a hand would, and watches how its frames go. */
import type { Ridden, RidePath } from '@lyvek/core';

/** Frames that are watched before anything is scrolled: how busy the machine is by itself. */
const IDLE = 40;
const MAX = 60_000;

interface LongFrame extends PerformanceEntry {
  styleAndLayoutStart: number;
  scripts: { duration: number }[];
}
interface Shift extends PerformanceEntry {
  value: number;
}

/** Every frame once, even where several documents of one process are called for each other’s frames. */
function eachFrame(act: (t: number) => boolean): Promise<void> {
  return new Promise((done) => {
    let last = -1;
    const next = (t: number) => {
      if (t !== last) {
        last = t;
        if (!act(t)) return done();
      }
      requestAnimationFrame(next);
    };
    requestAnimationFrame(next);
  });
}

async function idleIntervals(): Promise<number[]> {
  const times: number[] = [];
  await eachFrame((t) => times.push(t) <= IDLE);
  return times.slice(1).map((t, i) => t - times[i]!);
}

/** Offset of the path at a time, ms; linear between its samples. */
function damped({ t, y }: RidePath): (at: number) => number {
  let k = 0;
  return (at) => {
    while (k < t.length - 2 && t[k + 1]! <= at) k++;
    const [t0, t1] = [t[k]!, t[k + 1] ?? t[k]!];
    const share = t1 > t0 ? Math.min(1, Math.max(0, (at - t0) / (t1 - t0))) : 1;
    return Math.round(y[k]! + ((y[k + 1] ?? y[k]!) - y[k]!) * share);
  };
}

export async function ride(path: RidePath, rest: number): Promise<Ridden> {
  scrollTo({ top: path.y[0] ?? 0, behavior: 'instant' });
  const idle = await idleIntervals();
  const out: Ridden = { idle, t: [], y: [], busy: [], long: [], shifts: [], hidden: document.hidden };
  let began = 0;
  const offsetThen = (at: number) => {
    const i = out.t.findLastIndex((t) => t <= at);
    return out.y[Math.max(0, i)] ?? 0;
  };
  const observers = [
    watch<LongFrame>('long-animation-frame', (e) => {
      const end = e.startTime + e.duration;
      const t = e.startTime - began;
      out.long.push({
        t,
        y: offsetThen(t),
        duration: e.duration,
        script: e.scripts.reduce((sum, s) => sum + s.duration, 0),
        style: e.styleAndLayoutStart > 0 ? end - e.styleAndLayoutStart : 0,
      });
    }),
    watch<Shift>('layout-shift', (e) => {
      const t = e.startTime - began;
      out.shifts.push({ t, y: offsetThen(t), score: e.value });
    }),
  ];
  const hide = () => (out.hidden ||= document.hidden);
  document.addEventListener('visibilitychange', hide);
  // A message sent in a frame’s callback arrives after that frame has been drawn.
  const drawn = new MessageChannel();
  drawn.port1.onmessage = ({ data }: MessageEvent<[number, number]>) => {
    out.busy[data[0]] = performance.now() - data[1];
  };
  const at = damped(path);
  const end = path.t.at(-1) ?? 0;
  await eachFrame((now) => {
    began ||= now;
    const elapsed = now - began;
    drawn.port2.postMessage([out.t.length, performance.now()]);
    scrollTo({ top: at(elapsed), behavior: 'instant' });
    out.t.push(elapsed);
    out.y.push(scrollY);
    out.busy.push(0);
    return elapsed < end + rest && out.t.length < MAX;
  });
  // What was observed last is told a little later.
  await new Promise((done) => setTimeout(done, 120));
  drawn.port1.close();
  for (const o of observers) o?.disconnect();
  document.removeEventListener('visibilitychange', hide);
  const within = ({ t }: { t: number }) => t >= 0;
  return {
    ...out,
    long: out.long.filter(within).slice(0, 5000),
    shifts: out.shifts.filter(within).slice(0, 5000),
  };
}

function watch<T extends PerformanceEntry>(
  type: string,
  hear: (entry: T) => void,
): PerformanceObserver | null {
  if (!PerformanceObserver.supportedEntryTypes.includes(type)) return null;
  const observer = new PerformanceObserver((list) => list.getEntries().forEach((e) => hear(e as T)));
  observer.observe({ type });
  return observer;
}
