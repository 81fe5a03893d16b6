/** Runs `lyvek …` as a user would. */
import { present } from '@lyvek/core';
import { execFile } from 'node:child_process';
import { fileURLToPath } from 'node:url';

const BIN = fileURLToPath(new URL('../../packages/cli/bin/lyvek.mjs', import.meta.url));

export interface Ran {
  status: number;
  out: string;
  err: string;
}

export const lyvek = (args: readonly string[], input?: string): Promise<Ran> =>
  new Promise((done) => {
    const child = execFile(process.execPath, [BIN, ...args], { maxBuffer: 200e6 }, (error, out, err) =>
      done({ status: error ? Number(error.code ?? 1) : 0, out, err }),
    );
    present(child.stdin).end(input ?? '');
  });
