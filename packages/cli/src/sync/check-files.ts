/** Whether files of a project say what its document says, without a running workbench: for CI. */
import { documentMark, findBlock, makePatch } from '@lyvek/core';
import { readDocumentFile } from '../input.ts';
import { listHtml } from './config.ts';
import type { SyncPage } from './config.ts';
import { listMissing } from './html-side.ts';
import { readFile } from './whole-file.ts';

export interface Checked {
  /** paths that were looked at */
  files: string[];
  /** sentences, each with the file that it is about */
  problems: string[];
}

/** The block of the page in one file, and what is wrong with it. */
function checkBlock(path: string, page: string, edits: string) {
  const text = readFile(path);
  const block = text === '' ? null : findBlock(text, page);
  if (!block) return { wrong: `${path}: it has no block of “${page}”: run lyvek sync` };
  if ('broken' in block) return { wrong: `${path}: ${block.broken}` };
  return block.edited ? { wrong: `${path}: its block was edited since it was written: ${edits}` } : block;
}

export function checkFiles(page: SyncPage): Checked {
  const { css, module, document: path } = page;
  const problems: string[] = [];
  const files = [css];
  const block = checkBlock(css, page.page, 'lyvek sync reads it back');
  if ('wrong' in block) problems.push(block.wrong);
  if (module !== undefined && readFile(module) !== '') {
    files.push(module);
    const script = checkBlock(module, page.page, 'undo that, or take it out and run lyvek sync');
    if ('wrong' in script) problems.push(script.wrong);
  }
  if (path === undefined) return { files, problems };
  files.push(path);
  const document = readDocumentFile(path);
  if (!('wrong' in block) && block.source !== documentMark(document))
    problems.push(`${css}: it was written from another document than ${path} is now: run lyvek sync`);
  const html = listHtml(page);
  if (html.length === 0) return { files, problems };
  files.push(...html);
  for (const { file, why, code } of listMissing(html, makePatch(document, [], document.prefix)))
    problems.push(`${file}: ${why} ${code.split('\n')[0]}`);
  return { files, problems };
}
