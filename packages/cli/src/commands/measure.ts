import type { Command } from 'commander';
import { emptyDocument } from '@lyvek/core';
import { readDocumentFile, readPageAt, viewportFrom } from '../input.ts';
import { putJson } from '../output.ts';
import { measured, readImport } from '../page.ts';

export const measure = (program: Command): void =>
  void program
    .command('measure')
    .description('measure a page in Chromium: its elements, sections and scrollers, as a layout')
    .argument('<page>', 'an .html file, a folder, a .zip, or - for HTML from the standard input')
    .option('--viewport <size>', 'width and height of the viewport', '1280x800')
    .option(
      '--document <file>',
      'a document whose pins, adjustments and selectors count; else what the page’s own CSS moves',
    )
    .option('--out <file>', 'where to write the layout', '-')
    .addHelpText(
      'after',
      '\nExample:\n  lyvek measure site/index.html --viewport 390x844 > phone.layout.json',
    )
    .action(async (path: string, o: { viewport: string; document?: string; out: string }) => {
      const page = readPageAt(path);
      const document = o.document ? readDocumentFile(o.document) : readImport(page).document;
      putJson(await measured(page, viewportFrom(o.viewport), document ?? emptyDocument()), o.out);
    });
