import type { Command } from 'commander';
import { Option } from 'commander';
import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { TARGETS, canFallBack } from '@lyvek/core';
import type { Target } from '@lyvek/core';
import { BadInput } from '../errors.ts';
import { readDocumentFile, readLayoutFile, readPageAt, viewportFrom } from '../input.ts';
import { note, put } from '../output.ts';
import { exportedFiles, measured } from '../page.ts';
import { HAND_OFF_FILE } from '../hand-off-file.ts';
import { checkFiles } from '../sync/check-files.ts';
import { readConfig } from '../sync/config.ts';

interface Options {
  out?: string;
  layout?: string[];
  viewport: string[];
  target: Target;
  fallback?: boolean;
  onlyChanges?: boolean;
  check?: boolean;
}

const several = (value: string, known: string[] = []) => [...known, value];

export const exportPage = (program: Command): void =>
  void program
    .command('export')
    .description('write the page with its motions as standard CSS, and a module where CSS cannot do it')
    .argument('[document]', 'a document, or - for the standard input')
    .argument('[page]', 'the page it is for: an .html file, a folder or a .zip')
    .option('--out <folder>', 'where to write; made if it is not there')
    .option('--layout <file>', 'a layout of the page; may be given for several sizes', several)
    .option('--viewport <size>', 'measure at this size where no layout is given', several, [])
    .addOption(new Option('--target <target>', 'what plays the motions').choices(TARGETS).default('css'))
    .option('--fallback', 'add a script for browsers without scroll timelines')
    .option('--only-changes', 'leave out files of the page that do not change')
    .option('--check', 'write nothing; fail where files of lyvek.config.json are not what its documents say')
    .addHelpText(
      'after',
      '\nExamples:\n  lyvek export --check\n  lyvek export site.lyvek.json site/ --out dist --viewport 1280x800 --viewport 390x844',
    )
    .action(async (path: string | undefined, pagePath: string | undefined, o: Options) => {
      if (o.check) return checkAll();
      if (path === undefined || pagePath === undefined || o.out === undefined)
        throw new BadInput('give a document, a page and --out; or --check, for what lyvek.config.json names');
      const { out: folder } = o;
      const document = readDocumentFile(path);
      const page = readPageAt(pagePath);
      const sizes = o.viewport.length || o.layout ? o.viewport : ['1280x800'];
      const layouts = (o.layout ?? []).map(readLayoutFile);
      for (const size of sizes) layouts.push(await measured(page, viewportFrom(size), document));
      const [layout, ...others] = layouts;
      if (!layout) throw new BadInput('give a --layout or a --viewport');
      const { assembled, files: out } = exportedFiles(page, document, layout, {
        others,
        target: o.target,
        fallback: o.fallback ?? false,
        onlyChanges: o.onlyChanges ?? false,
      });
      out.set(
        HAND_OFF_FILE,
        new TextEncoder().encode(
          `${JSON.stringify({ format: 'lyvek-hand-off', version: 1, entry: page.files.entry, document, layout })}\n`,
        ),
      );
      for (const [file, bytes] of out) {
        mkdirSync(dirname(join(folder, file)), { recursive: true });
        writeFileSync(join(folder, file), bytes);
      }
      for (const n of assembled.notes) note(`${findName(document, n.motion)}: ${n.note}`);
      for (const n of assembled.lost) note(`${findName(document, n.motion)}: ${n.note}`);
      for (const n of assembled.fallback?.notes ?? []) note(`${findName(document, n.motion)}: ${n.note}`);
      for (const d of assembled.deviations)
        note(`${d.browser}${d.motion === null ? '' : `, ${findName(document, d.motion)}`}: ${d.note}`);
      if (o.fallback && !canFallBack(o.target))
        note('--fallback goes with --target css or package; it was left out here.');
      for (const n of assembled.html.notes) note(n);
      note(`${out.size} files are in ${folder}.`);
    });

/** Status 1 where something is not as it should be. */
function checkAll(): void {
  const all = readConfig().pages.map(checkFiles);
  const problems = all.flatMap((c) => c.problems);
  const count = new Set(all.flatMap((c) => c.files)).size;
  if (problems.length) {
    put(problems.join('\n'));
    process.exitCode = 1;
  } else
    note(
      `${count} ${count === 1 ? 'file says' : 'files say'} what the ${all.length === 1 ? 'document says' : 'documents say'}.`,
    );
}

const findName = (document: { motions: { id: string; name: string }[] }, id: string) =>
  document.motions.find((m) => m.id === id)?.name ?? id;
