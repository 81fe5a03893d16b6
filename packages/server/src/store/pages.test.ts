import { beforeEach, describe, expect, test } from '@jest/globals';
import { emptyDocument, emptyLayout, itemAt, present } from '@lyvek/core';
import { inTransaction } from './database.ts';
import { listLayouts, putLayout } from './layouts.ts';
import { findPageImport, putPageImport } from './page-imports.ts';
import {
  createLivePage,
  createPage,
  findImportProof,
  forgetFormerLayout,
  formerLayout,
  listFiles,
  listPages,
  pageByCode,
  pageById,
  pageByToken,
  renewCode,
  replaceFiles,
  setPageDeleted,
  setPageOutside,
  toFile,
} from './pages.ts';
import type { NewPage, PageFile } from './pages.ts';
import { createProject, listProjects, projectById, putSettings, listSettings } from './projects.ts';
import { prune } from './prune.ts';
import {
  addPicture,
  createReference,
  listReferences,
  movePicture,
  pictureBytes,
  referenceById,
} from './references.ts';
import { createTake } from './takes.ts';
import { useDatabase } from './testing.ts';

const db = useDatabase();
const NOBODY = '99999999-9999-4999-8999-999999999999';
const text = (path: string, content: string): PageFile => ({ path, bytes: Buffer.from(content) });
const TWO = [text('index.html', '<p>Tide</p>'), text('css/a.css', 'p { color: red }')];
const words = (files: readonly PageFile[]) => files.map((f) => [f.path, Buffer.from(f.bytes).toString()]);

let project: string;
beforeEach(async () => {
  project = await createProject(db(), 'Hessle');
});
const add = (files: readonly PageFile[] = TWO, proof: NewPage['proof'] = null) =>
  inTransaction(db(), (tx) => createPage(tx, project, { name: 'Home', entry: 'index.html', files, proof }));

describe('pages', () => {
  test('are found by id and by token, with their files, and are counted by their project', async () => {
    const page = await add();
    expect(await pageById(db(), page.id)).toEqual(page);
    expect(await pageByToken(db(), page.token)).toEqual(page);
    expect(words(await listFiles(db(), page.id))).toEqual(words([...TWO].reverse()));
    expect(present(await toFile(db(), page.id, 'css/a.css')).bytes.toString()).toBe('p { color: red }');
    expect(await toFile(db(), page.id, 'css/b.css')).toBeUndefined();
    expect(present(await projectById(db(), project)).pages).toBe(1);
  });

  test('their content is told from what the files say, in any order', async () => {
    const [one, other] = [await add(), await add([...TWO].reverse())];
    expect(one.contentHash).toBe(other.contentHash);
    const changed = await add([itemAt(TWO, 0), text('css/a.css', 'p { color: blue }')]);
    expect(changed.contentHash).not.toBe(one.contentHash);
    const renamed = await add([itemAt(TWO, 0), text('css/b.css', 'p { color: red }')]);
    expect(renamed.contentHash).not.toBe(one.contentHash);
  });

  test('many files come back whole, those of the same content too', async () => {
    const many = Array.from({ length: 600 }, (_, i) => text(`f/${i}.txt`, `content ${i % 50}`));
    const page = await add([text('index.html', 'x'), ...many]);
    const all = new Map(words(await listFiles(db(), page.id)) as [string, string][]);
    expect(all.size).toBe(601);
    expect(many.every((f) => all.get(f.path) === Buffer.from(f.bytes).toString())).toBe(true);
  });

  test('deleted ones are nowhere, and come back', async () => {
    const page = await add();
    expect(await setPageDeleted(db(), page.id, true)).toBe(true);
    expect(await pageById(db(), page.id)).toBeUndefined();
    expect(await pageByToken(db(), page.token)).toBeUndefined();
    expect(await listPages(db(), project)).toEqual([]);
    expect(await setPageOutside(db(), page.id, true)).toBe(false);
    expect(await setPageDeleted(db(), page.id, false)).toBe(true);
    expect((await listPages(db(), project)).map((p) => p.id)).toEqual([page.id]);
    expect(await setPageDeleted(db(), NOBODY, true)).toBe(false);
  });

  test('another version keeps the page as it was measured last, until that is settled', async () => {
    const page = await add();
    const measured = emptyLayout({ width: 1280, height: 800 });
    await putLayout(db(), page.id, page.contentHash, measured);
    await inTransaction(db(), (tx) => replaceFiles(tx, page.id, 'start.html', [text('start.html', 'new')]));
    const now = present(await pageById(db(), page.id));
    expect([now.entry, now.contentHash === page.contentHash]).toEqual(['start.html', false]);
    expect(await listLayouts(db(), page.id)).toEqual([]);
    expect(present(await formerLayout(db(), page.id)).viewport).toEqual(measured.viewport);
    // A second version before anything was settled: what was measured is still the first one.
    await inTransaction(db(), (tx) => replaceFiles(tx, page.id, 'start.html', [text('start.html', 'newer')]));
    expect(await formerLayout(db(), page.id)).not.toBeNull();
    await forgetFormerLayout(db(), page.id);
    expect(await formerLayout(db(), page.id)).toBeNull();
  });

  test('of one size the newest layout counts', async () => {
    const page = await add();
    const size = { width: 800, height: 600 };
    await putLayout(db(), page.id, page.contentHash, emptyLayout(size));
    await putLayout(db(), page.id, page.contentHash, {
      ...emptyLayout(size),
      page: { width: 800, height: 5000 },
    });
    await putLayout(db(), page.id, page.contentHash, emptyLayout({ width: 390, height: 844 }));
    const layouts = await listLayouts(db(), page.id);
    expect(layouts.map((l) => [l.viewport.width, l.page.height])).toEqual([
      [390, expect.any(Number)],
      [800, 5000],
    ]);
  });

  test('what was proved when they were added stays with them', async () => {
    const proof = { proved: true, message: 'All of it plays the same.', left: [] };
    expect(await findImportProof(db(), (await add(TWO, proof)).id)).toEqual(proof);
    expect(await findImportProof(db(), (await add()).id)).toBeNull();
  });

  test('pages under development are paired by a code that can be changed', async () => {
    const page = await createLivePage(db(), project, 'Local', 'http://localhost:4000/');
    expect(present(await pageByCode(db(), present(page.live).code)).id).toBe(page.id);
    expect(await renewCode(db(), page.id)).toBe(true);
    expect(await pageByCode(db(), present(page.live).code)).toBeUndefined();
    const { live } = present(await pageById(db(), page.id));
    expect(present(live).code).toMatch(/^[a-hjkmnp-z2-9]{26}$/);
    expect(await renewCode(db(), (await add()).id)).toBe(false);
  });
});

describe('results of imports', () => {
  const key = { contentHash: 'c1', entry: 'index.html', refuted: [], importer: 'v1' };
  test('belong to a content, an entry file, what was left, and the importer', async () => {
    await putPageImport(db(), key, { document: 1 });
    await putPageImport(db(), { ...key, entry: 'other.html' }, null);
    expect(await findPageImport(db(), key)).toEqual({ document: 1 });
    // Read, and there was nothing.
    expect(await findPageImport(db(), { ...key, entry: 'other.html' })).toBeNull();
    expect(await findPageImport(db(), { ...key, importer: 'v2' })).toBeUndefined();
    expect(await findPageImport(db(), { ...key, contentHash: 'c2' })).toBeUndefined();
    const refuted = [{ selector: '#a', reason: 'it plays otherwise' }];
    expect(await findPageImport(db(), { ...key, refuted })).toBeUndefined();
  });
  test('the first one stays when two are stored at once', async () => {
    const twice = { ...key, contentHash: 'twice' };
    await Promise.all([putPageImport(db(), twice, { n: 1 }), putPageImport(db(), twice, { n: 2 })]);
    expect([{ n: 1 }, { n: 2 }]).toContainEqual(await findPageImport(db(), twice));
  });
  test('go with the last page of their content', async () => {
    const page = await add([text('index.html', 'alone')]);
    const own = { ...key, contentHash: page.contentHash };
    await putPageImport(db(), own, { n: 1 });
    await prune(db());
    expect(await findPageImport(db(), own)).toEqual({ n: 1 });
    expect(await findPageImport(db(), key)).toBeUndefined();
  });
});

describe('projects', () => {
  test('the demo comes first, then the oldest; settings stay as they were put', async () => {
    const demo = await createProject(db(), 'Demo', true);
    const ids = (await listProjects(db())).map((p) => p.id);
    expect(ids[0]).toBe(demo);
    expect(ids.indexOf(project)).toBeGreaterThan(0);
    expect(await putSettings(db(), project, { limits: { lag: 3 } })).toBe(true);
    expect(await listSettings(db(), project)).toEqual({ limits: { lag: 3 } });
    expect(await putSettings(db(), NOBODY, {})).toBe(false);
    expect(await listSettings(db(), NOBODY)).toBeUndefined();
  });
});

describe('references', () => {
  test('pictures lie in the order of their offsets, can be moved and taken out', async () => {
    const page = await add();
    const set = await createReference(db(), page.id, 'Film');
    await addPicture(db(), set.id, 800, Buffer.from('later'));
    await addPicture(db(), set.id, 100, Buffer.from('first'));
    const [first, later] = present(await referenceById(db(), set.id)).pictures;
    expect([present(first).at, present(later).at]).toEqual([100, 800]);
    expect(present(await pictureBytes(db(), present(later).id)).toString()).toBe('later');
    expect(await movePicture(db(), present(later).id, 50)).toBe(set.id);
    expect(present(await referenceById(db(), set.id)).pictures.map((p) => p.at)).toEqual([50, 100]);
    expect(await movePicture(db(), present(later).id, null)).toBe(set.id);
    expect(await movePicture(db(), present(later).id, null)).toBeUndefined();
    expect(itemAt(await listReferences(db(), page.id), 0).pictures).toHaveLength(1);
  });
});

describe('pruning', () => {
  test('what was deleted long ago goes with everything in it, what was deleted lately stays', async () => {
    const [old, late] = [
      await add([text('index.html', 'only in the old one')]),
      await add([text('index.html', 'late')]),
    ];
    for (const page of [old, late]) await createTake(db(), page.id, 'Take A', emptyDocument());
    await setPageDeleted(db(), late.id, true);
    await db().query(`update pages set deleted_at = now() - interval '31 days' where id = $1`, [old.id]);
    const hash = present(await toFile(db(), old.id, 'index.html')).hash;
    expect(await prune(db())).toBeGreaterThan(3);
    const count = async (sql: string, id: string) => (await db().query(sql, [id])).rowCount;
    expect(await count('select 1 from pages where id = $1', old.id)).toBe(0);
    expect(await count('select 1 from takes where page_id = $1', old.id)).toBe(0);
    expect(await count('select 1 from assets where hash = $1', hash)).toBe(0);
    expect(await count('select 1 from takes where page_id = $1', late.id)).toBe(1);
    expect(await setPageDeleted(db(), late.id, false)).toBe(true);
    expect(await prune(db())).toBe(0);
  });
});
