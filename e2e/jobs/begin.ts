/** How a job begins and ends: a page of its own opened in the Rundown, and what is handed off looked at in a plain browser. */
import type { APIRequestContext, BrowserContext, Page } from '@playwright/test';
import type { MotionDocument } from '@lyvek/core';
import { itemAt } from '@lyvek/core';
import { unzipSync } from 'fflate';
import { html, openNew } from '../support/app.ts';
import { served } from '../support/served.ts';
import { Hand } from './hand.ts';

export async function begin(page: Page, request: APIRequestContext, name: string, body: string, css = '') {
  const id = await openNew(page, request, name, html(body, css));
  const takes = (await (await request.get(`/api/pages/${id}`)).json()).takes as { id: string }[];
  return { hand: new Hand(page), take: itemAt(takes, 0).id };
}

/** What is stored of a take. */
export const stored = async (request: APIRequestContext, take: string) =>
  ((await (await request.get(`/api/takes/${take}`)).json()) as { document: MotionDocument }).document;

/** The finished page, scrolled to an offset. */
export async function finished(context: BrowserContext, request: APIRequestContext, take: string) {
  const zip = await request.get(`/api/takes/${take}/hand-off.zip?width=1280&height=800`);
  const site = await served(context, unzipSync(new Uint8Array(await zip.body())));
  /** Scrolled there, and drawn. */
  const stand = (y: number) =>
    site.evaluate(async (top) => {
      scrollTo({ top, behavior: 'instant' });
      for (let i = 0; i < 3; i++) await new Promise(requestAnimationFrame);
    }, y);
  return {
    site,
    stand,
    async at(y: number, selector: string, property: string): Promise<string[]> {
      await stand(y);
      return site
        .locator(selector)
        .evaluateAll((all, p) => all.map((e) => getComputedStyle(e).getPropertyValue(p)), property);
    },
    async rect(y: number, selector: string) {
      await stand(y);
      return site
        .locator(selector)
        .first()
        .evaluate((e) => {
          const { top, left, right, height } = e.getBoundingClientRect();
          return { top, left, right, height };
        });
    },
  };
}
