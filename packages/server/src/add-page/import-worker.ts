/** The thread that imports pages. One job at a time; whoever asked ends the thread when a job takes too long. */
import { present } from '@lyvek/core';
import { readlinkSync } from 'node:fs';
import { constants, setPriority } from 'node:os';
import { parentPort } from 'node:worker_threads';
import { Problem } from '../http/problem.ts';
import { IMPORT_JOBS } from './import-jobs.ts';
import type { ImportJob } from './import-jobs.ts';

export type Answer =
  | { ok: true; result: unknown }
  | { ok: false; problem: { status: number; title: string; detail: string; extra: Record<string, unknown> } }
  | { ok: false; fault: string };

/** The thread that answers requests goes first. Linux gives every thread a priority of its own; elsewhere they stay equal. */
function giveWay(): void {
  try {
    const thread = Number(readlinkSync('/proc/thread-self').split('/').pop());
    setPriority(thread, constants.priority.PRIORITY_BELOW_NORMAL);
  } catch {
    // No such system, or not allowed.
  }
}

giveWay();
async function work({ job, input }: { job: ImportJob; input: never }): Promise<void> {
  let answer: Answer;
  try {
    answer = { ok: true, result: await IMPORT_JOBS[job](input) };
  } catch (error) {
    if (error instanceof Problem) {
      const { status, title, message: detail, extra } = error;
      answer = { ok: false, problem: { status, title, detail, extra } };
    } else
      answer = {
        ok: false,
        fault: error instanceof RangeError ? 'depth' : String((error as Error)?.stack ?? error),
      };
  }
  present(parentPort).postMessage(answer);
}

present(parentPort).on('message', (asked: Parameters<typeof work>[0]) => void work(asked));
