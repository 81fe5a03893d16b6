/** Scrolls a finished hand-off in Chromium and reads what it shows. */
import * as z from 'zod';
import type { Look, ProofSchedule, Viewport } from '@lyvek/core';
import { withPage } from './chromium.ts';
import { ask } from './measure.ts';
import type { PageFiles } from './page-files.ts';

const LookShape = z.object({
  y: z.number().finite(),
  values: z.array(z.array(z.string().max(2000)).nullable()),
});

interface Proving {
  files: PageFiles;
  viewport: Viewport;
  /** the script that looks, in the page */
  inPage: string;
  schedule: ProofSchedule;
}

/** One look per offset of the schedule, in its order. `onProgress` hears how many are done. */
export async function lookAt(
  { files, viewport, inPage, schedule }: Proving,
  onProgress: (done: number) => void = () => {},
  signal?: AbortSignal,
): Promise<Look[]> {
  return withPage(
    files,
    viewport,
    async ({ page }) => {
      await page.evaluate(inPage);
      const looks: Look[] = [];
      for (const at of schedule.looks) {
        signal?.throwIfAborted();
        looks.push(LookShape.parse(await ask(page, 'look', at, schedule.watched)));
        onProgress(looks.length);
      }
      return looks;
    },
    signal,
  );
}
