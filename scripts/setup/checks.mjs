/** What is checked without running anything: each check prints its lines and says how much passed. They run beside each other. */
import { counts } from './counts.mjs';
import { inRoot } from './paths.mjs';
import { run } from './processes.mjs';
import { sizes } from './sizes.mjs';
import { danglingWords } from './words.mjs';

const PROJECTS = [
  ...['core', 'api', 'probe', 'runtime', 'server', 'cli', 'web'].map((p) => `packages/${p}`),
  'e2e',
  'bench',
];

/** What the compiler remembers of the last run: unchanged files are not checked again. */
const buildInfo = (project) => inRoot('.cache', 'types', `${project.replaceAll('/', '-')}.tsbuildinfo`);

const node = (...args) => run(process.execPath, args, { cwd: inRoot(), quiet: true });
const bin = (path, ...args) => node(inRoot('node_modules', path), ...args);
const one = ({ code, output }) => ({
  lines: code === 0 ? [] : [output.trimEnd()],
  passed: code === 0 ? 1 : 0,
  failed: code === 0 ? 0 : 1,
});
const held = ({ rows, wrong }) => ({
  lines: [...rows, ...wrong],
  passed: rows.length,
  failed: wrong.length,
});

export const CHECKS = {
  async types() {
    const lines = [];
    let failed = 0;
    for (const project of PROJECTS) {
      const { code, output } = await bin(
        'typescript-7/bin/tsc',
        '-p',
        project,
        '--incremental',
        '--tsBuildInfoFile',
        buildInfo(project),
      );
      if (code === 0) continue;
      failed++;
      lines.push(output.trimEnd());
    }
    return { lines, passed: PROJECTS.length - failed, failed };
  },
  lint: async () =>
    one(
      await bin(
        'eslint/bin/eslint.js',
        ...['--cache', '--cache-location', '.cache/eslint', '--max-warnings', '0', '.'],
      ),
    ),
  modules: async () =>
    one(
      await bin(
        'dependency-cruiser/bin/dependency-cruise.mjs',
        ...['--config', '.dependency-cruiser.cjs', 'packages'],
      ),
    ),
  format: async () =>
    one(
      await bin(
        'prettier/bin/prettier.cjs',
        ...['--check', '--cache', '--cache-location', '.cache/prettier', '--log-level', 'warn', '.'],
      ),
    ),
  sizes: async () => held(await sizes()),
  counts: () => Promise.resolve(held(counts())),
  async words() {
    const found = await danglingWords();
    const summary = `${found.length} words that the glossary has better ones for`;
    return { lines: [...found, summary], passed: found.length ? 0 : 1, failed: found.length };
  },
};
