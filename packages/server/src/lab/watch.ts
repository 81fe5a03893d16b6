/** Watches a page in the lab from its first byte on, and ends it as soon as it takes more than it may. */
import type { Page } from 'playwright-core';
import { computeMemory, NoChromium } from './browser.ts';
import type { StartedBrowser } from './browser.ts';

/** What people are told when a trial or a proof does not come to its end. */
export class TrialFailed extends Error {}

/** All processes of one browser together, MB. */
const MAX_MEMORY_MB = 2000;
const LOOK_EVERY_MS = 100;
const GONE = 'The page went to another address while it was looked at.';

export class Watch {
  private readonly failed: Promise<never>;
  private fail!: (why: string) => void;

  constructor(
    private readonly started: StartedBrowser,
    /** where the page’s files are */
    private readonly origin: string,
  ) {
    this.failed = new Promise((_done, reject) => {
      this.fail = (why) => reject(new TrialFailed(why));
    });
    this.failed.catch(() => {});
    started.browser.on('disconnected', () => this.fail('Chromium ended while it showed the page.'));
  }

  /** Hears of this page too. What it returns says whether the page has to stay the same document from now on. */
  page(page: Page): (stays: boolean) => void {
    let settled = false;
    page.on('crash', () => this.fail('The page crashed.'));
    page.on('framenavigated', (f) => {
      if (f === page.mainFrame() && settled && !f.url().startsWith(this.origin)) this.fail(GONE);
    });
    page.on('domcontentloaded', () => {
      if (settled) this.fail(GONE);
    });
    return (stays) => void (settled = stays);
  }

  /** Does some work as long as nothing of that happens. */
  async over<T>(work: Promise<T>): Promise<T> {
    const timer = setInterval(() => this.look(), LOOK_EVERY_MS);
    try {
      return await Promise.race([work, this.failed]);
    } finally {
      clearInterval(timer);
      work.catch(() => {});
    }
  }

  private look(): void {
    if (computeMemory(this.started.pids()) <= MAX_MEMORY_MB * 1e6) return;
    // Told first: the browser that ends says less about why.
    this.fail(`The page took more than ${MAX_MEMORY_MB} MB of memory; it was ended.`);
    this.started.kill();
  }
}

/** Texts of the browser’s driver in words for people; anything else stays unsaid, since it would help nobody. */
const SENTENCES: readonly [RegExp, string][] = [
  [/Timeout \d+ms exceeded|net::ERR_TIMED_OUT/i, 'The page did not open in time: it hangs, or is too slow.'],
  [/crash/i, 'The page crashed.'],
  [
    /has been closed|Target closed|disconnected|browser has disconnected/i,
    'Chromium ended while it showed the page.',
  ],
  [/Execution context was destroyed|navigat/i, GONE],
  [/net::ERR_/i, 'The page could not be opened.'],
  [/Failed to launch|spawn|ENOENT/i, 'Chromium could not be started on this machine.'],
];

/** Why a trial or a proof failed, as one sentence. */
export function failureSentence(error: unknown): string {
  if (error instanceof TrialFailed || error instanceof NoChromium) return error.message;
  const message = error instanceof Error ? error.message : String(error);
  return SENTENCES.find(([pattern]) => pattern.test(message))?.[1] ?? 'The page could not be looked at.';
}
