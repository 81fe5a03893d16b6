import type { Command } from 'commander';
import { readPageAt } from '../input.ts';
import { note, putJson } from '../output.ts';
import { provedImport, readImport } from '../page.ts';

export const importPage = (program: Command): void =>
  void program
    .command('import')
    .description('read what a page moves by its own CSS, as a document')
    .argument('<page>', 'an .html file, a folder, a .zip, or - for HTML from the standard input')
    .option('--corrections', 'import mistakes with their corrections')
    .option('--unproved', 'do not look in Chromium whether everything plays the same')
    .option('--report <file>', 'write what was left and what is wrong as JSON')
    .option('--out <file>', 'where to write the document', '-')
    .addHelpText(
      'after',
      '\nWhat could not be read is listed with file, line and column beside the result. What Chromium shows differently when Lyvek writes it stays in the page.\nExit status 2: nothing could be proved, so everything stays in the page.\n\nExample:\n  lyvek import site/ > site.lyvek.json',
    )
    .action(
      async (
        path: string,
        o: { corrections?: boolean; unproved?: boolean; report?: string; out: string },
      ) => {
        const page = readPageAt(path);
        // What is read as it was meant is to play something else than the page does.
        const proof = o.corrections || o.unproved ? null : await provedImport(page);
        const { document, unsupported, mistakes } = readImport(
          page,
          o.corrections ? 'all' : undefined,
          proof?.left,
        );
        for (const u of unsupported)
          note(`${u.place.path}:${u.place.line}:${u.place.column}: left as it is: ${u.what}: ${u.reason}`);
        for (const m of mistakes)
          note(`${m.place.path}:${m.place.line}:${m.place.column}: ${m.what}. ${m.advice}`);
        if (proof) note(proof.message);
        else if (document.motions.length > 0)
          note('Not proved: nobody has looked whether it plays the same.');
        if (proof && !proof.proved) process.exitCode = 2;
        if (o.report) putJson({ unsupported, mistakes, ...(proof ? { proof } : {}) }, o.report);
        putJson(document, o.out);
      },
    );
