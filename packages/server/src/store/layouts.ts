import { LayoutSchema } from '@lyvek/core';
import type { Layout } from '@lyvek/core';
import type { Db } from './database.ts';

/**
 * Layouts of a page whose content is still the same, newest first. One that an earlier version stored and that makes no sense is as good as
 * none: the page is measured again when it is opened.
 */
export const listLayouts = async (db: Db, pageId: string): Promise<Layout[]> =>
  (
    await db.query<{ layout: Layout }>(
      `select l.layout from layouts l join pages p on p.id = l.page_id
       where l.page_id = $1 and l.content_hash = p.content_hash order by l.measured_at desc`,
      [pageId],
    )
  ).rows.flatMap((r) => LayoutSchema.safeParse(r.layout).data ?? []);

export async function putLayout(db: Db, pageId: string, contentHash: string, layout: Layout): Promise<void> {
  await db.query(
    `insert into layouts (page_id, width, height, content_hash, layout) values ($1, $2, $3, $4, $5)
     on conflict (page_id, width, height) do update
     set content_hash = excluded.content_hash, layout = excluded.layout, measured_at = now()`,
    [pageId, layout.viewport.width, layout.viewport.height, contentHash, JSON.stringify(layout)],
  );
}
