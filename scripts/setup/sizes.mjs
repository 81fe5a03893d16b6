/** What is put into people's pages and browsers stays small: each script is bundled and held against its limit. */
import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import {
  deviceBundle,
  inPageBundle,
  journeyBundle,
  liveBundle,
  fallbackBundle,
  partBundle,
  probeBundle,
  runtimeBundle,
} from './build.mjs';
import { PARTS } from './parts.mjs';
import { inRoot } from './paths.mjs';

const MAX_OF_PART = {
  marquees: { most: 8000, gzip: 4000 },
  pointers: { most: 4200, gzip: 2100 },
  events: { most: 4000, gzip: 1500 },
  videos: { most: 3000, gzip: 1500 },
  texts: { most: 9200, gzip: 4100 },
  sequences: { most: 5500, gzip: 2500 },
};
/** Limits in bytes, minified; `gzip` of what goes over the wire. */
const SCRIPTS = [
  { name: 'probe', bundle: probeBundle, most: 80_500 },
  { name: 'live', bundle: liveBundle, most: 81_500 },
  { name: 'device', bundle: deviceBundle, most: 4500 },
  { name: 'in-page', bundle: inPageBundle, most: 47_800 },
  { name: 'journey', bundle: journeyBundle, most: 5000 },
  { name: 'runtime', bundle: runtimeBundle, most: 8800, gzip: 4100 },
  ...PARTS.map((part) => ({ name: part.name, bundle: partBundle(part), ...MAX_OF_PART[part.name] })),
  { name: 'fallback', bundle: fallbackBundle, most: 11_000, gzip: 5000 },
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

/** What the browser parses before the shelf can be used, bytes, gzipped. */
const MAX_BEFORE_SHELF = 250_000;
const SHELF = ['index.html', 'src/features/shelf/ShelfScreen.tsx'];

/** The scripts of the built workbench that its first screen needs, against their limit. */
export function workbenchSize() {
  const dir = inRoot('dist', 'web');
  const chunks = JSON.parse(readFileSync(`${dir}/.vite/manifest.json`, 'utf8'));
  const needed = new Set();
  const need = (key) => {
    if (needed.has(key)) return;
    needed.add(key);
    chunks[key].imports?.forEach(need);
  };
  SHELF.forEach(need);
  const zipped = [...needed].map((key) => ({
    key,
    bytes: gzipSync(readFileSync(`${dir}/${chunks[key].file}`)).length,
  }));
  const bytes = zipped.reduce((sum, c) => sum + c.bytes, 0);
  const largest = zipped.sort((a, b) => b.bytes - a.bytes).slice(0, 3);
  const row = `workbench, until the shelf can be used: ${kb(bytes)} gzipped in ${needed.size} files (${largest.map((c) => `${c.key} ${kb(c.bytes)}`).join(', ')})`;
  return {
    row,
    wrong: bytes > MAX_BEFORE_SHELF ? `That is more than ${kb(MAX_BEFORE_SHELF)}.` : null,
  };
}
