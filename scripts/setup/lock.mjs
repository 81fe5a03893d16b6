/** One start per data folder. A lock whose owner has died is taken over. */
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { giveUp } from './say.mjs';

const WHY = {
  EACCES: 'it may not be written to. Choose another folder with LYVEK_DATA',
  EPERM: 'it may not be written to. Choose another folder with LYVEK_DATA',
  EROFS: 'it may only be read. Choose another folder with LYVEK_DATA',
  ENOSPC: 'the disk is full',
  ENOTDIR: 'a file stands where a folder should be. Choose another folder with LYVEK_DATA',
  EEXIST: 'a file stands where a folder should be. Choose another folder with LYVEK_DATA',
};

export function takeLock(dir) {
  const file = join(dir, 'start.lock');
  try {
    mkdirSync(dir, { recursive: true });
    writeFileSync(file, String(process.pid), { flag: 'wx' });
  } catch (error) {
    if (error.code !== 'EEXIST' || !existsSync(file))
      giveUp(`${dir} cannot be used for data: ${WHY[error.code] ?? error.message}.`);
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
