import type { Command } from 'commander';
import { readPageAt } from '../input.ts';
import { note, putJson } from '../output.ts';
import { readingOf } from '../page.ts';

export const importPage = (program: Command): void =>
  void program
    .command('import')
    .description('read what a page moves by its own CSS, as a document')
    .argument('<page>', 'an .html file, a folder, a .zip, or - for HTML from the standard input')
    .option('--mend', 'read mistakes as they were meant')
    .option('--report <file>', 'write what was left and what is wrong as JSON')
    .option('--out <file>', 'where to write the document', '-')
    .addHelpText(
      'after',
      '\nWhat could not be read is listed with file, line and column beside the result.\n\nExample:\n  lyvek import site/ > site.lyvek.json',
    )
    .action((path: string, o: { mend?: boolean; report?: string; out: string }) => {
      const { document, unread, mistakes } = readingOf(readPageAt(path), o.mend ? 'all' : undefined);
      for (const u of unread)
        note(`${u.place.path}:${u.place.line}:${u.place.column}: left as it is: ${u.what}: ${u.reason}`);
      for (const m of mistakes)
        note(`${m.place.path}:${m.place.line}:${m.place.column}: ${m.what}. ${m.fix}`);
      if (o.report) putJson({ unread, mistakes }, o.report);
      putJson(document, o.out);
    });
