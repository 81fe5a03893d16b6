/**
 * A stranger at the desk: random acts with a real pointer and real keys, held against laws that need no knowledge of the page.
 * LYVEK_STRANGER_ACTS: how many in all; LYVEK_STRANGER_SEED: where chance begins; LYVEK_STRANGER_SURVEY: goes on after a breach and lists all kinds.
 */
import { expect, test } from '@playwright/test';
import { newProject } from '../support/app.ts';
import { goThere, PLACES } from './pages.ts';
import { getKind, shrink, stepsOf, walk } from './walk.ts';
import type { Breach } from './walk.ts';
import { FULL } from '../support/full.ts';

// Each has a project of its own.
test.describe.configure({ mode: 'parallel' });

const acts = Number(process.env.LYVEK_STRANGER_ACTS ?? 300);
const seed = Number(process.env.LYVEK_STRANGER_SEED ?? 20_261);
const survey = Boolean(process.env.LYVEK_STRANGER_SURVEY);
const share = Math.ceil(acts / PLACES.length);

for (const [i, place] of PLACES.entries())
  test(
    `a stranger walks: ${place.name}`,
    /Pins|Thin/.test(place.name) ? {} : FULL,
    async ({ browser, request }) => {
      test.setTimeout(180_000 + share * 12_000);
      const project = await newProject(request, `Walk ${place.name}`);
      const entrance = { browser, enter: () => goThere(request, place, project) };
      const breaches = new Map<string, Breach>();
      const walked = await walk(entrance, stepsOf(seed + i, share), (b) => {
        if (!breaches.has(getKind(b.what))) breaches.set(getKind(b.what), b);
        return survey;
      });
      if (survey) {
        const tally = [...walked.byAct].map(([act, { done, idle }]) => `${act} ${done}/${done + idle}`);
        console.log(
          `${place.name}: ${walked.acts} acts, ${breaches.size} kinds of breach (${tally.sort().join(', ')})`,
        );
        for (const b of breaches.values())
          console.log(`  ${b.what}\n    after: ${b.words.slice(-4).join(' · ')}`);
        return;
      }
      const first = [...breaches.values()][0];
      if (first) {
        const short = await shrink(entrance, first);
        const how = `seed ${seed + i}, act ${first.steps.length}; shortest: ${short.words.join(' → ')}\n${JSON.stringify(short.steps)}`;
        expect(`${short.what}\n${how}`).toBe('no law broken');
      }
      // Nothing is proved by a walk that never set out, or that found nothing to do.
      expect(walked.acts).toBe(share);
      expect(walked.idle).toBeLessThan(share / 2);
    },
  );
