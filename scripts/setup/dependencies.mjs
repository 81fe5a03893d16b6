/** What has to be on the machine: npm packages and Debian packages. Installs what is missing where it may. */
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { inRoot, ROOT } from './paths.mjs';
import { hasProgram, isDebian, isRoot, run } from './processes.mjs';
import { giveUp, say } from './say.mjs';

export function checkNode() {
  if (/[#?]/.test(ROOT))
    giveUp(
      `the path of this folder, ${ROOT}, has a “#” or “?” in it, which its build cannot read. Rename that folder.`,
    );
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    giveUp(`it needs Node 20.19 or newer; this is ${process.versions.node}.`);
}

export async function ensurePackages() {
  const stamp = inRoot('node_modules', '.lyvek-lock');
  const wanted = createHash('sha256')
    .update(readFileSync(inRoot('package-lock.json')))
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  say('installing npm packages (npm ci) …');
  const npm = process.env.npm_execpath;
  const args = ['ci', '--include=dev', '--no-audit', '--no-fund', '--loglevel=error'];
  const { code, output } = npm?.endsWith('.js')
    ? await run(process.execPath, [npm, ...args], { quiet: true, cwd: inRoot() })
    : await run('npm', args, { quiet: true, cwd: inRoot() });
  if (code !== 0) giveUp(`npm ci ended with ${code}:\n${output.slice(-3000)}`);
  writeFileSync(stamp, wanted);
}

/** Directory of the newest installed PostgreSQL, or null. */
export function postgresBin() {
  const base = '/usr/lib/postgresql';
  if (!existsSync(base)) return null;
  const versions = readdirSync(base).filter((v) => existsSync(join(base, v, 'bin', 'initdb')));
  const newest = versions.sort((a, b) => Number(b) - Number(a))[0];
  return newest ? join(base, newest, 'bin') : null;
}

async function aptInstall(what, packages) {
  const line = `apt-get install --no-install-recommends ${packages.join(' ')}`;
  if (!isDebian())
    giveUp(`${what} is missing. Install it with your system's package manager, then start again.`);
  if (!isRoot()) giveUp(`${what} is missing. Install it with:  sudo ${line}`);
  say(`installing ${what} (${packages.join(', ')}) …`);
  const options = { quiet: true, env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } };
  await run('apt-get', ['update', '-qq'], options);
  const { code, output } = await run(
    'apt-get',
    ['install', '-y', '-qq', '--no-install-recommends', ...packages],
    options,
  );
  if (code !== 0) giveUp(`${line} ended with ${code}:\n${output.slice(-3000)}`);
}

export async function ensurePostgres() {
  const found = postgresBin();
  if (found) return found;
  if (isRoot() && isDebian()) {
    // Without this, Debian would set up and start a cluster of its own.
    mkdirSync('/etc/postgresql-common/createcluster.d', { recursive: true });
    writeFileSync('/etc/postgresql-common/createcluster.d/lyvek.conf', 'create_main_cluster = false\n');
  }
  await aptInstall('PostgreSQL', ['postgresql']);
  return (
    postgresBin() ??
    giveUp('PostgreSQL was installed but its programs were not found under /usr/lib/postgresql.')
  );
}

/** Other browsers that hand-offs are proved in. Tests in them are skipped where they cannot be had. */
export async function offerEngines() {
  const wanted = [
    ...(hasProgram('firefox-esr') || hasProgram('firefox') ? [] : ['firefox-esr']),
    ...(hasProgram('WebKitWebDriver') ? [] : ['webkit2gtk-driver']),
    ...(hasProgram('Xvfb') ? [] : ['xvfb']),
  ];
  if (wanted.length === 0) return;
  const line = `apt-get install --no-install-recommends ${wanted.join(' ')}`;
  if (!isDebian() || !isRoot())
    return say(`Firefox and WebKit are not proved in: they are missing. On Debian: sudo ${line}`);
  say(`installing Firefox and WebKit (${wanted.join(', ')}) …`);
  const options = { quiet: true, env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } };
  await run('apt-get', ['update', '-qq'], options);
  const args = ['install', '-y', '-qq', '--no-install-recommends', ...wanted];
  const { code, output } = await run('apt-get', args, options);
  if (code !== 0) say(`They could not be had, and tests in them are skipped: ${output.slice(-400)}`);
}

export async function ensureChromium() {
  if (!hasProgram('chromium')) await aptInstall('Chromium', ['chromium', 'fonts-liberation']);
}
