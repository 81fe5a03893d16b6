/** Which file of a brought page is the page. */
import { Problem } from '../http/problem.ts';
import type { PageFile } from '../store/pages.ts';
import { LIMITS, megabytes } from './limits.ts';

const depth = (path: string) => path.split('/').length;
const isHtml = (path: string) => /\.(html?|xhtml)$/i.test(path);

/**
 * The wanted file if it is there; else index.html nearest to the top; else the only HTML file. Several others: the answer lists
 * them, so that the interface can ask.
 */
export function chooseEntry(files: readonly PageFile[], wanted?: string): string {
  const pages = files.filter((f) => isHtml(f.path)).sort((a, b) => depth(a.path) - depth(b.path));
  const chosen = wanted
    ? pages.find((f) => f.path === wanted)
    : (pages.find((f) => /(^|\/)index\.html?$/i.test(f.path)) ?? (pages.length === 1 ? pages[0] : undefined));
  if (!chosen && wanted) throw new Problem(422, 'No such file', `There is no “${wanted}” among the files.`);
  if (pages.length === 0)
    throw new Problem(422, 'No page in it', 'There is no .html file among the files. Add the page itself.');
  if (!chosen)
    throw new Problem(
      422,
      'Which page?',
      'There are several HTML files and none is called index.html. Choose one.',
      { choices: pages.map((p) => p.path) },
    );
  if (chosen.bytes.length > LIMITS.htmlBytes)
    throw new Problem(
      413,
      'HTML too large',
      `“${chosen.path}” has ${megabytes(chosen.bytes.length)}; the limit for one HTML file is ${megabytes(LIMITS.htmlBytes)}.`,
    );
  return chosen.path;
}

const MAX_OTHERS = 20;

/** The other HTML files among these: pages of their own, which nobody has asked for yet. */
export const otherPages = (files: readonly Pick<PageFile, 'path'>[], entry: string): string[] =>
  files
    .filter((f) => isHtml(f.path) && f.path !== entry)
    .map((f) => f.path)
    .slice(0, MAX_OTHERS);
