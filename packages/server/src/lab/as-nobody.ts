/** Browsers are started as a user who owns nothing but a folder for their profile, where the server itself is root. */
import { chmodSync, chownSync, existsSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const SETPRIV = '/usr/bin/setpriv';
const NOBODY = 65534;

export const becomesNobody = (): boolean => process.getuid?.() === 0 && existsSync(SETPRIV);

/** The same command, as nobody. */
export const asNobody = (program: string, args: readonly string[]): [string, string[]] =>
  becomesNobody()
    ? [SETPRIV, ['--reuid=nobody', '--regid=nogroup', '--clear-groups', '--', program, ...args]]
    : [program, [...args]];

/** A new folder that the browser may write in. */
export function makeFolder(prefix: string): string {
  const folder = mkdtempSync(join(tmpdir(), prefix));
  if (becomesNobody()) {
    chownSync(folder, NOBODY, NOBODY);
    chmodSync(folder, 0o700);
  }
  return folder;
}

const starters = new Map<string, string>();

/**
 * A program that starts `program` as nobody, for libraries that start browsers themselves. `profile`: shell text that leaves the folder of the
 * profile, among the arguments, in `$dir`. The same program where the server is not root.
 */
export function starterAsNobody(program: string, profile: string): string {
  if (!becomesNobody()) return program;
  const known = starters.get(program);
  if (known && existsSync(known)) return known;
  const path = join(mkdtempSync(join(tmpdir(), 'lyvek-starter-')), 'start');
  writeFileSync(
    path,
    `#!/bin/sh
${profile}
chown -R nobody "$dir" && export HOME="$dir" && exec setpriv --reuid=nobody --regid=nogroup --clear-groups -- "${program}" "$@"
`,
    { mode: 0o755 },
  );
  starters.set(program, path);
  return path;
}
