/** Puts the hand-off of a document together, from what the database has of its page. */
import { assemble, isAdjusted } from '@lyvek/core';
import type { MotionDocument, Target } from '@lyvek/core';
import { notFound, Problem } from '../http/problem.ts';
import type { Db } from '../store/database.ts';
import { listLayouts } from '../store/layouts.ts';
import { listFiles, pageById } from '../store/pages.ts';
import { readStored } from '../store/documents.ts';
import { takeWithDocument } from '../store/revisions.ts';
import { handOffPage } from './files.ts';

export interface HandOffQuery {
  width: number;
  height: number;
  target: Target;
  fallback: boolean;
}

export type MadeHandOff = Awaited<ReturnType<typeof makeHandOff>>;

/** `take`: what the title calls it. A page that has not been measured at that size cannot be written. */
export async function makeHandOff(
  db: Db,
  pageId: string,
  document: MotionDocument,
  take: string,
  { width, height, ...options }: HandOffQuery,
) {
  const page = await pageById(db, pageId);
  if (!page) throw notFound('page');
  const layouts = await listLayouts(db, page.id);
  const own = layouts.find((l) => l.viewport.width === width && l.viewport.height === height);
  if (!own)
    throw new Problem(
      409,
      'Not measured',
      `The page has not been measured at ${width} × ${height}. Open it in the Rundown once.`,
    );
  const files = await listFiles(db, page.id);
  const assembled = assemble(
    {
      document,
      layout: own,
      others: layouts.filter((l) => l !== own && isAdjusted(l, document, 'full-motion')),
      page: handOffPage(page, files),
      title: `${page.name}. Lyvek, ${take}`,
    },
    options,
  );
  return { page, files, assembled, document, layout: own };
}

/** The newest revision of a take. */
export async function handOffTake(db: Db, takeId: string, query: HandOffQuery): Promise<MadeHandOff> {
  const take = await takeWithDocument(db, takeId);
  const page = take && (await pageById(db, take.pageId));
  if (!take || !page) throw notFound('take');
  const parsed = readStored(take.document);
  if (!parsed.ok) throw new Problem(500, 'Unreadable take', 'This take does not match the document format.');
  return makeHandOff(db, page.id, parsed.document, `${take.name}, rev ${take.revision}`, query);
}
