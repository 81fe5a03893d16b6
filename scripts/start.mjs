/**
 * npm start and npm run dev: prepares the machine, starts PostgreSQL and the server, keeps both running, ends both.
 * Node built-ins only: this runs before anything is installed.
 */
import { ensureBuilt, watchParts } from './setup/build.mjs';
import { checkNode, ensurePackages, ensurePostgres } from './setup/dependencies.mjs';
import { takeLock } from './setup/lock.mjs';
import { accessKey } from './setup/key.mjs';
import { inRoot } from './setup/paths.mjs';
import { freePort, isFree } from './setup/ports.mjs';
import { keepPostgres } from './setup/postgres.mjs';
import { endRunning, run } from './setup/processes.mjs';
import { giveUp } from './setup/say.mjs';
import { startServer } from './setup/server.mjs';

const dev = process.argv.includes('--dev');
const port = Number(process.env.PORT || 4870);
const dir = process.env.LYVEK_DATA || inRoot('.data');

checkNode();
if (!Number.isInteger(port) || port < 1 || port > 65535)
  giveUp(`PORT is “${process.env.PORT}”; it must be a number from 1 to 65535.`);
const unlock = takeLock(dir);
const closing = [];
let ending = false;

async function end(code) {
  if (ending) return;
  ending = true;
  endRunning();
  for (const close of closing.reverse()) await close();
  unlock();
  process.exit(code);
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => end(0));
process.on('exit', unlock);

if (!(await isFree(port)))
  giveUp(`port ${port} is taken. Stop what uses it, or choose another:  PORT=4880 npm start`);
await ensurePackages();

async function database() {
  if (process.env.DATABASE_URL) return process.env.DATABASE_URL;
  const cluster = keepPostgres({ bin: await ensurePostgres(), dir });
  // Known before it is there: an end that is asked for meanwhile ends it too.
  closing.push(() => cluster.stop());
  return (await cluster.ready).url;
}

const [url] = await Promise.all([database(), dev ? watchParts() : ensureBuilt()]);
const key = accessKey(dir);
const apiPort = dev ? await freePort() : port;
const server = await startServer({
  args: dev
    ? ['--watch', '--watch-preserve-output', '--import', 'tsx', inRoot('packages/server/src/main.ts')]
    : [inRoot('dist/server.js')],
  env: {
    DATABASE_URL: url,
    PORT: String(apiPort),
    LYVEK_ROOT: inRoot(),
    LYVEK_KEY: key,
    ...(dev ? { LYVEK_APP_PORT: String(port) } : {}),
  },
}).catch((error) => {
  process.stderr.write(`\nlyvek cannot go on: ${error.message}\n`);
  return null;
});
if (!server) await end(1);
if (ending) await server.stop();
closing.push(() => server.stop());

if (dev)
  run(
    process.execPath,
    [inRoot('node_modules/vite/bin/vite.js'), '--port', String(port), '--strictPort', '--host', '127.0.0.1'],
    {
      cwd: inRoot('packages/web'),
      env: { ...process.env, LYVEK_API: `http://127.0.0.1:${apiPort}`, VITE_PREVIEW_PORT: String(apiPort) },
    },
  ).then(() => end(1));
process.stdout.write(`Lyvek is ready at http://127.0.0.1:${port}${key ? `/?key=${key}` : ''}\n`);
