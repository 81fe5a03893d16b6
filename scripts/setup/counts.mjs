/** What the tree is held to, in numbers: tests by lines, waits by the clock, comparisons of a driver’s kind outside its file. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { inRoot } from './paths.mjs';

const CODE = ['packages', 'scripts', 'e2e', 'bench'];
const SKIPPED = /(^|\/)(node_modules|dist|fixtures)(\/|$)|\.d\.m?ts$/;
const TEST = /\.(test|spec)\.tsx?$|^e2e\/|\/testing\//;
/** Share of the lines that are tests. */
const SHARE = [0.25, 0.33];
/** Non-null assertions per 1,000 lines of sources: elsewhere `itemAt`, `lastItem` and `present` check what they say. */
const MAX_ASSERTIONS = 5;

const listFiles = () =>
  CODE.flatMap((dir) =>
    readdirSync(inRoot(dir), { recursive: true, encoding: 'utf8' })
      .map((f) => join(dir, f))
      .filter((f) => /\.(tsx?|mjs|css)$/.test(f) && !SKIPPED.test(f)),
  );
const count = (texts, pattern) => texts.reduce((n, t) => n + (t.match(pattern)?.length ?? 0), 0);

/** Asked for by other packages, or by name in a comment that the runner reads. */
const UNSEEN = ['@swc/core', '@testing-library/dom', 'jest-environment-jsdom'];
const CONFIGS = [
  ...['eslint.config.js', 'jest.config.js', 'playwright.config.ts'],
  // Projects that tests install the packages in.
  ...['react/vite.config.ts', 'vue/vite.config.js'].map((f) => `e2e/fixtures/apps/${f}`),
];

/** Packages that are installed and that nothing imports or names. */
function unusedPackages(texts) {
  const manifests = [
    'package.json',
    ...readdirSync(inRoot('packages')).map((p) => `packages/${p}/package.json`),
  ];
  const all = [...texts, ...CONFIGS.map((f) => readFileSync(inRoot(f), 'utf8'))].join('\n');
  const named = (name) => new RegExp(`['"\`/]${name.replaceAll('.', '\\.')}['"\`/]`).test(all);
  return manifests.flatMap((path) => {
    const { dependencies, devDependencies } = JSON.parse(readFileSync(inRoot(path), 'utf8'));
    return Object.keys({ ...dependencies, ...devDependencies }).filter(
      (name) => !UNSEEN.includes(name) && !named(name.replace('@types/', '')),
    );
  });
}

/** Rows in words, and what is wrong, in sentences. */
export function counts() {
  const files = listFiles().map((path) => ({ path, text: readFileSync(inRoot(path), 'utf8') }));
  if (files.length < 100) throw new Error(`Only ${files.length} files were found, so nothing was counted.`);
  const lines = ({ text }) => text.split('\n').length;
  const sum = (list) => list.reduce((n, f) => n + lines(f), 0);
  const tests = files.filter((f) => TEST.test(f.path));
  const own = files.filter((f) => !TEST.test(f.path));
  const share = sum(tests) / sum(files);
  const sources = own.filter((f) => /\.tsx?$/.test(f.path));
  // Pauses of a hand and of a slow network have their helpers; whatever else waits, waits for a state.
  const waits = count(
    tests.filter((f) => f.path !== 'e2e/support/time.ts').map((f) => f.text),
    /\.waitForTimeout\(|=>\s*setTimeout\(\w+, /g,
  );
  const outside = sources.filter((f) => !/\/drivers\//.test(f.path)).map((f) => f.text);
  const kinds = count(outside, /driver\??\.kind\s*[!=]==?|[!=]==?\s*[\w.]*driver\??\.kind\b/g);
  const sure = count(
    sources.map((f) => f.text),
    /[\w)\]]!(?=[.;,)\]\s[])(?!=)/g,
  );
  const assertions = (1000 * sure) / sum(sources);
  const unused = unusedPackages(files.map((f) => f.text));
  const longest = sources.filter((f) => lines(f) > 300).map((f) => `${f.path} ${lines(f)}`);
  return {
    rows: [
      `tests: ${(share * 100).toFixed(1)} % of ${sum(files)} lines (${SHARE.map((s) => s * 100).join(' to ')} %)`,
      `waits by the clock in tests: ${waits}`,
      `comparisons of a driver’s kind outside its file: ${kinds}`,
      `non-null assertions: ${assertions.toFixed(1)} per 1,000 lines`,
      `packages that nothing uses: ${unused.length}`,
      `files over 300 lines: ${longest.length}${longest.length ? ` (${longest.join(', ')})` : ''}`,
    ],
    wrong: [
      ...(share < SHARE[0] || share > SHARE[1]
        ? [`${(share * 100).toFixed(1)} % of the lines are tests.`]
        : []),
      ...(waits > 0 ? [`${waits} tests wait by the clock: see e2e/support/time.ts.`] : []),
      ...(assertions > MAX_ASSERTIONS
        ? [`${assertions.toFixed(1)} non-null assertions per 1,000 lines: see core/src/assert.`]
        : []),
      ...unused.map((name) => `Nothing uses ${name}: uninstall it.`),
      ...(kinds > 0 ? [`A driver’s kind is compared outside its file in ${kinds} places.`] : []),
    ],
  };
}
