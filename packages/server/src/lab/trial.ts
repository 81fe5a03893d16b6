/** A measured trial: Chromium scrolls the finished hand-off with real wheel input, slowed down like the device, and is traced. */
import { readFileSync } from 'node:fs';
import { setTimeout as rest } from 'node:timers/promises';
import type { Browser, CDPSession, Page } from 'playwright-core';
import {
  clockById,
  runCost,
  deviceById,
  doubts,
  droppedIn,
  gestureOf,
  medianRun,
  recordedGesture,
  runGesture,
} from '@lyvek/core';
import type { TrialFrames, TrialResult, TrialSetup } from '@lyvek/core';
import { withPage } from './chromium.ts';
import type { PageFiles } from './page-files.ts';
import { eventsOf, framesOf, MARK } from './trace-frames.ts';

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
/** A page that takes more memory than this is ended, MB. */
const MOST_MEMORY = 1500;
const LOOK_EVERY = 500;

export class TrialFailed extends Error {}

/** No trial may take longer than this, ms. */
export const MOST_TRIAL = 10 * 60_000;
/** Time that a trial is given, whole ms: more than the hand takes for each run, since a slow page takes longer, and some for starting. */
export function longestOf(setup: TrialSetup): number {
  const legs = setup.direction === 'both' ? 2 : 1;
  return Math.ceil(20_000 + (setup.repeats + 1) * (6000 + 1.8 * legs * (setup.lasts ?? 30_000)));
}

export interface LabHooks {
  /** share done */
  told?(done: number): void;
  signal: AbortSignal;
}

/**
 * Runs the gesture once to warm up and `setup.repeats` times to measure; the run of median cost is kept. Throws `TrialFailed` with a
 * sentence for people when the page goes away, hangs, or takes too much memory; whatever `signal` says when it is aborted.
 */
export async function runTrial(
  files: PageFiles,
  setup: TrialSetup,
  { told, signal }: LabHooks,
): Promise<TrialResult> {
  return withPage(
    files,
    setup.viewport,
    async ({ page, late }) => {
      const browser = page.context().browser()!;
      const watch = new Watch(page, browser);
      const cdp = await page.context().newCDPSession(page);
      await cdp.send('Emulation.setCPUThrottlingRate', { rate: deviceById(setup.device).slower });
      await page.evaluate(MARKING);
      const max = Math.round(
        await page.evaluate<number>('Math.max(0, document.scrollingElement.scrollHeight - innerHeight)'),
      );
      const runs: TrialFrames[] = [];
      const notes = late ? ['The page’s load event never came.'] : [];
      for (let i = 0; i <= setup.repeats; i++) {
        const measured = i > 0;
        const frames = await watch.over(oneRun(page, browser, cdp, setup, max, measured, signal));
        if (measured && frames) runs.push(frames);
        told?.((i + 1) / (setup.repeats + 1));
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

/** The hand goes over the page once; traced if it is measured. */
async function oneRun(
  page: Page,
  browser: Browser,
  cdp: CDPSession,
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
  return measured ? framesOf(eventsOf(await browser.stopTracing())) : null;
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
    : gestureOf(setup.gesture, setup.viewport.height, { [setup.gesture]: setup.values });
  const { offsets } = runGesture(hand, from, to, clockById('60'));
  const began = performance.now();
  let sent = from;
  for (let i = 1; i < offsets.length;) {
    await rest(Math.max(0, began + i * FRAME - performance.now()), undefined, { signal });
    // A late timer sends what is due by now in one go, as a browser does with a late wheel.
    i = Math.max(i, Math.min(offsets.length - 1, Math.floor((performance.now() - began) / FRAME)));
    const deltaY = offsets[i]! - sent;
    sent = offsets[i]!;
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

/** Ends a run as soon as the page is gone, has gone elsewhere, or takes more memory than the machine can give. */
class Watch {
  private readonly failed: Promise<never>;
  private fail!: (why: string) => void;

  constructor(page: Page, browser: Browser) {
    this.failed = new Promise((_done, reject) => {
      this.fail = (why) => reject(new TrialFailed(why));
    });
    this.failed.catch(() => {});
    page.on('crash', () => this.fail('The page crashed while it was scrolled.'));
    page.on('framenavigated', (f) => {
      if (f === page.mainFrame()) this.fail('The page went to another address while it was scrolled.');
    });
    browser.on('disconnected', () => this.fail('Chromium ended while the page was scrolled.'));
  }

  async over<T>(work: Promise<T>): Promise<T> {
    const timer = setInterval(() => this.look(), LOOK_EVERY);
    try {
      return await Promise.race([work, this.failed]);
    } finally {
      clearInterval(timer);
      work.catch(() => {});
    }
  }

  private look(): void {
    const used = memoryOf(childrenOf(process.pid));
    if (used > MOST_MEMORY * 1e6)
      this.fail(`The page took more than ${MOST_MEMORY} MB of memory; it was ended.`);
  }
}

/** Every process below one. */
function childrenOf(root: number): number[] {
  const found: number[] = [];
  const queue = [root];
  for (let pid = queue.shift(); pid !== undefined; pid = queue.shift())
    try {
      const text = readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').trim();
      for (const child of text ? text.split(' ').map(Number) : []) {
        found.push(child);
        queue.push(child);
      }
    } catch {
      // It ended while we looked.
    }
  return found;
}
const PAGE_SIZE = 4096;
/** Resident memory of the largest of some processes, bytes. */
function memoryOf(pids: readonly number[]): number {
  let most = 0;
  for (const pid of pids)
    try {
      // The largest one counts: renderers share what the others have.
      const [, resident = '0'] = readFileSync(`/proc/${pid}/statm`, 'utf8').split(' ');
      most = Math.max(most, Number(resident) * PAGE_SIZE);
    } catch {
      // It ended while we looked.
    }
  return most;
}
