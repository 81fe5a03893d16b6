/** The two packages that projects install, made from what is built: `lyvek`, the command line, and `@lyvek/runtime`. */
import { cpSync, mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { cliBundle } from './build.mjs';
import { PARTS } from './parts.mjs';
import { inRoot } from './paths.mjs';
import { run } from './processes.mjs';
import { giveUp } from './say.mjs';

/** Readable: whoever installs it has a bundler. Importing it touches nothing. */
const runtimeModules = (outdir) => ({
  entryPoints: {
    index: inRoot('packages/runtime/src/hand-off.ts'),
    ...Object.fromEntries(PARTS.map(({ name, source }) => [name, inRoot('packages/runtime/src', source)])),
    fallback: inRoot('packages/runtime/src/fallback/index.ts'),
  },
  bundle: true,
  splitting: true,
  format: 'esm',
  target: 'es2022',
  chunkNames: 'shared-[hash]',
  outdir,
  logLevel: 'silent',
});

const vitePlugin = (outfile) => ({
  entryPoints: [inRoot('packages/cli/src/vite.ts')],
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  external: ['vite'],
  outfile,
  logLevel: 'silent',
});

const readJson = (path) => JSON.parse(readFileSync(path, 'utf8'));

/** A folder with what is written by hand for a package; the caller adds what is built. `more`: fields of its manifest. */
function begin(name, of, more = {}) {
  const dir = inRoot('.cache', 'packages', name);
  rmSync(dir, { recursive: true, force: true });
  mkdirSync(dir, { recursive: true });
  cpSync(inRoot('packages', of, 'package'), dir, { recursive: true });
  // Under its own name, tools would take it for another package of this repository.
  const manifest = { ...readJson(join(dir, 'manifest.json')), ...more };
  rmSync(join(dir, 'manifest.json'));
  writeFileSync(join(dir, 'package.json'), `${JSON.stringify(manifest, null, 2)}\n`);
  cpSync(inRoot('LICENSE'), join(dir, 'LICENSE'));
  return dir;
}

/** What the bundle leaves to node_modules, in the version that it was tried with. */
function dependencies({ external }) {
  return Object.fromEntries(
    external.map((name) => [name, readJson(inRoot('node_modules', name, 'package.json')).version]),
  );
}

/** Scripts that the command line puts into pages, or beside them. */
const PUT_IN = new Set(
  ['in-page', 'journey', 'live', 'probe', 'runtime', 'fallback', ...PARTS.map(({ name }) => name)].map(
    (name) => `${name}.js`,
  ),
);

/** Two `.tgz` in `folder`, from what is built; their paths by package. */
export async function pack(folder) {
  const { build } = await import('esbuild');
  const runtime = begin('runtime', 'runtime');
  await build(runtimeModules(runtime));
  const cli = begin('lyvek', 'cli', { dependencies: dependencies(cliBundle('')) });
  mkdirSync(join(cli, 'dist'));
  cpSync(inRoot('dist', 'cli'), join(cli, 'dist', 'cli'), { recursive: true });
  for (const file of readdirSync(inRoot('dist')))
    if (PUT_IN.has(file)) cpSync(inRoot('dist', file), join(cli, 'dist', file));
  await build(vitePlugin(join(cli, 'dist', 'vite.js')));
  mkdirSync(join(cli, 'bin'));
  writeFileSync(join(cli, 'bin', 'lyvek.mjs'), "#!/usr/bin/env node\nimport '../dist/cli/main.js';\n", {
    mode: 0o755,
  });
  mkdirSync(folder, { recursive: true });
  const packed = {};
  for (const dir of [cli, runtime]) {
    const { code, output } = await run('npm', ['pack', '--json', '--pack-destination', folder], {
      cwd: dir,
      quiet: true,
    });
    if (code !== 0) giveUp(`npm pack failed in ${basename(dir)}: ${output.trim().slice(-300)}`);
    const [{ name, filename }] = JSON.parse(output.slice(output.indexOf('[')));
    packed[name] = join(folder, filename.replace('@', '').replace('/', '-'));
  }
  return packed;
}
