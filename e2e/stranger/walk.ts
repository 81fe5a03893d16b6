/** Walks: chooses acts by a seed, does them, and holds the laws after each. A failure is shrunk to the acts that it needs. */
import { itemAt, lastItem, present } from '@lyvek/core';
import type { Browser } from '@playwright/test';
import { ACTS, Broken, Idle } from './acts.ts';
import type { Act } from './acts.ts';
import { Random } from './random.ts';
import { World } from './world.ts';
import { dwell, elapse } from '../support/time.ts';

export interface Step {
  act: string;
  seed: number;
}

export interface Breach {
  /** which law, and how it was broken */
  what: string;
  /** everything up to it */
  steps: Step[];
  words: string[];
}

export interface Entrance {
  browser: Browser;
  /** a fresh copy of the place, for every try */
  enter(): Promise<{ url: string; take: string }>;
}

export const stepsOf = (seed: number, count: number): Step[] => {
  const r = new Random(seed);
  return Array.from({ length: count }, () => ({
    act: r.weighted(ACTS).name,
    seed: Math.floor(r.next() * 2 ** 31),
  }));
};

/** What came of a walk: by act how often it was done, and how often there was nothing to do it with. */
export interface Walked {
  acts: number;
  idle: number;
  byAct: Map<string, { done: number; idle: number }>;
}

/** Breaches of one law by one thing are one: numbers and names may differ. */
export const getKind = (what: string): string => what.replace(/“[^”]*”|\d+/g, '…').slice(0, 90);

const FRESH_EVERY = 20;

async function laws(w: World, act: Act, puts: number, selected: string[], openStop: boolean): Promise<void> {
  const noise = w.noise.splice(0);
  if (noise.length) throw new Broken(`law 4: ${noise.join(' / ')}`);
  if (act.innocent) {
    await dwell(w.page, 700);
    if (w.puts.length > puts) throw new Broken('law 6: it changed the document');
  }
  if (act.deletes && w.puts.length > Math.max(0, puts) && puts > 0) {
    const [was, is] = [itemAt(w.puts, puts - 1).document, lastItem(w.puts).document];
    const gone = was.motions.filter((m) => !is.motions.some((n) => n.id === m.id)).map((m) => m.id);
    const count = (m: { keyframes: Record<string, unknown[]> }) => Object.values(m.keyframes).flat().length;
    const fewer = is.motions.filter((m) => {
      const before = was.motions.find((n) => n.id === m.id);
      return before && count(before) > count(m);
    });
    const other = [...gone, ...fewer.map((m) => m.id)].filter((id) => !selected.includes(id));
    if (selected.length && other.length)
      throw new Broken('law 1: Del took something away that was not selected');
    if (openStop && gone.length) throw new Broken('law 1: Del with a chosen keyframe took its motion away');
  }
  const badly = await w.ask<string[]>('placing');
  if (badly.length === 0) return;
  // What is on its way is given the time to arrive.
  await dwell(w.page, 600);
  const reducedMotion = (await w.ask<string[]>('placing')).filter((what) => badly.includes(what));
  if (reducedMotion.length) throw new Broken(`law 5: ${reducedMotion.slice(0, 4).join('; ')}`);
}

/** What is shown equals what a fresh load of the same revision shows. */
async function fresh(w: World): Promise<void> {
  if (!/\/pages\/[^/]+(\?|$)/.test(w.page.url()) || (await w.page.locator('.banner').count())) return;
  for (let i = 0; i < 3; i++) await w.page.keyboard.press('Escape');
  // A field keeps Escape to itself; a click beside everything leaves it.
  await w.page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  for (let i = 0; i < 2; i++) await w.page.keyboard.press('Escape');
  await w.page.keyboard.press('0');
  const reducedMotion = w.page.getByRole('checkbox', { name: 'Reduced motion' });
  if ((await reducedMotion.count()) && (await reducedMotion.isChecked()))
    await reducedMotion.click({ timeout: 10_000 });
  if (!(await w.saved())) throw new Broken('law 3: it is never saved');
  await w.settle();
  const size = present(w.page.viewportSize());
  const other = await w.open();
  await other.setViewportSize(size);
  await w.settle(other);
  await elapse(other, 300);
  const [here, there] = [
    await w.ask<Record<string, unknown>>('shown'),
    await w.ask<Record<string, unknown>>('shown', undefined, other),
  ];
  await other.close();
  for (const key of Object.keys(here)) {
    if (here[key] === null || there[key] === null || !(here.bars as string[]).length) continue;
    const [a, b] = [JSON.stringify(here[key]), JSON.stringify(there[key])];
    if (a !== b) {
      const list = (x: unknown) => (Array.isArray(x) ? (x as string[]) : [String(x)]);
      const more = list(here[key])
        .filter((x) => !list(there[key]).includes(x))
        .slice(0, 3);
      const less = list(there[key])
        .filter((x) => !list(here[key]).includes(x))
        .slice(0, 3);
      throw new Broken(
        `law 2: ${key} differ from a fresh load: here ${more.join('; ')}, there ${less.join('; ')}`,
      );
    }
  }
}

/** Does these steps; `onBreach` says whether to go on. */
export async function walk(
  entrance: Entrance,
  steps: readonly Step[],
  onBreach: (b: Breach) => boolean,
  check = fresh,
  isTold = (_: string) => false,
): Promise<Walked> {
  const { url, take } = await entrance.enter();
  const w = await World.enter(entrance.browser, url, take);
  const words: string[] = [];
  const walked: Walked = { acts: 0, idle: 0, byAct: new Map() };
  try {
    for (const [i, step] of steps.entries()) {
      const act = present(ACTS.find((a) => a.name === step.act));
      // What was done before may still be on its way.
      if (act.innocent) await w.saved();
      const puts = w.puts.length;
      const selected = await w.page
        .locator('.bar.selected')
        .evaluateAll((l) => l.map((e) => e.getAttribute('data-motion')!));
      const openStop = (await w.page.locator('.keyframes.chosen').count()) > 0;
      try {
        words.push(await acted(act, w, step, walked));
        await dwell(w.page, 120);
        await laws(w, act, puts, selected, openStop);
        if ((i + 1) % FRESH_EVERY === 0 || i === steps.length - 1 || act.name === 'reload at once')
          await check(w);
        // The stranger is lost on another screen: back to the page.
        if (!w.page.url().includes('/pages/') || (await w.page.locator('.rundown').count()) === 0) {
          if (!/trials|takes|hand-off/.test(w.page.url()) || new Random(step.seed).next() < 0.3) {
            await w.page.goto(url);
            await w.settle();
          }
        }
      } catch (error) {
        const what =
          error instanceof Broken
            ? error.message
            : `law 4: the walk broke off: ${String(error).split('\n')[0]}`;
        words.push(act.name);
        const go = isTold(what) || onBreach({ what, steps: steps.slice(0, i + 1), words: [...words] });
        w.noise.splice(0);
        if (!go) return walked;
        if (!(error instanceof Broken) && w.page.isClosed()) return walked;
        w.fault = 'none';
        await w.page.goto(url).catch(() => undefined);
        await w.settle().catch(() => undefined);
      }
      walked.acts++;
    }
  } finally {
    await w.leave();
  }
  return walked;
}

async function acted(act: Act, w: World, step: Step, walked: Walked): Promise<string> {
  const tally = walked.byAct.get(act.name) ?? { done: 0, idle: 0 };
  walked.byAct.set(act.name, tally);
  try {
    const words = await act.run(w, new Random(step.seed));
    tally.done++;
    return words;
  } catch (error) {
    if (!(error instanceof Idle)) throw error;
    tally.idle++;
    walked.idle++;
    return `(${error.message})`;
  }
}

/** The shortest list of acts, found within a time limit, that breaks the same law. */
export async function shrink(entrance: Entrance, breach: Breach, limit = 120_000): Promise<Breach> {
  const until = Date.now() + limit;
  let best = breach;
  const tries = async (steps: Step[]): Promise<boolean> => {
    let found: Breach | null = null;
    await walk(entrance, steps, (b) => {
      if (getKind(b.what) === getKind(breach.what)) found = b;
      return false;
    }).catch(() => undefined);
    if (found) best = found;
    return found !== null;
  };
  for (let k = 1; k < best.steps.length && Date.now() < until; k *= 2)
    if (await tries(best.steps.slice(-k))) break;
  for (let i = best.steps.length - 2; i >= 0 && Date.now() < until; i--)
    if (i < best.steps.length - 1) await tries(best.steps.filter((_, k) => k !== i));
  return best;
}
