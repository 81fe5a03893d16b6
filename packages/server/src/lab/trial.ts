/** A measured trial: Chromium scrolls the finished hand-off with real wheel input, slowed down like the device, and is traced. */
import { setTimeout as rest } from 'node:timers/promises';
import type { Browser, CDPSession, Page } from 'playwright-core';
import {
  clockById,
  runCost,
  deviceById,
  doubts,
  droppedIn,
  findGesture,
  medianRun,
  recordedGesture,
  runGesture,
  itemAt,
  present,
} from '@lyvek/core';
import type { TrialFrames, TrialResult, TrialSetup } from '@lyvek/core';
import { withPage } from './chromium.ts';
import type { PageFiles } from './page-files.ts';
import { listEvents, listFrames, MARK } from './trace-frames.ts';
import { TrialFailed } from './watch.ts';

const CATEGORIES = [
  'devtools.timeline',
  'disabled-by-default-devtools.timeline',
  'devtools.timeline.frame',
  'blink.user_timing',
  'cc',
];
/** Leaves a mark in every frame, says hello to nobody, and needs nothing of the page. */
const MARKING = `(() => { const mark = () => { performance.mark('${MARK}' + Math.round(scrollY)); requestAnimationFrame(mark); }; requestAnimationFrame(mark); })()`;
const FRAME = 1000 / 60;
/** After the hand, ms: so that what follows comes to rest inside the trace. */
const SETTLE = 700;
/** A trace that is larger is not read, bytes: a page can fill it with marks of its own. */
const MAX_TRACE_BYTES = 192e6;

/** No trial may take longer than this, ms. */
export const MAX_TRIAL = 10 * 60_000;
/** Time that a trial is given, whole ms: more than the hand takes for each run, since a slow page takes longer, and some for starting. */
export function findLongest(setup: TrialSetup): number {
  const legs = setup.direction === 'both' ? 2 : 1;
  return Math.ceil(20_000 + (setup.repeats + 1) * (6000 + 1.8 * legs * (setup.lasts ?? 30_000)));
}

export interface LabHooks {
  /** share done */
  onProgress?(done: number): void;
  signal: AbortSignal;
}

/**
 * Runs the gesture once to warm up and `setup.repeats` times to measure; the run of median cost is kept. Throws `TrialFailed` with a
 * sentence for people when the page goes away, hangs, or takes too much memory; whatever `signal` says when it is aborted.
 */
export async function runTrial(
  files: PageFiles,
  setup: TrialSetup,
  { onProgress, signal }: LabHooks,
): Promise<TrialResult> {
  return withPage(
    files,
    setup.viewport,
    async ({ page, late }) => {
      const browser = present(page.context().browser());
      const cdp = await page.context().newCDPSession(page);
      await cdp.send('Emulation.setCPUThrottlingRate', { rate: deviceById(setup.device).slower });
      await page.evaluate(MARKING);
      const max = readHeight(
        await page.evaluate<unknown>('Math.max(0, document.scrollingElement.scrollHeight - innerHeight)'),
      );
      const runs: TrialFrames[] = [];
      const notes = late ? ['The page’s load event never came.'] : [];
      for (let i = 0; i <= setup.repeats; i++) {
        const measured = i > 0;
        const frames = await oneRun({ page, browser, cdp }, setup, max, measured, signal);
        if (measured && frames) runs.push(frames);
        onProgress?.((i + 1) / (setup.repeats + 1));
        signal.throwIfAborted();
      }
      const kept = medianRun(runs);
      if (!kept || kept.t.length < 2)
        throw new TrialFailed('The page showed no frames while it was scrolled.');
      return {
        format: 'lyvek-trial',
        version: 1,
        kind: 'lab',
        setup,
        frames: kept,
        events: droppedIn(kept),
        spread: runs.map((r) => Math.round(runCost(r))),
        notes: [...notes, ...doubts(runs.map(runCost))],
      } satisfies TrialResult;
    },
    signal,
  );
}

/** What the page says of its own height, within what a browser can lay out. */
const readHeight = (said: unknown): number =>
  typeof said === 'number' && Number.isFinite(said) ? Math.min(MAX_HEIGHT, Math.max(0, Math.round(said))) : 0;
/** Chromium lays nothing out beyond it, px. */
const MAX_HEIGHT = 33_554_432;

/** The hand goes over the page once; traced if it is measured. */
async function oneRun(
  { page, browser, cdp }: { page: Page; browser: Browser; cdp: CDPSession },
  setup: TrialSetup,
  max: number,
  measured: boolean,
  signal: AbortSignal,
): Promise<TrialFrames | null> {
  const up = setup.direction === 'up';
  await page.evaluate(`scrollTo({ top: ${up ? max : 0}, behavior: 'instant' })`);
  await rest(200, undefined, { signal });
  if (measured) await browser.startTracing(page, { categories: CATEGORIES });
  await scroll(cdp, setup, up ? max : 0, up ? 0 : max, signal);
  if (setup.direction === 'both') await scroll(cdp, setup, max, 0, signal);
  await rest(SETTLE, undefined, { signal });
  if (!measured) return null;
  const trace = await browser.stopTracing();
  if (trace.length > MAX_TRACE_BYTES)
    throw new TrialFailed(
      'The page made the browser record more than can be read. Does it set marks in a loop?',
    );
  return listFrames(listEvents(trace), max);
}

/** Wheel events sixty times a second, each as long as the hand has gone since the last; none waits for an answer. */
async function scroll(
  cdp: CDPSession,
  setup: TrialSetup,
  from: number,
  to: number,
  signal: AbortSignal,
): Promise<void> {
  const hand = setup.trace
    ? recordedGesture(setup.trace)
    : findGesture(setup.gesture, setup.viewport.height, { [setup.gesture]: setup.values });
  const { offsets } = runGesture(hand, from, to, clockById('60'));
  const began = performance.now();
  let sent = from;
  for (let i = 1; i < offsets.length;) {
    await rest(Math.max(0, began + i * FRAME - performance.now()), undefined, { signal });
    // A late timer sends what is due by now in one go, as a browser does with a late wheel.
    i = Math.max(i, Math.min(offsets.length - 1, Math.floor((performance.now() - began) / FRAME)));
    const deltaY = itemAt(offsets, i) - sent;
    sent = itemAt(offsets, i);
    i++;
    if (deltaY === 0) continue;
    cdp
      .send('Input.dispatchMouseEvent', {
        type: 'mouseWheel',
        x: setup.viewport.width / 2,
        y: setup.viewport.height / 2,
        deltaX: 0,
        deltaY,
      })
      .catch(() => {});
  }
}
