/**
 * Imports pages away from the thread that answers requests, within limits of time and memory. A job that meets one ends with a sentence that
 * names it, and its thread with it.
 */
import { Worker } from 'node:worker_threads';
import type { Refuted, VideoFile } from '@lyvek/core';
import { LRUCache } from 'lru-cache';
import { Problem } from '../http/problem.ts';
import { TOO_MUCH } from './import-jobs.ts';
import type { ImportJob, ImportJobs, ReadMotions } from './import-jobs.ts';
import type { Answer } from './import-worker.ts';
import type { PageFile } from '../store/pages.ts';
import { LIMITS } from './limits.ts';

const THREADS = 2;
const KEPT_BYTES = 64e6;

/** A limit was met; what was asked for is not there. */
export class ImportLimit extends Problem {
  constructor(what: string) {
    super(422, TOO_MUCH, what);
  }
}

const SENTENCES = {
  time: `Reading the page took more than ${LIMITS.readSeconds} s, the limit.`,
  memory: `Reading the page took more than ${LIMITS.readMegabytes} MB of memory, the limit.`,
  depth: 'Its elements or rules are nested too deeply to be read.',
} as const;

interface Page {
  contentHash: string;
  entry: string;
}

/** Where results stay; a result that cannot be stored is simply read again. */
export interface ImportResults {
  /** undefined: it has not been read yet */
  find(page: Page, refuted: readonly Refuted[]): Promise<ReadMotions | null | undefined>;
  put(page: Page, refuted: readonly Refuted[], result: ReadMotions | null): Promise<void>;
}

export interface ImporterOptions {
  /** starts the thread */
  start(): Worker;
  seconds?: number;
  results?: ImportResults;
}

export const startImportWorker = (file: URL): Worker =>
  new Worker(file, { resourceLimits: { maxOldGenerationSizeMb: LIMITS.readMegabytes, stackSizeMb: 64 } });

export class Importer {
  private readonly idle: Worker[] = [];
  private busy = 0;
  private readonly waiting: (() => void)[] = [];
  private readonly options: ImporterOptions;
  private readonly listMotions = new LRUCache<string, Promise<ReadMotions | null>>({ max: 40 });
  private readonly videosOf = new LRUCache<string, Promise<VideoFile[]>>({ max: 200 });
  private readonly textsWithout = new LRUCache<string, Map<string, string>>({
    maxSize: KEPT_BYTES,
    sizeCalculation: (texts) => [...texts.values()].reduce((sum, t) => sum + 2 * t.length, 1000),
  });

  constructor(options: ImporterOptions) {
    this.options = options;
  }

  /** Does a job in a thread of its own. Aborting ends it at once. */
  async run<J extends ImportJob>(
    job: J,
    input: Parameters<ImportJobs[J]>[0],
    signal?: AbortSignal,
  ): Promise<Awaited<ReturnType<ImportJobs[J]>>> {
    while (this.busy >= THREADS) await new Promise<void>((go) => this.waiting.push(go));
    this.busy++;
    try {
      signal?.throwIfAborted();
      return (await this.ask(job, input, signal)) as Awaited<ReturnType<ImportJobs[J]>>;
    } finally {
      this.busy--;
      this.waiting.shift()?.();
    }
  }

  private ask(job: ImportJob, input: unknown, signal?: AbortSignal): Promise<unknown> {
    const worker = this.idle.pop() ?? this.options.start();
    return new Promise((resolve, reject) => {
      const over = new AbortController();
      const end = (keep: boolean) => {
        clearTimeout(timer);
        over.abort();
        for (const event of ['message', 'error'] as const) worker.removeAllListeners(event);
        if (!keep) return void worker.terminate();
        // An idle thread keeps nothing alive.
        worker.unref();
        this.idle.push(worker);
      };
      const fail = (error: Error) => {
        end(false);
        reject(error);
      };
      const timer = setTimeout(
        () => fail(new ImportLimit(SENTENCES.time)),
        1000 * (this.options.seconds ?? LIMITS.readSeconds),
      );
      signal?.addEventListener('abort', () => fail(new Problem(499, 'Given up', 'It was given up.')), {
        signal: over.signal,
      });
      worker.ref();
      worker.on('error', (error: Error & { code?: string }) =>
        fail(error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? new ImportLimit(SENTENCES.memory) : error),
      );
      worker.on('message', (answer: Answer) => {
        if (answer.ok) {
          end(true);
          return resolve(answer.result);
        }
        if ('problem' in answer) {
          const { status, title, detail, extra } = answer.problem;
          end(true);
          return reject(
            title === TOO_MUCH ? new ImportLimit(detail) : new Problem(status, title, detail, extra),
          );
        }
        fail(answer.fault === 'depth' ? new ImportLimit(SENTENCES.depth) : new Error(answer.fault));
      });
      worker.postMessage({ job, input });
    });
  }

  /** What a page moves by its own CSS. Read once for each content, entry, and what was left to the page. */
  motions(
    page: Page,
    files: () => Promise<readonly PageFile[]>,
    refuted: readonly Refuted[],
  ): Promise<ReadMotions | null> {
    const { contentHash, entry } = page;
    const key = `${entry}\0${contentHash}\0${JSON.stringify(refuted)}`;
    const known = this.listMotions.get(key);
    if (known) return known;
    const made = this.stored(page, files, refuted);
    this.listMotions.set(key, made);
    // What failed for the moment is tried again; what met a limit meets it again.
    made.catch((error: unknown) => error instanceof ImportLimit || this.listMotions.delete(key));
    return made;
  }

  private async stored(
    page: Page,
    files: () => Promise<readonly PageFile[]>,
    refuted: readonly Refuted[],
  ): Promise<ReadMotions | null> {
    const { results } = this.options;
    const known = await results?.find(page, refuted);
    if (known !== undefined) return known;
    const made = await this.run('motions', { entry: page.entry, files: await files(), refuted });
    await results?.put(page, refuted, made);
    return made;
  }

  /** Texts of files that lose what documents have taken over from them, by path. */
  async without(
    { contentHash, entry }: Page,
    files: () => Promise<readonly PageFile[]>,
    taken: readonly string[],
  ): Promise<ReadonlyMap<string, string>> {
    if (taken.length === 0) return new Map();
    const key = `${entry}\0${contentHash}\0${JSON.stringify([...taken].sort())}`;
    const known = this.textsWithout.get(key);
    if (known) return known;
    const texts = new Map(await this.run('without', { entry, files: await files(), taken }));
    this.textsWithout.set(key, texts);
    return texts;
  }

  /** What its videos’ files say of themselves; where they are too much to read, only how large they are. */
  videos(contentHash: string, files: () => Promise<readonly PageFile[]>): Promise<VideoFile[]> {
    const known = this.videosOf.get(contentHash);
    if (known) return known;
    const made = this.readVideos(files);
    this.videosOf.set(contentHash, made);
    made.catch(() => this.videosOf.delete(contentHash));
    return made;
  }

  private async readVideos(list: () => Promise<readonly PageFile[]>): Promise<VideoFile[]> {
    const files = await list();
    if (files.length === 0) return [];
    return this.run('videos', { files }).catch((error: unknown) => {
      if (!(error instanceof ImportLimit)) throw error;
      return files.map(({ path, bytes }) => ({ path, bytes: bytes.length }));
    });
  }

  async end(): Promise<void> {
    await Promise.all(this.idle.splice(0).map((w) => w.terminate()));
  }
}
