/** A server with a database of its own, for tests, benches and pictures: fresh each time, on free ports. */
import { rmSync } from 'node:fs';
import { inRoot } from './paths.mjs';
import { freePort } from './ports.mjs';
import { startPostgres } from './postgres.mjs';
import { startServer } from './server.mjs';

export async function startStack({ bin, dir }) {
  rmSync(dir, { recursive: true, force: true });
  let stopping = false;
  let cluster;
  const database = async (port) => {
    cluster = await startPostgres({ bin, dir, port, onExit: () => !stopping && database(cluster.port) });
  };
  await database();
  const port = await freePort();
  const server = await startServer({
    args: [inRoot('dist/server.js')],
    env: { DATABASE_URL: cluster.url, PORT: String(port), LYVEK_ROOT: inRoot(), LYVEK_LOG: 'silent' },
  });
  return {
    url: `http://127.0.0.1:${port}`,
    databaseUrl: cluster.url,
    /** what tests that kill things need to know */
    facts: () => ({ port, dataDir: dir, supervisor: process.pid, databaseUrl: cluster.url }),
    async stop() {
      stopping = true;
      await server.stop();
      await cluster.stop();
    },
  };
}
