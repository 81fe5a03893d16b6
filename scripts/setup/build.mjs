/** Builds server, probe and web into dist/ when a source has changed since the last build. */
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { stripVTControlCharacters } from 'node:util';
import { PARTS } from './parts.mjs';
import { inRoot } from './paths.mjs';
import { run } from './processes.mjs';
import { giveUp, say } from './say.mjs';

/** Libraries that Node loads from node_modules; workspace packages are bundled. */
const EXTERNAL = [
  'express',
  'pg',
  'pino',
  'helmet',
  'mime-types',
  'zod',
  'css-tree',
  'culori',
  'parse5',
  'postcss',
  'postcss-safe-parser',
  'playwright-core',
  'puppeteer-core',
  'fflate',
  'mediabunny',
];

function fingerprint() {
  const hash = createHash('sha256')
    .update(readFileSync(inRoot('package-lock.json')))
    .update(readFileSync(inRoot('scripts/setup/build.mjs')));
  const walk = (dir) => {
    for (const entry of readdirSync(dir, { withFileTypes: true }).sort((a, b) =>
      a.name < b.name ? -1 : 1,
    )) {
      const path = join(dir, entry.name);
      if (entry.name === 'node_modules' || entry.name === 'dist') continue;
      if (entry.isDirectory()) walk(path);
      else if (!entry.name.endsWith('.test.ts'))
        hash.update(`${path} ${statSync(path).size} ${statSync(path).mtimeMs}\n`);
    }
  };
  walk(inRoot('packages'));
  return hash.digest('hex');
}

export const serverBundle = (outfile) => ({
  entryPoints: [inRoot('packages/server/src/main.ts')],
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  sourcemap: true,
  external: EXTERNAL,
  outfile,
});

/** The thread that imports pages. */
export const importWorkerBundle = (outfile) => ({
  ...serverBundle(outfile),
  entryPoints: [inRoot('packages/server/src/add-page/import-worker.ts')],
});

export const probeBundle = (outfile) => ({
  entryPoints: [inRoot('packages/probe/src/main.ts')],
  bundle: true,
  format: 'iife',
  target: 'chrome120',
  minify: true,
  outfile,
});

/** The script that goes with a hand-off. */
export const runtimeBundle = (outfile) => ({
  entryPoints: [inRoot('packages/runtime/src/hand-off.ts')],
  bundle: true,
  format: 'esm',
  target: 'es2022',
  minify: true,
  banner: { js: '/* Plays what CSS alone cannot. start(document, plan) returns what stops it. */' },
  outfile,
});

/** One of its parts. */
export const partBundle = (part) => (outfile) => ({
  ...runtimeBundle(outfile),
  entryPoints: [inRoot('packages/runtime/src', part.source)],
  banner: { js: `/* ${part.what}: start(document, plan, { ${part.name}: ${part.play} }). */` },
});

/** What drives a page in browsers without scroll timelines. */
export const fallbackBundle = (outfile) => ({
  ...runtimeBundle(outfile),
  entryPoints: [inRoot('packages/runtime/src/fallback/index.ts')],
  banner: {
    js: '/* Plays everything where scroll timelines are missing. start(plan) returns what stops it. */',
  },
});

/** The script of a page under development. */
export const liveBundle = (outfile) => ({
  ...probeBundle(outfile),
  entryPoints: [inRoot('packages/probe/src/live.ts')],
});

/** What a page on a device says and hears. */
export const deviceBundle = (outfile) => ({
  ...probeBundle(outfile),
  entryPoints: [inRoot('packages/probe/src/device.ts')],
});

/** What the lab puts into a page to look at it. */
export const inPageBundle = (outfile) => ({
  ...probeBundle(outfile),
  entryPoints: [inRoot('packages/probe/src/in-page.ts')],
});

/** The same, to see everything that moves on a reader’s way. */
export const journeyBundle = (outfile) => ({
  ...probeBundle(outfile),
  entryPoints: [inRoot('packages/probe/src/in-page-journey.ts')],
});

/** Its own bundle has the tables in it; the sources read them from files beside them. */
const wholeCssTree = {
  name: 'css-tree',
  setup: ({ onResolve }) =>
    onResolve({ filter: /^css-tree$/ }, () => ({
      path: inRoot('node_modules/css-tree/dist/csstree.esm.js'),
    })),
};

/** One file per command, so that each starts fast. Libraries are inlined but for the browser’s driver, which only some commands need. */
export const cliBundle = (outdir) => ({
  entryPoints: [inRoot('packages/cli/src/main.ts')],
  bundle: true,
  splitting: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  minify: true,
  external: ['playwright-core'],
  mainFields: ['module', 'main'],
  plugins: [wholeCssTree],
  // Some libraries still ask for Node’s modules in the old way.
  banner: {
    js: "import { createRequire as __require } from 'node:module'; const require = __require(import.meta.url);",
  },
  outdir,
});

export async function buildCli() {
  const build = await builder();
  await build(cliBundle(inRoot('dist/cli')));
  await buildProbe();
}

export async function buildProbe() {
  const build = await builder();
  await build(inPageBundle(inRoot('dist/in-page.js')));
  await build(journeyBundle(inRoot('dist/journey.js')));
  await build(liveBundle(inRoot('dist/live.js')));
  await build(deviceBundle(inRoot('dist/device.js')));
  await build(probeBundle(inRoot('dist/probe.js')));
  await build(runtimeBundle(inRoot('dist/runtime.js')));
  for (const part of PARTS) await build(partBundle(part)(inRoot('dist', `${part.name}.js`)));
  await build(fallbackBundle(inRoot('dist/fallback.js')));
}

/**
 * Builds what the server hands out or starts beside itself, and again whenever one of its sources changes; what was wrong is said, and it goes
 * on.
 */
export async function watchParts() {
  await buildProbe();
  const { context } = await import('esbuild');
  const bundles = [
    probeBundle(inRoot('dist/probe.js')),
    liveBundle(inRoot('dist/live.js')),
    importWorkerBundle(inRoot('dist/import-worker.js')),
  ];
  for (const bundle of bundles) await (await context({ logLevel: 'warning', ...bundle })).watch();
}

/** esbuild, which leaves it to us to say what went wrong. */
async function builder() {
  const { build } = await import('esbuild');
  return (options) => build({ logLevel: 'silent', ...options });
}

/** What a finished build leaves; a missing or empty one means that it was broken off. */
const MADE = [
  '.fingerprint',
  'server.js',
  'import-worker.js',
  'probe.js',
  'live.js',
  'device.js',
  'in-page.js',
  'journey.js',
  'runtime.js',
  ...PARTS.map(({ name }) => `${name}.js`),
  'fallback.js',
  'cli/main.js',
  'web/index.html',
];
const isFilled = (path) => existsSync(path) && statSync(path).isFile() && statSync(path).size > 0;

/** What a build consists of, so that one whose files were changed or cut off is made again. */
function contents(dir) {
  const hash = createHash('sha256');
  const names = readdirSync(dir, { recursive: true, withFileTypes: true });
  for (const path of names
    .filter((f) => f.isFile())
    .map((f) => join(f.parentPath, f.name))
    .sort())
    if (!path.endsWith('.fingerprint')) hash.update(path.slice(dir.length)).update(readFileSync(path));
  return hash.digest('hex');
}

/** What a long complaint of the bundler says is wrong, and where. */
function firstLine(output) {
  const lines = stripVTControlCharacters(output)
    .split('\n')
    .map((l) => l.trim());
  const from = lines.findLastIndex((l) => /^(Error: )?Build failed with/.test(l));
  const [first = output.trim().slice(-300), next = ''] = lines.slice(from + 1).filter((l) => l !== '');
  const place = /\[ (\S+:\d+:\d+) \]/.exec(lines.join('\n'))?.[1];
  const fault = first.replace(/^\[[^\]]*\]\s*/, '');
  // Some name the file first, and what is wrong in it on the next line.
  if (existsSync(fault)) return `${fault.replace(`${inRoot()}/`, '')}: ${next.replace(/^\w*Error: /, '')}`;
  return `${place ? `${place}: ` : ''}${fault}`;
}

/** Of a build that failed: the first fault with its place, in one line. */
function firstFault(error) {
  const [fault] = error.errors ?? [];
  if (!fault) return error.message.split('\n')[0];
  const { file, line, column } = fault.location ?? {};
  return `${file ? `${file}, line ${line}, column ${column + 1}: ` : ''}${fault.text}.`;
}

export async function ensureBuilt({ force = false } = {}) {
  const stamp = inRoot('dist', '.fingerprint');
  const now = fingerprint();
  const isWhole = () => readFileSync(stamp, 'utf8') === `${now} ${contents(inRoot('dist'))}`;
  if (!force && MADE.every((f) => isFilled(inRoot('dist', f))) && isWhole()) return;
  say('building …');
  try {
    // Whatever stands there that is not ours to write into, a file of that name or a half-made build, goes.
    rmSync(inRoot('dist'), { recursive: true, force: true });
    mkdirSync(inRoot('dist'), { recursive: true });
  } catch (error) {
    giveUp(`the folder “dist” cannot be written: ${error.message}. Remove it, then start again.`);
  }
  const build = await builder();
  const web = run(
    process.execPath,
    [inRoot('node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'warn'],
    {
      quiet: true,
      cwd: inRoot('packages/web'),
    },
  );
  const built = await Promise.all([
    build(serverBundle(inRoot('dist/server.js'))),
    build(importWorkerBundle(inRoot('dist/import-worker.js'))),
    buildCli(),
  ]).catch((error) => error);
  if (built instanceof Error) giveUp(`it could not be built: ${firstFault(built)}`);
  const { code, output } = await web;
  if (code !== 0) giveUp(`the interface could not be built: ${firstLine(output)}`);
  writeFileSync(stamp, `${now} ${contents(inRoot('dist'))}`);
}
