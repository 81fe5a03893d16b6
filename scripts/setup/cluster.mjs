/** The files of a private PostgreSQL cluster: made, owned by a user that is not root, and mended where something of them is lost. */
import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import {
  chownSync,
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { hasProgram, isRoot } from './processes.mjs';
import { giveUp, say } from './say.mjs';

export const USER = 'lyvek';

/** PostgreSQL refuses root. The capability lets it reach a data folder below directories that its user may not enter. */
export function asPostgres(program, args) {
  if (!hasProgram('setpriv')) {
    if (isRoot())
      giveUp('“setpriv” (package util-linux) is missing: PostgreSQL cannot be started as another user.');
    return [program, args];
  }
  const who = isRoot()
    ? [
        '--reuid=postgres',
        '--regid=postgres',
        '--clear-groups',
        '--inh-caps=+dac_read_search',
        '--ambient-caps=+dac_read_search',
      ]
    : [];
  return ['setpriv', [...who, '--pdeathsig=INT', '--', program, ...args]];
}

const findId = (flag) => Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout);

function own(path) {
  if (isRoot()) chownSync(path, findId('-u'), findId('-g'));
}

const passwordFile = (dir) => join(dir, 'pg-password');
export const password = (dir) => readFileSync(passwordFile(dir), 'utf8').trim();

function newPassword(dir, secret = randomBytes(24).toString('hex')) {
  writeFileSync(passwordFile(dir), secret, { mode: 0o600 });
  own(passwordFile(dir));
}

/** A lost password is replaced: whoever owns the files may. */
function ensurePassword(bin, dir, home) {
  if (existsSync(passwordFile(dir)) && password(dir)) return;
  say('the password of the database is lost; it gets another one …');
  const [program, args] = asPostgres(join(bin, 'postgres'), ['--single', '-D', home, 'postgres']);
  const secret = randomBytes(24).toString('hex');
  const set = spawnSync(program, args, {
    input: `alter user ${USER} password '${secret}'\n`,
    encoding: 'utf8',
    cwd: '/',
  });
  if (set.status !== 0)
    giveUp(`“pg-password” is missing in ${dir}, and no new one could be set: ${lastLine(set.stderr)}`);
  newPassword(dir, secret);
}

export const lastLine = (text) =>
  text
    .split('\n')
    .findLast((l) => /FATAL|PANIC|ERROR/.test(l))
    ?.replace(/^.*?(FATAL|PANIC|ERROR):\s*/, '') ??
  (text.trim().split('\n').at(-1) || 'it said nothing');

const majorOf = (bin) => /\/(\d+)\/bin$/.exec(bin)?.[1];

/** Programs of the version that wrote the cluster: another one refuses its files. */
function binFor(bin, home) {
  const wrote = readFileSync(join(home, 'PG_VERSION'), 'utf8').trim();
  const now = majorOf(bin);
  if (now === undefined || wrote === now) return bin;
  const same = bin.replace(/\/\d+\/bin$/, `/${wrote}/bin`);
  if (existsSync(join(same, 'postgres'))) return same;
  return giveUp(
    `the data in ${home} was written by PostgreSQL ${wrote}, and only PostgreSQL ${now} is installed. Install it with:  sudo apt-get install --no-install-recommends postgresql-${wrote}`,
  );
}

/** The programs and the folder of the cluster in `dir`, which is made when it is missing. */
export function ensureCluster(newest, dir) {
  // What starts that were broken off have left.
  for (const name of readdirSync(dir))
    if (/^pg\.new-\d+$/.test(name)) rmSync(join(dir, name), { recursive: true, force: true });
  const home = join(dir, 'pg');
  if (!existsSync(join(home, 'PG_VERSION'))) {
    makeCluster(newest, dir, home);
    return { bin: newest, home };
  }
  const bin = binFor(newest, home);
  ensurePassword(bin, dir, home);
  return { bin, home };
}

/** Initialises under another name and renames, so that a half-made cluster is never mistaken for one. */
function makeCluster(bin, dir, home) {
  say('making a private PostgreSQL cluster …');
  const fresh = join(dir, `pg.new-${process.pid}`);
  mkdirSync(fresh, { recursive: true, mode: 0o700 });
  own(fresh);
  newPassword(dir);
  const [program, args] = asPostgres(join(bin, 'initdb'), [
    '-D',
    fresh,
    '-U',
    USER,
    '--encoding=UTF8',
    '--locale=C.UTF-8',
    '--auth=scram-sha-256',
    `--pwfile=${passwordFile(dir)}`,
  ]);
  const made = spawnSync(program, args, { encoding: 'utf8', cwd: '/' });
  if (made.status !== 0) {
    rmSync(fresh, { recursive: true, force: true });
    // Interrupted together with us: there is nothing to complain about.
    if (made.signal) process.exit(130);
    giveUp(`the database could not be made: ${lastLine(made.stderr || made.stdout)}`);
  }
  // Of a cluster that has lost what makes it one.
  if (existsSync(home)) renameSync(home, `${home}.broken-${Date.now()}`);
  renameSync(fresh, home);
}
