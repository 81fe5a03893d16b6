/** Holds a page as it was brought beside the same page written anew, in every situation that its conditions make. */
import * as z from 'zod';
import { pageDifferences } from '@lyvek/core';
import type { Journey, MovedBy, MovingPart, PageDifference, Situation } from '@lyvek/core';
import type { OpenedPage } from './chromium.ts';
import { ask, askText } from './measure.ts';
import { TrialFailed } from './watch.ts';

const PartShape = z.object({
  index: z.number().int().min(0),
  pseudo: z.string().max(100).nullable(),
  label: z.string().max(100),
  properties: z.array(z.string().max(200)).max(40),
  motions: z.array(z.number().int().min(0)).max(2000),
});
const MovingShape = z.object({ of: z.number().int().min(0), parts: z.array(PartShape).max(400) });
const JourneyShape = z.object({
  places: z
    .array(
      z.object({
        y: z.number().finite(),
        values: z.array(z.array(z.string().max(2000)).nullable()).max(400),
      }),
    )
    .max(120),
});

/** Places at each size. */
const PLACES = 30;

/** Elements that move; beside more of them a look takes longer than people wait. */
const MAX_MOVING = 8000;

export interface ComparedPages {
  situations: number;
  /** elements that were looked at, of those that move */
  parts: number;
  of: number;
  values: number;
  differences: PageDifference[];
}

interface Compared {
  before: OpenedPage;
  after: OpenedPage;
  motions: readonly MovedBy[];
  situations: readonly Situation[];
  /** source of the built script that goes over a page */
  journey: string;
}

/** Both are opened in the first situation. What a page shows differently from one opening to the next says nothing about another page. */
export async function comparePages(
  { before: old, after: fresh, motions, situations, journey }: Compared,
  signal?: AbortSignal,
): Promise<ComparedPages> {
  const out: ComparedPages = { situations: 0, parts: 0, of: 0, values: 0, differences: [] };
  for (const [i, situation] of situations.entries()) {
    signal?.throwIfAborted();
    const shown = async ({ page, again }: OpenedPage, anew: boolean) => {
      if (anew) await again(situation);
      await page.evaluate(journey);
      return MovingShape.parse(JSON.parse(await askText(page, 'moving', motions)));
    };
    const found = await Promise.all([shown(old, i > 0), shown(fresh, i > 0)]);
    const most = Math.max(...found.map((f) => f.of));
    if (most > MAX_MOVING)
      throw new TrialFailed(
        `More than ${MAX_MOVING.toLocaleString('en')} elements move at once, too many to look at.`,
      );
    const parts = joined(found.flatMap((f) => f.parts));
    const places = z
      .array(z.number().finite())
      .max(200)
      .parse(await ask(old.page, 'placesFor', parts, PLACES));
    const went = async ({ page }: OpenedPage): Promise<Journey> =>
      JourneyShape.parse(JSON.parse(await askText(page, 'journey', parts, places)));
    const [mine, theirs] = await Promise.all([went(old), went(fresh)]);
    const differences = pageDifferences(situation, parts, mine, theirs);
    if (differences.length > 0) {
      await shown(old, true);
      const restless = new Set(pageDifferences(situation, parts, mine, await went(old)).map((d) => d.part));
      out.differences.push(...differences.filter((d) => !restless.has(d.part)));
    }
    out.situations++;
    out.parts = Math.max(out.parts, parts.length);
    out.of = Math.max(out.of, parts.length, most);
    out.values += mine.places.length * parts.reduce((sum, p) => sum + p.properties.length, 0);
  }
  return out;
}

/** What either page moves, each part once. */
function joined(all: readonly MovingPart[]): MovingPart[] {
  const byKey = new Map<string, MovingPart>();
  for (const part of all) {
    const key = `${part.index} ${part.pseudo ?? ''}`;
    const known = byKey.get(key);
    if (!known) byKey.set(key, part);
    else {
      known.properties = [...new Set([...known.properties, ...part.properties])];
      known.motions = [...new Set([...known.motions, ...part.motions])];
    }
  }
  return [...byKey.values()].slice(0, 400);
}
