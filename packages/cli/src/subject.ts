/** What `lyvek check` looks at: a document with its layout, or a page, whose own CSS is read and which is measured. */
import type { Layout, MotionDocument, PageMistake, Viewport } from '@lyvek/core';
import { BadInput } from './errors.ts';
import { asDocument, readJson, readLayoutFile, readPageAt } from './input.ts';
import type { InputPage } from './input.ts';
import { importWithCorrections, measured } from './page.ts';

export interface Subject {
  document: MotionDocument;
  layout: Layout;
  mistakes: PageMistake[];
  /** places of the page that move something and were not read */
  unsupported: number;
  /** null where only a layout is known */
  page: InputPage | null;
  /** the file that findings of motions belong to */
  file: string;
}

export async function findSubject(
  path: string,
  viewport: Viewport,
  { layout: layoutPath, page: pagePath }: { layout?: string; page?: string },
): Promise<Subject> {
  const known = layoutPath ? readLayoutFile(layoutPath) : null;
  if (/\.json$/i.test(path) || path === '-') {
    const document = asDocument(readJson(path), path);
    const page = pagePath ? readPageAt(pagePath) : null;
    const layout = known ?? (page && (await measured(page, viewport, document)));
    if (!layout) throw new BadInput('a document is checked on a page: give --layout or --page', path);
    return { document, layout, mistakes: [], unsupported: 0, page, file: path };
  }
  const page = readPageAt(path);
  const { document, mistakes, unsupported } = importWithCorrections(page);
  const layout = known ?? (await measured(page, viewport, document));
  return { document, layout, mistakes, unsupported, page, file: page.files.entry };
}
