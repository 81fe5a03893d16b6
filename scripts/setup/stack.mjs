/** A server with a database of its own, for tests, benches and pictures: fresh each time, on free ports. */
import { openSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { inRoot } from './paths.mjs';
import { freePort } from './ports.mjs';
import { keepPostgres } from './postgres.mjs';
import { startServer } from './server.mjs';

export async function startStack({ bin, dir, env = {} }) {
  rmSync(dir, { recursive: true, force: true });
  const cluster = keepPostgres({ bin, dir });
  const { url: databaseUrl } = await cluster.ready;
  const port = await freePort();
  const server = await startServer({
    args: [inRoot('dist/server.js')],
    env: { DATABASE_URL: databaseUrl, PORT: String(port), LYVEK_ROOT: inRoot(), LYVEK_LOG: 'error', ...env },
    // Faults on purpose are many; the file says what was behind one that was not.
    log: openSync(join(dir, 'server.log'), 'a'),
  });
  return {
    url: `http://127.0.0.1:${port}`,
    databaseUrl,
    /** what tests that kill things need to know */
    facts: () => ({ port, dataDir: dir, supervisor: process.pid, databaseUrl }),
    async stop() {
      await server.stop();
      await cluster.stop();
    },
  };
}
