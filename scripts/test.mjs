/**
 * npm test: prepares a fresh clone, then type check, lint, formatting, import rules, sizes, Jest, and Playwright against a server and a
 * database of its own. Ends with “N passed, N failed”. Names of steps run only those, paths only those tests. Node built-ins only.
 */
import { readFileSync, rmSync } from 'node:fs';
import { ensureBuilt } from './setup/build.mjs';
import { CHECKS } from './setup/checks.mjs';
import {
  checkNode,
  ensureChromium,
  ensurePackages,
  ensurePostgres,
  offerEngines,
} from './setup/dependencies.mjs';
import { inRoot } from './setup/paths.mjs';
import { keepPostgres } from './setup/postgres.mjs';
import { endRunning, run } from './setup/processes.mjs';
import { say } from './setup/say.mjs';
import { workbenchSize } from './setup/sizes.mjs';
import { startStack } from './setup/stack.mjs';

/** Everything, long random sets included; everything once; only what shows faults. */
const full = process.argv.includes('--full');
const all = full || process.argv.includes('--all');
const faults = process.argv.includes('--faults');
const named = process.argv.slice(2).filter((a) => !a.startsWith('--'));
/** Tests to run, instead of all. */
const files = named.filter((a) => /[./]/.test(a));
const only = named.filter((a) => !files.includes(a));
const wants = (name) => only.length === 0 || only.includes(name);
let stack = null;
let cluster = null;
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(
    signal,
    () => (endRunning(), void Promise.all([stack?.stop(), cluster?.stop()]).then(() => process.exit(130))),
  );

const freshDir = (...path) => {
  rmSync(inRoot(...path), { recursive: true, force: true });
  return inRoot(...path);
};

checkNode();
await ensurePackages();
await ensureChromium();
const results = [];
const began = Date.now();
/** What is done to Lyvek on purpose: kills, full disks, hostile pages in the interface and in the lab, requests that are nearly right. */
const FAULTS = [
  'e2e/faults',
  'e2e/app/saving',
  'e2e/app/hostile',
  'e2e/app/heavy',
  'e2e/lab/reach',
  'e2e/lab/greedy',
];
const step = async (name, work) => {
  if (!wants(name)) return;
  say(`${name} …`);
  const from = Date.now();
  const result = await work();
  results.push({ name, seconds: (Date.now() - from) / 1000, ...result });
  if (result.failed) say(`${name} failed.`);
};

/** Those that run nothing, two beside each other, the longest first. */
const AT_ONCE = 2;
const waiting = ['lint', ...Object.keys(CHECKS).filter((name) => name !== 'lint')].filter(wants);
await Promise.all(
  Array.from({ length: AT_ONCE }, async () => {
    for (let name = waiting.shift(); name; name = waiting.shift()) {
      const from = Date.now();
      const { lines, ...result } = await CHECKS[name]();
      const seconds = (Date.now() - from) / 1000;
      results.push({ name, seconds, ...result });
      say(`${name}, ${seconds.toFixed(0)} s${result.failed ? ', failed' : ''}`);
      for (const line of lines) say(line);
    }
  }),
);
await step('jest', async () => {
  const file = inRoot('.cache', 'jest.json');
  rmSync(file, { force: true });
  // Tests of the store have a database each.
  cluster = keepPostgres({ bin: await ensurePostgres(), dir: freshDir('.data', 'unit') });
  const { url } = await cluster.ready;
  await run(
    process.execPath,
    [
      '--experimental-vm-modules',
      '--no-warnings',
      inRoot('node_modules/jest/bin/jest.js'),
      '--json',
      `--outputFile=${file}`,
      ...files,
    ],
    {
      cwd: inRoot(),
      env: { ...process.env, LYVEK_FULL: full ? '1' : '', LYVEK_TEST_DATABASE: url },
    },
  );
  await cluster.stop();
  return counted(file, (r) => ({
    passed: r.numPassedTests,
    failed: r.numFailedTests + r.numFailedTestSuites,
  }));
});
await step('workbench', async () => {
  await ensureBuilt();
  const { row, wrong } = workbenchSize();
  say(row);
  if (wrong) say(wrong);
  return { passed: wrong ? 0 : 1, failed: wrong ? 1 : 0 };
});
await step('browser', async () => {
  const bins = await ensurePostgres();
  await offerEngines();
  await ensureBuilt();
  stack = await startStack({ bin: bins, dir: inRoot('.data', 'test') });
  const file = inRoot('.cache', 'playwright.json');
  rmSync(file, { force: true });
  // One after the other: some of them kill the server that the others ask.
  const chosen = faults
    ? [...FAULTS, '--no-deps', '--workers=1']
    : [...files, ...(files.length ? ['--no-deps'] : [])];
  await run(process.execPath, [inRoot('node_modules/@playwright/test/cli.js'), 'test', ...chosen], {
    cwd: inRoot(),
    env: {
      ...process.env,
      LYVEK_URL: stack.url,
      LYVEK_STACK: JSON.stringify(stack.facts()),
      LYVEK_ORACLE_CASES: full ? '10000' : all ? '1500' : '750',
      LYVEK_TRIGGER_STEPS: full ? '2000' : all ? '100' : '30',
      LYVEK_STRANGER_ACTS: full ? '20000' : all ? '300' : '84',
      LYVEK_FUZZ: full || faults ? '12600' : '600',
      LYVEK_ALL: all || faults || files.length ? '1' : '',
      LYVEK_FULL: full ? '1' : '',
    },
  });
  await stack.stop();
  return counted(file, (r) => ({ passed: r.stats.expected + r.stats.flaky, failed: r.stats.unexpected }));
});

function counted(file, read) {
  try {
    return read(JSON.parse(readFileSync(file, 'utf8')));
  } catch {
    return { passed: 0, failed: 1 };
  }
}

for (const r of results) say(`${r.name}: ${r.passed} passed, ${r.failed} failed, ${r.seconds.toFixed(0)} s`);
say(`${((Date.now() - began) / 60_000).toFixed(1)} minutes`);
const total = (key) => results.reduce((sum, r) => sum + r[key], 0);
process.stdout.write(`${total('passed')} passed, ${total('failed')} failed\n`);
process.exit(total('failed') > 0 || total('passed') === 0 ? 1 : 0);
