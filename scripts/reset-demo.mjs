/** npm run reset-demo: puts the present demo project away and loads it afresh. Works beside a running Lyvek or alone. */
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt } from './setup/build.mjs';
import { checkNode, ensurePackages, ensurePostgres } from './setup/dependencies.mjs';
import { inRoot } from './setup/paths.mjs';
import { keepPostgres, runningCluster } from './setup/postgres.mjs';
import { run } from './setup/processes.mjs';
import { giveUp } from './setup/say.mjs';

const dir = process.env.LYVEK_DATA || inRoot('.data');
checkNode();
await ensurePackages();
await ensureBuilt();
let cluster = null;
let url = process.env.DATABASE_URL ?? runningCluster(dir);
if (!url) {
  if (!existsSync(join(dir, 'pg')))
    giveUp('there is no database yet. Run npm start once; it loads the demo by itself.');
  cluster = keepPostgres({ bin: await ensurePostgres(), dir });
  ({ url } = await cluster.ready);
}
const { code, output } = await run(process.execPath, [inRoot('dist/server.js'), '--reset-demo'], {
  quiet: true,
  env: { ...process.env, DATABASE_URL: url, PORT: '0', LYVEK_ROOT: inRoot() },
});
await cluster?.stop();
if (code !== 0) giveUp(output);
process.stdout.write('The demo is as it was shipped. An earlier one was put away.\n');
