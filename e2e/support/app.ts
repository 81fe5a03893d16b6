/** Help for tests of the whole application: its API, brought pages, and the processes behind it. */
import { present } from '@lyvek/core';
import { readdirSync, readFileSync } from 'node:fs';
import type { APIRequestContext, Page } from '@playwright/test';
import { expect } from '@playwright/test';
import { strToU8, zipSync } from 'fflate';
import { dwell } from './time.ts';

export const base = process.env.LYVEK_URL ?? 'http://127.0.0.1:4870';

const CARD_PAGE = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>Orchard prices</title><link rel="stylesheet" href="/css/style.css"></head>
<body><header><h1>Orchard prices</h1><p>Pears, plums and quinces, by the crate.</p></header>
<section id="kinds"><h2>Kinds</h2><div class="card" id="pear"><h3>Pear</h3><p>Firm, late, keeps until March.</p><img src="art/pear.svg" alt=""></div>
<div class="card" id="plum"><h3>Plum</h3><p>Soft and early.</p></div></section>
<section id="order"><h2>Order</h2><p>Write to the trigger house.</p></section><footer>Made up.</footer></body></html>`;
const CARD_CSS = `body{margin:0;font:18px/1.5 'Liberation Sans',sans-serif}header{height:900px;padding:80px}section{padding:120px 80px;min-height:900px}
.card{width:420px;padding:24px;border:1px solid #888;margin:0 0 60px;overflow:clip}img{width:80px;height:80px}`;
const PEAR =
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><circle cx="5" cy="6" r="4" fill="#9a5"/></svg>';

export const zipOf = (files: Record<string, string | Uint8Array>) =>
  Buffer.from(
    zipSync(
      Object.fromEntries(
        Object.entries(files).map(([p, t]) => [p, typeof t === 'string' ? strToU8(t) : new Uint8Array(t)]),
      ),
    ),
  );
export const cardZip = () =>
  zipOf({ 'orchard/index.html': CARD_PAGE, 'orchard/css/style.css': CARD_CSS, 'orchard/art/pear.svg': PEAR });

export async function demoProject(request: APIRequestContext): Promise<string> {
  const { projects } = await (await request.get(`${base}/api/projects`)).json();
  return projects[0].id as string;
}

export async function newProject(request: APIRequestContext, name: string): Promise<string> {
  return (await (await request.post(`${base}/api/projects`, { data: { name } })).json()).id as string;
}

/** Brings a page over the API; returns its id. */
export async function addPage(
  request: APIRequestContext,
  project: string,
  body: Buffer | string,
  type = typeof body === 'string' ? 'text/html' : 'application/zip',
  query = '',
): Promise<string> {
  const response = await request.post(`${base}/api/projects/${project}/pages${query}`, {
    data: body,
    headers: { 'content-type': type },
  });
  expect(response.status(), await response.text()).toBe(201);
  return (await response.json()).id as string;
}

/** A page in a project of its own; returns the page’s id. */
export const addNew = async (request: APIRequestContext, name: string, body: Buffer | string) =>
  addPage(request, await newProject(request, name), body);

/** A page in a project of its own, open in the Rundown; returns the page’s id. */
export async function openNew(
  page: Page,
  request: APIRequestContext,
  name: string,
  body: Buffer | string,
): Promise<string> {
  const id = await addNew(request, name, body);
  await openRundown(page, id);
  return id;
}

export const html = (body: string, css = '') =>
  `<!doctype html><html lang="en"><head><meta name="viewport" content="width=device-width, initial-scale=1"><title>Test page</title><style>body{margin:0}${css}</style></head><body>${body}</body></html>`;

/** Opens a page in the Rundown and waits until it has been measured. */
export async function openRundown(page: Page, pageId: string): Promise<void> {
  await page.goto(`${base}/pages/${pageId}`);
  await expect(page.locator('.strip-art .strip-a').first()).toBeAttached({ timeout: 30_000 });
  await measured(page);
}

/** The live page itself has been measured; the strip may come earlier, from what the server remembers. */
export const measured = (page: Page) =>
  expect(page.locator('.preview')).toHaveAttribute('data-link', 'ready', { timeout: 30_000 });

export const preview = (page: Page) => page.frameLocator('.preview-page iframe');
/** Clicks near the upper left corner of an element of the previewed page, through the scaled frame. */
export async function pick(page: Page, selector: string): Promise<void> {
  const frame = present(
    page
      .frames()
      .find((f) => f !== page.mainFrame() && f.parentFrame() === page.mainFrame() && !f.isDetached()),
  );
  const at = await frame
    .locator(selector)
    .first()
    .evaluate((e) => {
      e.scrollIntoView({ block: 'nearest' });
      const { left, top } = e.getBoundingClientRect();
      return { x: left + 4, y: top + 4, width: innerWidth };
    });
  const box = present(await page.locator('.preview-page iframe').boundingBox());
  const scale = box.width / at.width;
  await dwell(page, 150);
  await page.mouse.click(box.x + at.x * scale, box.y + at.y * scale);
  // Keys belong to the workbench again a moment later; nobody types faster.
  await expect(page.locator('.rundown')).toBeFocused();
}

/** Adds a motion to the chosen element: a starting point by its name. */
export async function addMotion(page: Page, name: string): Promise<void> {
  await page.keyboard.press('a');
  await page.getByRole('textbox', { name: 'Search starting points' }).fill(name);
  await page.getByRole('option', { name: new RegExp(`^${name} [A-Z]`) }).click();
}

export const saved = (page: Page) => expect(page.locator('.save-state')).toHaveText(/^Saved/);

interface Stack {
  port: number;
  dataDir: string;
  supervisor: number;
  databaseUrl: string;
}
export const stack = (): Stack => JSON.parse(process.env.LYVEK_STACK ?? '{}') as Stack;

/** Process id of the server under test. */
export function serverPid(): number {
  for (const pid of readdirSync('/proc').filter((p) => /^\d+$/.test(p)))
    try {
      const parent = /^PPid:\s+(\d+)$/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1];
      if (
        Number(parent) === stack().supervisor &&
        readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('dist/server.js')
      )
        return Number(pid);
    } catch {
      // It ended while we looked.
    }
  throw new Error('the server under test was not found');
}

export const postmasterPid = (): number =>
  Number(readFileSync(`${stack().dataDir}/pg/postmaster.pid`, 'utf8').split('\n')[0]);
