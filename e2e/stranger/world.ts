/** One walk: its browser context, the page under the hand, and everything that went over the wire. */
import { applyDocumentPatch, itemAt } from '@lyvek/core';
import type { DocumentPatch } from '@lyvek/core';
import { fileURLToPath } from 'node:url';
import type { Browser, BrowserContext, Page, Response } from '@playwright/test';
import { buildSync } from 'esbuild';
import type * as inPage from './in-page.ts';
import { elapse } from '../support/time.ts';

export interface Put {
  status: number;
  document: Record<string, unknown> & { motions: { id: string; keyframes: Record<string, unknown[]> }[] };
}

/** The functions of `in-page.ts`, in every page of the walk, and the watching begun. */
const SCRIPT = `${
  itemAt(
    buildSync({
      entryPoints: [fileURLToPath(new URL('in-page.ts', import.meta.url))],
      bundle: true,
      format: 'iife',
      globalName: 'stranger',
      write: false,
    }).outputFiles,
    0,
  ).text
}; window.stranger = stranger; stranger.watch();`;

export class World {
  readonly puts: Put[] = [];
  /** what nobody wants to see, in sentences: errors of the page, refusals of the server */
  readonly noise: string[] = [];
  /** the server is made to answer 503, or not at all */
  fault: 'none' | 'away' | '503' = 'none';
  /** another window changes the same take: a conflict is then no fault */
  rivals = false;
  page!: Page;
  pointer = { x: 640, y: 400 };
  /** what the server has by now, as far as it was seen going over the wire */
  private known: Put['document'] | null = null;
  private readonly context: BrowserContext;
  private readonly first: { url: string; take: string };

  private constructor(context: BrowserContext, url: string, take: string) {
    this.context = context;
    this.first = { url, take };
  }

  /** The take under the hand: a conflict may have been ended by keeping a new one. */
  get take(): string {
    const at = URL.parse((this.page as Page | undefined)?.url() ?? '');
    return at?.searchParams.get('take') ?? this.first.take;
  }

  /** Where the page is opened with that take. */
  get url(): string {
    const url = new URL(this.first.url);
    url.searchParams.set('take', this.take);
    return url.href;
  }

  static async enter(browser: Browser, url: string, take: string): Promise<World> {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const world = new World(context, url, take);
    await context.addInitScript(SCRIPT);
    await context.route('**/api/**', (route) => {
      const write = route.request().method() !== 'GET';
      if (world.fault === 'none' || !write) return route.continue();
      return world.fault === 'away'
        ? route.abort()
        : route.fulfill({
            status: 503,
            contentType: 'application/problem+json',
            body: '{"title":"Away","status":503,"detail":"Away for a moment."}',
          });
    });
    world.page = await world.open();
    return world;
  }

  async open(): Promise<Page> {
    const page = await this.context.newPage();
    // Nothing that a person waits for takes longer.
    page.setDefaultTimeout(30_000);
    page.on('pageerror', (e) => this.noise.push(`page error: ${e.message.slice(0, 200)}`));
    page.on('console', (m) => {
      if (m.type() !== 'error' || /Failed to load resource|net::ERR/.test(m.text())) return;
      this.noise.push(`console: ${m.text().slice(0, 200)}`);
    });
    page.on('dialog', (d) => void d.dismiss());
    page.on('response', (r) => {
      const own = /\/api\//.test(r.url());
      this.follow(r);
      const expected = (r.status() === 503 && this.fault !== 'none') || (r.status() === 412 && this.rivals);
      if (own && r.status() >= 400 && !expected)
        void r.text().then(
          (t) =>
            this.noise.push(
              `${r.status()} for ${r.request().method()} ${new URL(r.url()).pathname.replace(/[0-9a-f-]{30,}/g, '…')}: ${t.slice(0, 300)}`,
            ),
          () => undefined,
        );
    });
    await page.goto(this.url);
    await this.settle(page);
    return page;
  }

  /** Waits, as a person does, until the page stands and nothing is being worked out any more. */
  async settle(page = this.page): Promise<void> {
    // A page that has just been asked for shows no screen yet.
    await page
      .waitForSelector('.rundown[data-settled], .trials, .takes, .code, .shelf, .presets', {
        state: 'attached',
        timeout: 15_000,
      })
      .catch(() => undefined);
    const preview = page.locator('.preview');
    if (await preview.count())
      await page
        .waitForFunction(
          () => document.querySelector('.preview')?.getAttribute('data-link') === 'ready',
          null,
          { timeout: 15_000 },
        )
        .catch(() => undefined);
    if (await page.locator('.rundown[data-settled]').count())
      await page.waitForSelector('.rundown[data-settled=true]', { timeout: 30_000 }).catch(() => undefined);
    else await elapse(page, 1600);
  }

  async saved(): Promise<boolean> {
    return this.page
      .waitForFunction(
        () => /^Saved/.test(document.querySelector('.save-state')?.textContent ?? 'Saved'),
        null,
        { timeout: 12_000 },
      )
      .then(
        () => true,
        () => false,
      );
  }

  /** Keeps in mind what the server has of the take: as it was opened, and what each edit has made of it. */
  private follow(r: Response): void {
    const { pathname } = new URL(r.url());
    const method = r.request().method();
    if (pathname === `/api/takes/${this.take}` && method === 'GET' && r.ok())
      void r.json().then(
        ({ document }) => (this.known = document as Put['document']),
        () => undefined,
      );
    if (pathname !== `/api/takes/${this.take}/document`) return;
    const sent = r.request().postDataJSON() as unknown;
    const made =
      method === 'PUT' ? sent : this.known && applyDocumentPatch(this.known, sent as DocumentPatch);
    if (!made) return;
    this.puts.push({ status: r.status(), document: made as Put['document'] });
    if (r.ok()) this.known = made as Put['document'];
  }

  /** The document as the server has it. */
  async stored(): Promise<Put['document'] & { revision: number }> {
    const response = await this.context.request.get(new URL(`/api/takes/${this.take}`, this.url).href);
    const { document, revision } = await response.json();
    return { ...document, revision };
  }

  /** Asks something of the page that `in-page.ts` says. */
  ask<T>(what: keyof typeof inPage, argument?: unknown, page = this.page): Promise<T> {
    return page.evaluate(
      ([name, given]) =>
        (window as unknown as { stranger: Record<string, (a: unknown) => never> }).stranger[name]!(given),
      [what, argument] as const,
    );
  }

  async leave(): Promise<void> {
    await this.context.close();
  }
}
