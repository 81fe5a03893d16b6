/**
 * A measured trial in any browser of the lab: the page scrolls itself along the path of the hand, and its own script watches the frames. No
 * browser but Chromium can be traced from outside, so that is all that is told.
 */
import { setTimeout as rest } from 'node:timers/promises';
import * as z from 'zod';
import { findGesture, makeRidePath, recordedGesture, RiddenSchema, riddenResult } from '@lyvek/core';
import type { EngineName, Ridden, RidePath, TrialResult, TrialSetup } from '@lyvek/core';
import { engineByName } from './engines/index.ts';
import type { EnginePage } from './engines/index.ts';
import type { PageFiles } from './page-files.ts';
import type { LabHooks } from './trial.ts';
import { TrialFailed } from './watch.ts';

/** After the hand, ms: what follows comes to rest meanwhile. */
const SETTLE = 700;
const LOOK_EVERY = 300;
/** A page that has not ended its run by this much more than the hand takes is given up, ms. */
const LATE = 20_000;

/** One run. Nothing is asked of the page while it is under way. */
async function rideOn(page: EnginePage, path: RidePath, signal: AbortSignal): Promise<Ridden> {
  await page.run(
    `globalThis.lyvekRidden = null; lyvekInPage.ride(${JSON.stringify(path)}, ${SETTLE}).then((r) => { globalThis.lyvekRidden = r; })`,
  );
  const lasts = (path.t.at(-1) ?? 0) + SETTLE;
  await rest(lasts, undefined, { signal });
  for (let waited = 0; waited < lasts + LATE; waited += LOOK_EVERY) {
    const said = await page.evaluate('globalThis.lyvekRidden');
    if (said !== null) return RiddenSchema.parse(said);
    await rest(LOOK_EVERY, undefined, { signal });
  }
  throw new TrialFailed('The page stopped answering while it was scrolled.');
}

const heightOf = z.number().min(0).max(33_554_432);

export interface RideTrial {
  engine: EngineName;
  /** the hand-off, with what plays it where this browser lacks something */
  files: PageFiles;
  setup: TrialSetup;
  /** the script that watches, in the page */
  inPage: string;
}

/** Runs the gesture once to warm up and `setup.repeats` times to measure. Throws as `runTrial` does. */
export async function rideTrial(
  { engine, files, setup, inPage }: RideTrial,
  { onProgress, signal }: LabHooks,
): Promise<TrialResult> {
  const { label, missing, use } = engineByName(engine);
  const why = missing();
  if (why !== null) throw new TrialFailed(why);
  return use(async (started) => {
    const page = await started.open(files, { viewport: setup.viewport });
    await page.run(inPage);
    const max = Math.round(
      heightOf.parse(
        await page.evaluate('Math.max(0, document.scrollingElement.scrollHeight - innerHeight)'),
      ),
    );
    const gesture = setup.trace
      ? recordedGesture(setup.trace)
      : findGesture(setup.gesture, setup.viewport.height, { [setup.gesture]: setup.values });
    const path = makeRidePath(gesture, max, setup.direction);
    const runs: Ridden[] = [];
    for (let i = 0; i <= setup.repeats; i++) {
      signal.throwIfAborted();
      runs.push(await rideOn(page, path, signal));
      onProgress?.((i + 1) / (setup.repeats + 1));
    }
    const result = riddenResult(setup, runs, {
      hidden: false,
      seen: 1,
      kind: 'lab',
      notes: [
        `${started.version} tells when each frame came and how long it was at work for it, not with what; ${label} was not slowed down.`,
      ],
    });
    if (!result) throw new TrialFailed('The page showed no frames while it was scrolled.');
    return result;
  }, signal);
}
