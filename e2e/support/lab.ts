/** Help for tests of the lab: asking for trials and waiting for them. */
import type { APIRequestContext } from '@playwright/test';
import { expect } from '@playwright/test';
import type { TrialResult } from '@lyvek/core';
import { base } from './app.ts';

export const VIEWPORT = { width: 1280, height: 800 };
export const trialSetup = (over: object = {}) => ({
  gesture: 'steady',
  values: {},
  clock: '60',
  direction: 'down',
  viewport: VIEWPORT,
  device: 'here',
  repeats: 1,
  lasts: 3000,
  ...over,
});
export interface AskedTrial {
  id: string;
  state: string;
  why: string | null;
  result: TrialResult | null;
}
export async function askTrial(request: APIRequestContext, take: string, over: object = {}): Promise<string> {
  const response = await request.post(`${base}/api/takes/${take}/trials`, {
    data: { setup: trialSetup(over) },
  });
  expect(response.status(), await response.text()).toBe(201);
  return ((await response.json()) as AskedTrial).id;
}
export const trialOf = async (request: APIRequestContext, id: string): Promise<AskedTrial> =>
  (await (await request.get(`${base}/api/trials/${id}`)).json()) as AskedTrial;
export async function endedTrial(
  request: APIRequestContext,
  id: string,
  within = 90_000,
): Promise<AskedTrial> {
  await expect
    .poll(async () => (await trialOf(request, id)).state, { timeout: within, intervals: [500] })
    .toMatch(/done|failed|cancelled/);
  return trialOf(request, id);
}
