/** npm run bench: the quick benches, a line per figure, and bench/results.json. `npm run bench all` runs every one, `npm run bench drag` one. */
import { readdirSync } from 'node:fs';
import { ensureBuilt } from './setup/build.mjs';
import { checkNode, ensureChromium, ensurePackages, ensurePostgres } from './setup/dependencies.mjs';
import { inRoot } from './setup/paths.mjs';
import { run } from './setup/processes.mjs';
import { say } from './setup/say.mjs';
import { startStack } from './setup/stack.mjs';

checkNode();
await ensurePackages();
await ensureChromium();
await ensureBuilt();
/** Benches that take long and change seldom. */
const LONG = ['fallback', 'import', 'sampling', 'start'];
const only = process.argv[2];
const isWanted = (file) =>
  only === 'all' || (only ? file.startsWith(only) : !LONG.some((name) => file.startsWith(name)));
const stack = await startStack({ bin: await ensurePostgres(), dir: inRoot('.data', 'bench') });
let failed = 0;
for (const file of readdirSync(inRoot('bench')).filter((f) => f.endsWith('.bench.ts') && isWanted(f))) {
  say(file);
  const { code } = await run(process.execPath, ['--expose-gc', '--import', 'tsx', inRoot('bench', file)], {
    cwd: inRoot(),
    env: { ...process.env, LYVEK_URL: stack.url, LYVEK_STACK: JSON.stringify(stack.facts()) },
  });
  if (code !== 0) failed++;
}
await stack.stop();
process.exit(failed ? 1 : 0);
