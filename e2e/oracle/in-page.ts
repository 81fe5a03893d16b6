/** Runs inside a case page: the probe's own measuring, and reading what the browser shows. */
import { present } from '@lyvek/core';
import { measure } from '../../packages/probe/src/measure.ts';
import { readPageRules } from '../../packages/probe/src/page-rules.ts';
import { Patch } from '../../packages/probe/src/patch.ts';
import type { HtmlPatch, MeasureRequest } from '@lyvek/core';

const frames = (n: number) =>
  new Promise<void>((done) => {
    const next = (left: number) => (left === 0 ? done() : requestAnimationFrame(() => next(left - 1)));
    next(n);
  });

export interface Shown {
  progress: number | null;
  /** scroll offsets of progress 0 and 1 as the browser resolved them, px; null without a live timeline */
  range: { start: number; end: number } | null;
  /** the scroll offset that the timeline stands at: the browser cuts the way from its start to whole sixteenths of a px */
  offset: number | null;
  values: string[];
}

interface Timeline {
  startOffset?: { value: number } | null;
  endOffset?: { value: number } | null;
  currentTime: { value: number } | null;
  source: Element;
  axis: string;
}

function listPlaces(animation: Animation | undefined): Pick<Shown, 'range' | 'offset'> {
  const timeline = animation?.timeline as unknown as Timeline | null;
  if (!animation || !timeline?.currentTime || !timeline.source) return { range: null, offset: null };
  const from = timeline.startOffset?.value ?? 0;
  const whole = (timeline.endOffset?.value ?? timeline.source.scrollHeight - innerHeight) - from;
  const at = (time: unknown) => from + ((time as { value: number }).value / 100) * whole;
  const share = parseFloat(String(present(animation.effect).getComputedTiming().duration)) / 100;
  const start = at(animation.startTime);
  return { range: { start, end: start + share * whole }, offset: at(timeline.currentTime) };
}

const patch = new Patch();
const oracle = {
  measure: (wanted: MeasureRequest | string[]) =>
    measure(Array.isArray(wanted) ? { selectors: wanted, values: [] } : wanted, patch).layout,
  patch: (wanted: HtmlPatch) => patch.apply(wanted),
  learn: async () => void patch.learn(await readPageRules()),

  /** Scrolls, waits two frames and reads progress and computed values per case. */
  async look(
    y: number,
    inner: Record<string, number>,
    wanted: { id: string; part?: string; properties: string[] }[],
  ): Promise<{ offsets: Record<string, [number, number]>; shown: Shown[] }> {
    scrollTo({ top: y, behavior: 'instant' });
    for (const [id, at] of Object.entries(inner))
      document.getElementById(id)?.scrollTo({ top: at, left: at, behavior: 'instant' });
    await frames(2);
    const offsets: Record<string, [number, number]> = { '': [scrollY, scrollX] };
    for (const e of document.querySelectorAll('.scroller')) offsets[`#${e.id}`] = [e.scrollTop, e.scrollLeft];
    const shown = wanted.map(({ id, part = '', properties }) => {
      const e = present(document.getElementById(id));
      const style = getComputedStyle(e, part);
      const animation = e
        .getAnimations({ subtree: part !== '' })
        .find((a) => ((a.effect as KeyframeEffect).pseudoElement ?? '') === part);
      return {
        progress: overall(animation?.effect?.getComputedTiming()),
        ...listPlaces(animation),
        values: properties.map((p) => style.getPropertyValue(p)),
      };
    });
    return { offsets, shown };
  },

  /** Transforms as the browser reads them: sixteen numbers each. */
  matrices: (texts: string[]) => texts.map((t) => [...new DOMMatrix(t).toFloat64Array()]),
};
export type Oracle = typeof oracle;
(globalThis as unknown as { oracle: Oracle }).oracle = oracle;

/** Progress over all iterations, whichever way the current one runs (Web Animations 1, §4.8). */
function overall(timing: ComputedEffectTiming | undefined): number | null {
  const { progress, currentIteration, iterations = 1, direction = 'normal' } = timing ?? {};
  if (progress === null || progress === undefined || currentIteration === null) return null;
  const turn = currentIteration ?? 0;
  const share = direction === 'alternate' && turn % 2 === 1 ? 1 - progress : progress;
  return (turn + share) / iterations;
}
