/** Trials in other browsers of the lab: how their frames went, as far as they tell. */
import { expect, test } from '@playwright/test';
import { itemAt, present, TrialResultSchema } from '@lyvek/core';
import { engineByName } from '@lyvek/server/lab';
import { base, openNew } from '../support/app.ts';
import { sampled } from '../support/full.ts';
import { settled } from '../support/time.ts';

const PAGE = `<!doctype html><html lang="en"><head><title>Frames</title><style>body { margin: 0 } section { height: 900px } @keyframes rise { from { opacity: 0; translate: 0 60px } }
.card { width: 300px; height: 200px; background: #cde; animation: rise linear both; animation-timeline: view(); animation-range: entry 0% cover 40% }</style></head><body>${'<section><div class="card">Card</div></section>'.repeat(3)}</body></html>`;

for (const [i, name] of (['firefox', 'webkit'] as const).entries())
  test(
    `${name}: frames are measured, and what they do not tell is said`,
    sampled(i, 2),
    async ({ page, request }) => {
      const { label, missing } = engineByName(name);
      const why = missing();
      test.skip(why !== null, `because ${why}`);
      const id = await openNew(page, request, `Frames ${name}`, PAGE);
      await page.goto(`${base}/pages/${id}/trials`);
      await settled(page);
      await page.getByRole('button', { name: 'Measure', exact: true }).click();
      await page.getByRole('button', { name: `In the server’s ${label}` }).click();
      await expect(page.getByText('measured in the lab')).toBeVisible({ timeout: 120_000 });
      await expect(page.locator('.trial-summary')).toContainText(/tells when each frame came/);
      const { trials } = (await (await request.get(`${base}/api/pages/${id}/trials`)).json()) as {
        trials: { id: string }[];
      };
      const trial = (await (await request.get(`${base}/api/trials/${itemAt(trials, 0).id}`)).json()) as {
        result: unknown;
      };
      const { frames, setup } = TrialResultSchema.parse(trial.result);
      expect([setup.engine, setup.device]).toEqual([name, 'here']);
      // It went over the whole page, frame by frame.
      expect(frames.t.length).toBeGreaterThan(60);
      expect(Math.max(...frames.y)).toBe(1900);
      expect(present(frames.interval).every((ms) => ms >= 0)).toBe(true);
      expect(frames.script.every((ms) => ms === 0)).toBe(true);
    },
  );
