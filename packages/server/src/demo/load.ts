/** Puts the demo project into the database, from the folder demo/, and with it the presets that Lyvek ships. */
import { readFile, readdir } from 'node:fs/promises';
import { join } from 'node:path';
import type pg from 'pg';
import * as z from 'zod';
import { LayoutSchema, readDocument, SHIPPED_PRESETS } from '@lyvek/core';
import { inTransaction } from '../store/database.ts';
import type { Db } from '../store/database.ts';
import { putLayout } from '../store/layouts.ts';
import { createPage } from '../store/pages.ts';
import { createPreset } from '../store/presets.ts';
import { createProject } from '../store/projects.ts';
import { createTake } from '../store/takes.ts';

const Manifest = z.strictObject({
  project: z.string(),
  pages: z.array(z.strictObject({ folder: z.string(), name: z.string() })),
});

/** Loads the demo unless a demo project is there, even a deleted one: what a user removed stays removed. */
export const loadDemoOnce = (pool: pg.Pool, dir: string): Promise<boolean> =>
  inTransaction(pool, async (db) => {
    await db.query('select pg_advisory_xact_lock(487002)');
    const known = await db.query('select 1 from projects where demo');
    if (known.rowCount) return false;
    await loadDemo(db, dir);
    for (const { name, body } of SHIPPED_PRESETS) await createPreset(db, name, body);
    return true;
  });

/** Puts the present demo away and loads it afresh. */
export const resetDemo = (pool: pg.Pool, dir: string): Promise<void> =>
  inTransaction(pool, async (db) => {
    await db.query('update projects set deleted_at = now(), demo = false where demo');
    await loadDemo(db, dir);
  });

async function loadDemo(db: Db, dir: string): Promise<void> {
  const manifest = Manifest.parse(JSON.parse(await readFile(join(dir, 'demo.json'), 'utf8')));
  const project = await createProject(db, manifest.project, true);
  for (const { folder, name } of manifest.pages) {
    const names = await readdir(join(dir, folder), { recursive: true, withFileTypes: true });
    const files = await Promise.all(
      names
        .filter((f) => f.isFile() && !f.name.startsWith('lyvek.'))
        .map(async (f) => {
          const full = join(f.parentPath, f.name);
          return { path: full.slice(join(dir, folder).length + 1), bytes: await readFile(full) };
        }),
    );
    const page = await createPage(db, project, { name, entry: 'index.html', files });
    const parsed = readDocument(JSON.parse(await readFile(join(dir, folder, 'lyvek.document.json'), 'utf8')));
    if (!parsed.ok)
      throw new Error(`demo/${folder}: ${parsed.problems.map((p) => `${p.path}: ${p.message}`).join('; ')}`);
    await createTake(db, page.id, 'Take A', parsed.document);
    for (const f of names.filter((n) => n.name.startsWith('lyvek.layout')))
      await putLayout(
        db,
        page.id,
        page.contentHash,
        LayoutSchema.parse(JSON.parse(await readFile(join(f.parentPath, f.name), 'utf8'))),
      );
  }
}
