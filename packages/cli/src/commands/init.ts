import type { Command } from 'commander';
import { existsSync, readdirSync, statSync } from 'node:fs';
import { basename, join } from 'node:path';
import { RUNTIME_PACKAGE } from '@lyvek/core';
import { BadInput } from '../errors.ts';
import { note } from '../output.ts';
import { withServer } from '../server.ts';
import type { ServerOptions } from '../server.ts';
import { CONFIG_FILE } from '../sync/config.ts';
import type { Config, SyncPage } from '../sync/config.ts';
import { isPlain } from '../sync/html-side.ts';
import { listPages } from '../sync/take-side.ts';
import { readFile, replaceFile } from '../sync/whole-file.ts';

/** Where projects keep the component of their page. */
const COMPONENTS = ['App.tsx', 'App.jsx', 'App.vue', 'App.svelte', 'pages/index.astro', 'app/page.tsx'];

/** The files that a page is likely to have here. */
function guess(page: string): SyncPage {
  const folder = existsSync('src') && statSync('src').isDirectory() ? 'src' : '.';
  const at = (file: string) => (folder === '.' ? file : join(folder, file));
  const component = COMPONENTS.map(at).find((p) => existsSync(p));
  const plain = existsSync('index.html')
    ? 'index.html'
    : readdirSync('.').filter(isPlain).length === 1
      ? readdirSync('.').find(isPlain)
      : undefined;
  const html = component ?? plain;
  return {
    page,
    css: at('motion.css'),
    module: at(existsSync('tsconfig.json') ? 'motion.ts' : 'motion.js'),
    ...(html === undefined ? {} : { html }),
    document: at('motion.lyvek.json'),
  };
}

async function findPage(o: ServerOptions & { page?: string }): Promise<string> {
  if (o.page !== undefined) return o.page;
  const pages = await listPages(o);
  const [only, another] = pages;
  if (only && !another) return only.name;
  throw new BadInput(
    only
      ? `which page is it? Give --page with one of ${pages.map((p) => `“${p.name}”`).join(', ')}`
      : 'Lyvek has no page yet: connect your dev server there first, or give --page',
  );
}

/** What is left to be done by hand, once. */
function nextSteps({ css, module = '' }: SyncPage, isBundled: boolean): string[] {
  const [sheet, script] = [basename(css), basename(module).replace(/\.ts$/, '')];
  return isBundled
    ? [
        `npm install --save-dev lyvek, and npm install ${RUNTIME_PACKAGE} where a motion is damped`,
        `import './${sheet}' where the page’s own styles are imported, after them`,
        `import { startMotion } from './${script}', and start it: useEffect(() => startMotion(), [])`,
        'lyvek sync, while you work',
      ]
    : [
        `<link rel="stylesheet" href="${css}"> last in the head`,
        `<script type="module" src="${module}"></script> after it, where a motion is damped`,
        'lyvek sync, while you work',
      ];
}

export const init = (program: Command): void =>
  void withServer(
    program
      .command('init')
      .description(`write ${CONFIG_FILE}: which files of this project belong to which page`)
      .option('--page <name>', 'the page in the running Lyvek; else its only one'),
  )
    .addHelpText('after', '\nExample:\n  lyvek init --page "Home"')
    .action(async (o: ServerOptions & { page?: string }, command: Command) => {
      if (existsSync(CONFIG_FILE))
        throw new BadInput('it is there already; add further pages to its “pages”', CONFIG_FILE);
      const page = guess(await findPage(o));
      const isOther = command.getOptionValueSource('server') !== 'default';
      const config: Config = { ...(isOther ? { server: o.server } : {}), pages: [page] };
      replaceFile(CONFIG_FILE, `${JSON.stringify(config, null, 2)}\n`);
      note(`Wrote ${CONFIG_FILE}. Look at its paths; then:`);
      for (const step of nextSteps(page, readFile('package.json') !== '')) note(`  ${step}`);
    });
