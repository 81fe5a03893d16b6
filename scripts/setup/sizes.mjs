/** What is put into people's pages and browsers stays small: each script is bundled and held against its limit. */
import { readFileSync, readdirSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import {
  inPageBundle,
  journeyBundle,
  liveBundle,
  fallbackBundle,
  probeBundle,
  runtimeBundle,
} from './build.mjs';
import { inRoot } from './paths.mjs';

/** Limits in bytes, minified; `gzip` of what goes over the wire. */
const SCRIPTS = [
  { name: 'probe', bundle: probeBundle, most: 40_000 },
  { name: 'live', bundle: liveBundle, most: 40_000 },
  { name: 'in-page', bundle: inPageBundle, most: 20_000 },
  { name: 'journey', bundle: journeyBundle, most: 5000 },
  { name: 'runtime', bundle: runtimeBundle, most: 12_000, gzip: 4800 },
  { name: 'fallback', bundle: fallbackBundle, most: 9000, gzip: 4000 },
];
/** Libraries that must not come into a page by way of an import. */
const FOREIGN = /node_modules\/([^/]+)/;

const kb = (bytes) => `${(bytes / 1000).toFixed(1)} kB`;

/** Rows in words, and what is wrong, in sentences. */
export async function sizes() {
  const { build } = await import('esbuild');
  const rows = [];
  const wrong = [];
  for (const { name, bundle, most, gzip } of SCRIPTS) {
    const { metafile, outputFiles } = await build({
      ...bundle('out.js'),
      write: false,
      metafile: true,
      logLevel: 'silent',
      absWorkingDir: inRoot(),
    });
    const [{ inputs }] = Object.values(metafile.outputs);
    const { contents } = outputFiles[0];
    const zipped = gzipSync(contents, { level: 9 }).length;
    const largest = Object.entries(inputs)
      .sort(([, a], [, b]) => b.bytesInOutput - a.bytesInOutput)
      .slice(0, 3)
      .map(([file, { bytesInOutput }]) => `${file.replace(/^packages\//, '')} ${kb(bytesInOutput)}`);
    rows.push(`${name}: ${kb(contents.length)}, gzipped ${kb(zipped)} (${largest.join(', ')})`);
    if (contents.length > most) wrong.push(`${name} has ${kb(contents.length)}; its limit is ${kb(most)}.`);
    if (gzip && zipped > gzip) wrong.push(`${name} has ${kb(zipped)} gzipped; its limit is ${kb(gzip)}.`);
    for (const file of Object.keys(inputs)) {
      const foreign = FOREIGN.exec(file)?.[1];
      if (foreign) wrong.push(`${name} brings ${foreign} into the page, by way of ${file}.`);
    }
  }
  return { rows, wrong };
}

/** The script that the workbench loads before anything can be used. */
export function workbenchSize() {
  const dir = inRoot('dist', 'web');
  const html = readFileSync(`${dir}/index.html`, 'utf8');
  const first = readdirSync(`${dir}/assets`).filter((f) => f.endsWith('.js') && html.includes(f));
  const zipped = first.reduce((sum, f) => sum + gzipSync(readFileSync(`${dir}/assets/${f}`)).length, 0);
  return `workbench, before the shelf: ${kb(zipped)} gzipped (${first.length} files)`;
}
