/** The key of this Lyvek: where other people can log in to the same machine, its address alone does not open it. */
import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { giveUp } from './say.mjs';

/** Accounts of people: those above the system’s own, with a shell (login.defs, UID_MIN). */
function hasOtherUsers() {
  try {
    return readFileSync('/etc/passwd', 'utf8')
      .split('\n')
      .map((l) => l.split(':'))
      .some(
        ([, , uid, , , , shell]) =>
          Number(uid) >= 1000 &&
          Number(uid) < 60_000 &&
          Number(uid) !== process.getuid() &&
          !/(nologin|false)$/.test(shell),
      );
  } catch {
    return false;
  }
}

/** `LYVEK_KEY`: “off”, “on”, or a key of one’s own. Empty where none is needed. The same at every start. */
export function accessKey(dir) {
  const wish = process.env.LYVEK_KEY ?? (hasOtherUsers() ? 'on' : 'off');
  if (wish === 'off') return '';
  if (wish !== 'on') {
    if (!/^[\w-]{8,200}$/.test(wish))
      giveUp('LYVEK_KEY is “on”, “off”, or a key of at least 8 letters and digits.');
    return wish;
  }
  const file = join(dir, 'key');
  if (!existsSync(file)) writeFileSync(file, randomBytes(18).toString('base64url'), { mode: 0o600 });
  return readFileSync(file, 'utf8').trim();
}
