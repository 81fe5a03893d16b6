/** Scrolls a finished hand-off in a browser and reads what it shows. */
import * as z from 'zod';
import { judge, scheduleProof, withPins, present } from '@lyvek/core';
import type { Layout, Look, MotionDocument, ProofResult, ProofSchedule, Viewport } from '@lyvek/core';
import { engineByName } from './engines/index.ts';
import type { EngineName, EnginePage } from './engines/index.ts';
import { ask, measureOpened } from './measure.ts';
import type { PageFiles } from './page-files.ts';

const LookShape = z.object({
  y: z.number().finite(),
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

/** In Chromium, where the layout comes from. `document` as it is in this situation. */
export async function proveHere(
  { document, finished, inPage, places, layout }: KnownPage,
  onProgress?: OnProgress,
  signal?: AbortSignal,
): Promise<ProofResult> {
  const held = withPins(layout, document.pins);
  const schedule = scheduleProof(document, held, places);
  const looks = await engineByName('chromium').use(async (engine) => {
    const page = await engine.open(finished, { viewport: layout.viewport });
    return lookOn(page, inPage, schedule, { onProgress, signal });
  }, signal);
  return judge(document, held, schedule, looks);
}

/** One that has to be measured first: fonts, bars and boxes are another browser’s. */
interface OtherPage extends Proving {
  /** without what the document has taken over */
  source: PageFiles;
  viewport: Viewport;
}

export interface EngineProof extends ProofResult {
  engine: EngineName;
  /** as the browser says it */
  version: string;
  layout: Layout;
}

/** In any browser that is installed: measures the page there, and holds what the hand-off shows against what that foretells. */
export async function proveIn(
  engine: EngineName,
  { document, source, finished, inPage, places, viewport }: OtherPage,
  onProgress?: OnProgress,
  signal?: AbortSignal,
): Promise<EngineProof> {
  return engineByName(engine).use(async (started) => {
    const layouts: Layout[] = [];
    const bare = await started.open(source, { viewport });
    const sizes = { next: () => null, onProgress: (l: Layout) => void layouts.push(l) };
    await measureOpened(bare, { inPage, document }, sizes, signal);
    await bare.close();
    const layout = present(layouts[0]);
    const held = withPins(layout, document.pins);
    const schedule = scheduleProof(document, held, places);
    const page = await started.open(finished, { viewport });
    const looks = await lookOn(page, inPage, schedule, { onProgress, signal });
    return {
      ...judge(document, held, schedule, looks),
      engine,
      version: started.version,
      layout,
    };
  }, signal);
}
