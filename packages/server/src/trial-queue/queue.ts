/** Runs the lab’s trials one after another. All servers of a database share the queue; on one machine one trial runs at a time. */
import { hostname } from 'node:os';
import { setTimeout as rest } from 'node:timers/promises';
import type pg from 'pg';
import type { Logger } from 'pino';
import { readDocument, TrialSetupSchema } from '@lyvek/core';
import type { TrialSetup } from '@lyvek/core';
import { makeHandOff } from '../hand-off/make.ts';
import { handedOff } from '../hand-off/files.ts';
import { beatTrial, claimTrial, endTrial, isTrialWaiting, reviveTrials } from '../store/trials.ts';
import type { TrialRow } from '../store/trials.ts';
import { refitUnitCosts } from './fit-unit-costs.ts';
import {
  failureSentence,
  filesInMemory,
  isLate,
  findLongest,
  rideTrial,
  runTrial,
  TrialFailed,
  within,
} from '../lab/index.ts';
import type { LabTurn } from '../lab/index.ts';

const LOOK_EVERY = 1000;
const BEAT_EVERY = 2000;

export class LabQueue {
  private readonly ended = new AbortController();
  private readonly machine = `${hostname()} ${process.pid}`;

  constructor(
    private readonly pool: pg.Pool,
    private readonly log: Logger,
    private readonly built: (file: string) => Uint8Array,
    private readonly turn: LabTurn,
  ) {}

  /** Works until `stop`. Errors of the database are waited out. */
  async work(): Promise<void> {
    while (!this.ended.signal.aborted) {
      await this.next().catch((error: unknown) =>
        this.log.warn({ err: error instanceof Error ? error.message : String(error) }, 'the lab waits'),
      );
      await rest(LOOK_EVERY, undefined, { signal: this.ended.signal }).catch(() => {});
    }
  }

  stop(): void {
    this.ended.abort();
  }

  private async next(): Promise<void> {
    await reviveTrials(this.pool);
    if (!(await isTrialWaiting(this.pool))) return;
    await this.turn.run(async () => {
      const trial = await claimTrial(this.pool, this.machine);
      if (trial) await this.run(trial);
    }, this.ended.signal);
  }

  private async run(trial: TrialRow & { document: unknown }): Promise<void> {
    const gone = new AbortController();
    let done = 0;
    const beat = setInterval(() => {
      beatTrial(this.pool, trial.id, this.machine, done).then(
        (reducedMotion) => reducedMotion || gone.abort(),
        () => {},
      );
    }, BEAT_EVERY);
    try {
      const setup = TrialSetupSchema.parse(trial.setup);
      const result = await within(
        findLongest(setup),
        AbortSignal.any([gone.signal, this.ended.signal]),
        (signal) => this.measure(trial, setup, (share) => (done = share), signal),
      ).catch((error: unknown) => {
        if (isLate(error))
          throw new TrialFailed(
            `It was not done within ${Math.round(findLongest(setup) / 1000)} s: the page hangs, or is too slow to be scrolled.`,
          );
        throw error;
      });
      await endTrial(this.pool, trial.id, { result });
      // Only Chromium tells what the time was spent on.
      if (result.setup.engine === undefined || result.setup.engine === 'chromium')
        await refitUnitCosts(this.pool, trial.pageId, setup.device).catch((error: unknown) =>
          this.log.warn({ err: String(error) }, 'unit costs were not fitted'),
        );
    } catch (error) {
      if (gone.signal.aborted || this.ended.signal.aborted) return;
      this.log.info({ err: error instanceof Error ? error.message : String(error) }, 'a trial failed');
      await endTrial(this.pool, trial.id, { why: failureSentence(error) });
    } finally {
      clearInterval(beat);
    }
  }

  private async measure(
    trial: TrialRow & { document: unknown },
    setup: TrialSetup,
    onProgress: (share: number) => void,
    signal: AbortSignal,
  ) {
    const parsed = readDocument(trial.document);
    if (!parsed.ok) throw new TrialFailed('The stored document cannot be read any more.');
    const { engine = 'chromium' } = setup;
    const { page, files, assembled } = await makeHandOff(this.pool, trial.pageId, parsed.document, 'Trial', {
      ...setup.viewport,
      target: 'css',
      fallback: engine !== 'chromium',
    });
    const finished = filesInMemory(page.entry, handedOff(files, page.entry, assembled, this.built));
    const hooks = { onProgress, signal };
    if (engine === 'chromium') return runTrial(finished, setup, hooks);
    const inPage = new TextDecoder().decode(this.built('in-page.js'));
    return rideTrial({ engine, files: finished, setup, inPage }, hooks);
  }
}
