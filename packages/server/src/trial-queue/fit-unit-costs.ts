/** After a trial of the lab: what work costs on its class of device, fitted from the project's newest trials. */
import type pg from 'pg';
import {
  activeMedia,
  amountsAlong,
  compileTimeline,
  COST_PARTS,
  deviceById,
  fitCoefficients,
  readDocument,
  TrialResultSchema,
  underMedia,
  withPins,
  itemAt,
} from '@lyvek/core';
import type { CostPart, Layout, MeasuredFrame } from '@lyvek/core';
import { listLayouts } from '../store/layouts.ts';
import { pageById } from '../store/pages.ts';
import { putUnitCosts } from '../store/unit-costs.ts';
import { finishedTrials } from '../store/trials.ts';

/** Newest trials that a fit is made from, and as many as it needs at least. Chosen by us. */
const MAX_TRIALS = 12;
export const FEWEST_TRIALS = 3;
/** Frames of each trial that count, evenly spread. */
const MAX_FRAMES = 600;

/** Frames of a stored trial with what was asked of the browser in each; none where they cannot be read any more. */
export function measuredFrames(
  trial: { document: unknown; result: unknown },
  layouts: readonly Layout[],
): MeasuredFrame[] {
  const document = readDocument(trial.document);
  const result = TrialResultSchema.safeParse(trial.result);
  if (!document.ok || !result.success) return [];
  const { frames, setup } = result.data;
  const { viewport } = setup;
  const layout = layouts.find(
    (l) => l.viewport.width === viewport.width && l.viewport.height === viewport.height,
  );
  if (!layout) return [];
  const seen = underMedia(
    document.document,
    activeMedia(document.document, { viewport, reducedMotion: false }),
  );
  const take = compileTimeline(seen, withPins(layout, seen.pins));
  const amounts = amountsAlong(take, frames.y, deviceById(setup.device).dpr);
  const step = Math.max(1, Math.ceil(frames.t.length / MAX_FRAMES));
  return amounts.flatMap((a, i) =>
    i % step === 0
      ? [
          {
            amounts: a,
            cost: Object.fromEntries(COST_PARTS.map((p) => [p, itemAt(frames[p], i)])) as Record<
              CostPart,
              number
            >,
          },
        ]
      : [],
  );
}

/** Fits anew where there are trials enough. */
export async function refitUnitCosts(pool: pg.Pool, pageId: string, device: string): Promise<void> {
  const page = await pageById(pool, pageId);
  if (!page) return;
  const trials = await finishedTrials(pool, page.projectId, device, MAX_TRIALS);
  const frames: MeasuredFrame[] = [];
  let used = 0;
  for (const trial of trials) {
    const own = measuredFrames(trial, await listLayouts(pool, trial.pageId));
    if (own.length > 0) used++;
    frames.push(...own);
  }
  if (used >= FEWEST_TRIALS) await putUnitCosts(pool, page.projectId, fitCoefficients(device, frames), used);
}
