/** One start per data folder. A lock whose owner has died is taken over. */
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { giveUp } from './say.mjs';

export function takeLock(dir) {
  mkdirSync(dir, { recursive: true });
  const file = join(dir, 'start.lock');
  try {
    writeFileSync(file, String(process.pid), { flag: 'wx' });
  } catch {
    const pid = Number(readFileSync(file, 'utf8'));
    if (isNode(pid))
      giveUp(`it is already running here (process ${pid}). Stop that one first, or open its address.`);
    writeFileSync(file, String(process.pid));
  }
  return () => rmSync(file, { force: true });
}

const isNode = (pid) => {
  try {
    return pid !== process.pid && readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('start.mjs');
  } catch {
    return false;
  }
};
