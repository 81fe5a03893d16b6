/** Scrolls a finished hand-off in a browser and reads what it shows. */
import * as z from 'zod';
import { activeMedia, judge, scheduleProof, underMedia, withPins, present } from '@lyvek/core';
import type {
  EngineName,
  Layout,
  Look,
  MotionDocument,
  ProofResult,
  ProofSchedule,
  Viewport,
} from '@lyvek/core';
import { engineByName } from './engines/index.ts';
import type { EnginePage, StartedEngine } from './engines/index.ts';
import { ask, measureOpened } from './measure.ts';
import type { PageFiles } from './page-files.ts';

const LookShape = z.object({
  y: z.number().finite(),
  height: z.number().finite().optional(),
  restless: z.boolean().optional(),
  values: z.array(z.array(z.string().max(2000)).nullable()),
});

type OnProgress = (done: number, of: number) => void;

/** One look per offset of the schedule, in its order. `onProgress` hears how many are done. */
async function lookOn(
  page: EnginePage,
  inPage: string,
  schedule: ProofSchedule,
  { onProgress, signal }: { onProgress?: OnProgress | undefined; signal?: AbortSignal | undefined },
): Promise<Look[]> {
  await page.run(inPage);
  const looks: Look[] = [];
  // Some browsers need a look to begin.
  if (schedule.looks[0]) await ask(page, 'look', schedule.looks[0], []);
  for (const at of schedule.looks) {
    signal?.throwIfAborted();
    looks.push(LookShape.parse(await ask(page, 'look', at, schedule.watched)));
    onProgress?.(looks.length, schedule.looks.length);
  }
  return looks;
}

interface Proving {
  document: MotionDocument;
  /** the hand-off */
  finished: PageFiles;
  /** the script that looks, in the page */
  inPage: string;
  /** at how many offsets */
  places: number;
}

/** A page that was measured before. */
interface KnownPage extends Proving {
  layout: Layout;
}

/** As it is for readers who ask for nothing. */
const inSituation = (document: MotionDocument, viewport: Viewport): MotionDocument =>
  underMedia(document, activeMedia(document, { viewport, reducedMotion: false }));

/** In Chromium, where the layout comes from. */
export async function proveHere(
  { document: whole, finished, inPage, places, layout }: KnownPage,
  onProgress?: OnProgress,
  signal?: AbortSignal,
): Promise<ProofResult & { version: string }> {
  const document = inSituation(whole, layout.viewport);
  const held = withPins(layout, document.pins);
  const schedule = scheduleProof(document, held, places);
  return engineByName('chromium').use(async (engine) => {
    const page = await engine.open(finished, { viewport: layout.viewport });
    const looks = await lookOn(page, inPage, schedule, { onProgress, signal });
    return { ...judge(document, held, schedule, looks), version: engine.version };
  }, signal);
}

/** One that has to be measured first: fonts, bars and boxes are another browser’s. */
interface OtherPage extends Proving {
  /** without what the document has taken over */
  source: PageFiles;
  viewport: Viewport;
  /** a script plays it where scroll timelines are missing */
  hasFallback: boolean;
}

export interface EngineProof extends ProofResult {
  engine: EngineName;
  /** as the browser says it */
  version: string;
  layout: Layout;
}

interface Told {
  onProgress?: OnProgress | undefined;
  signal?: AbortSignal | undefined;
}

/** What a browser without scroll timelines leaves static is no difference. */
function withoutScrubbed(schedule: ProofSchedule): ProofSchedule {
  const left = schedule.watched.filter((w) => w.when !== 'in-time').map((w) => w.motion);
  const reason = 'this browser has no scroll timelines, and the hand-off no fallback: it shows it static';
  return {
    ...schedule,
    watched: schedule.watched.filter((w) => w.when === 'in-time'),
    skipped: [...schedule.skipped, ...[...new Set(left)].map((motion) => ({ motion, reason }))],
  };
}

/** In a browser that runs: measures the page there, and holds what the hand-off shows against what that foretells. */
export async function proveOn(
  started: StartedEngine,
  { document: whole, source, finished, inPage, places, viewport, hasFallback }: OtherPage,
  told: Told = {},
): Promise<Omit<EngineProof, 'engine'>> {
  const document = inSituation(whole, viewport);
  const layouts: Layout[] = [];
  const bare = await started.open(source, { viewport });
  const sizes = { next: () => null, onProgress: (l: Layout) => void layouts.push(l) };
  await measureOpened(bare, { inPage, document }, sizes, told.signal);
  await bare.close();
  const layout = present(layouts[0]);
  const held = withPins(layout, document.pins);
  const page = await started.open(finished, { viewport });
  const plays = hasFallback || (await page.evaluate("CSS.supports('animation-timeline: view()')")) === true;
  const planned = scheduleProof(document, held, places);
  const schedule = plays ? planned : withoutScrubbed(planned);
  const looks = await lookOn(page, inPage, schedule, told);
  await page.close();
  return { ...judge(document, held, schedule, looks, started.cut), version: started.version, layout };
}

/** The same in any browser that is installed. */
export const proveIn = (engine: EngineName, page: OtherPage, told: Told = {}): Promise<EngineProof> =>
  engineByName(engine).use(
    async (started) => ({ engine, ...(await proveOn(started, page, told)) }),
    told.signal,
  );
