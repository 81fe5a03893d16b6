/** npm start with nothing prepared but the packages, and a second time when nothing has changed; against starting Node alone. */
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort } from '../scripts/setup/ports.mjs';
import { median, report } from './support/figures.ts';

const dir = mkdtempSync(join(tmpdir(), 'lyvek-bench-'));

async function start(): Promise<number> {
  const began = performance.now();
  const child = spawn(process.execPath, ['scripts/start.mjs'], {
    env: { ...process.env, LYVEK_DATA: dir, PORT: String(await freePort()) },
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  await new Promise<void>((ready) =>
    child.stdout.on('data', (d: Buffer) => String(d).includes('is ready') && ready()),
  );
  const took = performance.now() - began;
  child.kill('SIGTERM');
  await new Promise((ended) => child.once('exit', ended));
  return took / 1000;
}

const cold = await start();
const warm = median([await start(), await start(), await start()]);
rmSync(dir, { recursive: true, force: true });
report({
  name: 'first start, packages installed and built',
  value: cold,
  unit: 's',
  accept: 30,
  aim: 8,
  better: 'lower',
});
report({ name: 'second start', value: warm, unit: 's', accept: 8, aim: 3, better: 'lower' });
