import type { Command } from 'commander';
import { Option } from 'commander';
import { setTimeout as rest } from 'node:timers/promises';
import { BadInput } from '../errors.ts';
import { note } from '../output.ts';
import { withServer } from '../server.ts';
import type { ServerOptions } from '../server.ts';
import { readConfig } from '../sync/config.ts';
import type { SyncPage } from '../sync/config.ts';
import { PageSync } from '../sync/page-sync.ts';
import type { Prefer } from '../sync/page-sync.ts';
import { TakeSide } from '../sync/take-side.ts';

interface Options extends ServerOptions {
  page?: string;
  take?: string;
  css?: string;
  module?: string;
  html?: string[];
  document?: string;
  once?: boolean;
  prefer?: Prefer;
}

/** ms between looks at the files */
const LOOK_MS = 200;
const PAUSE_MS = 2000;
/** The page may have been measured anew, which no revision tells. */
const RELOOK_MS = 5000;
/** It says that it still runs so often. */
const TELL_MS = 5000;
/** Looks in a row after which both sides stand still, or something keeps changing them. */
const MAX_LOOKS = 5;

/** What is asked for, or what the config says. */
function chosenPages({ page, take, css, module, html, document }: Options): SyncPage[] {
  if (css !== undefined) {
    if (page === undefined) throw new BadInput('--css goes with --page, which page it is for');
    return [{ page, css, take, module, document, html }];
  }
  const { pages } = readConfig();
  const named = page === undefined ? pages : pages.filter((p) => p.page === page);
  if (named.length === 0)
    throw new BadInput(
      `the config has no page “${page}”; it has ${pages.map((p) => `“${p.page}”`).join(', ')}`,
    );
  return named;
}

/** Until both sides stand still; whether they do. */
async function settle(one: PageSync): Promise<number | null> {
  for (let i = 0; i < MAX_LOOKS; i++) {
    const look = await one.look();
    if (look !== 'again') return look === 'waiting' ? null : look.revision;
  }
  return null;
}

/** Until it is ended: after every edit on either side. */
async function follow(one: PageSync): Promise<never> {
  setInterval(() => void one.tell(), TELL_MS).unref();
  for (;;) {
    // An edit while it looks, or what it has written itself, is looked at once more.
    let texts: string;
    let known: number | null;
    do {
      texts = one.texts();
      known = await settle(one);
    } while (one.texts() !== texts);
    const over = new AbortController();
    await Promise.race([
      ...[fileChange(one, texts, over.signal), newer(one, known, over.signal)],
      rest(RELOOK_MS, undefined, { signal: over.signal }).catch(() => undefined),
    ]);
    over.abort();
  }
}

async function fileChange(one: PageSync, known: string, signal: AbortSignal): Promise<void> {
  while (!signal.aborted && one.texts() === known) await rest(LOOK_MS);
}

async function newer(one: PageSync, known: number | null, signal: AbortSignal): Promise<void> {
  if (known === null) return void (await rest(PAUSE_MS));
  while (!signal.aborted)
    try {
      if (await one.side.isNewer(known, signal)) return;
    } catch {
      if (!signal.aborted) await rest(PAUSE_MS);
    }
}

const several = (value: string, known: string[] = []) => [...known, value];

export const sync = (program: Command): void =>
  void withServer(
    program
      .command('sync')
      .description('keep files of your project in step with takes, both ways, while you edit either')
      .option('--page <name>', 'the page in the running Lyvek; else every page of lyvek.config.json')
      .option('--take <name>', 'which of its takes; else the first')
      .option('--css <file>', 'your style sheet; Lyvek has a block of its own in it')
      .option('--module <file>', 'your module (.js or .ts) for what CSS cannot play')
      .option(
        '--html <file>',
        'the page’s HTML, or a component that makes it; may be given several times',
        several,
      )
      .option('--document <file>', 'the motions as a file of your repository, which is opened and saved')
      .option('--once', 'bring all in step once, and end')
      .addOption(
        new Option('--prefer <side>', 'what is taken where both sides changed one motion').choices([
          'file',
          'take',
        ]),
      ),
  )
    .addHelpText(
      'after',
      '\nExamples:\n  lyvek sync --page "Home" --css src/motion.css --module src/motion.ts --html src/App.tsx\n  lyvek sync    (as lyvek.config.json says)',
    )
    .action(async (o: Options, command: Command) => {
      const pages = chosenPages(o);
      if (o.css === undefined && command.getOptionValueSource('server') === 'default')
        o.server = readConfig().server ?? o.server;
      const all: PageSync[] = [];
      for (const files of pages) {
        const side = await TakeSide.find(o, files);
        all.push(new PageSync(side, files, o.prefer));
        if (!o.once) note(`“${side.page}”, ${side.name} ↔ ${files.css}. End it with Ctrl+C.`);
      }
      if (!o.once) await Promise.all(all.map(follow));
      for (const one of all) if ((await settle(one)) === null) process.exitCode = 1;
    });
