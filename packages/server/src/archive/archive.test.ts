import { beforeAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { PassThrough } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import type pg from 'pg';
import { emptyLayout, itemAt, present } from '@lyvek/core';
import type { MotionDocument } from '@lyvek/core';
import { makeDocument, motion } from '@lyvek/core/testing';
import { createPage } from '../store/pages.ts';
import { createPreset } from '../store/presets.ts';
import { createProject, putSettings } from '../store/projects.ts';
import { appendRevision } from '../store/revisions.ts';
import { createTake } from '../store/takes.ts';
import { useDatabase } from '../store/testing.ts';
import { restoreArchive, TABLES, writeArchive } from './index.ts';
import type { ArchiveOptions } from './write.ts';

const full = useDatabase();
const empty = useDatabase();
const used = useDatabase();

let project: string;
let take: string;

/** A project with something in every table. */
async function fill(db: pg.Pool): Promise<void> {
  project = await createProject(db, 'Tide tables');
  const settings = { limits: { 'speed-change': 4 }, traces: [] };
  await putSettings(db, project, settings as never);
  const page = await createPage(db, project, {
    name: 'Übersicht 🌊',
    entry: 'index.html',
    files: [
      { path: 'index.html', bytes: Buffer.from('<h1>Tides</h1>') },
      { path: 'art/wave.bin', bytes: Buffer.from([0, 255, 10, 13, 0]) },
    ],
  });
  await db.query(
    'insert into layouts (page_id, width, height, content_hash, layout) values ($1, 1280, 800, $2, $3)',
    [page.id, page.contentHash, JSON.stringify(emptyLayout({ width: 1280, height: 800 }))],
  );
  const preset = await createPreset(db, 'Rise', {
    motions: [motion({ targets: { selector: '&' } })],
    pins: [],
    triggers: [],
    adjustments: [],
  });
  const first = await createTake(db, page.id, 'Take A', makeDocument(motion()));
  take = first.id;
  const made = motion({ preset: { id: preset, part: 'm_a', hash: 'x' } });
  for (let n = 1; n <= 3; n++) {
    const facts = { editId: randomUUID(), label: `edit ${n}`, author: randomUUID() };
    await appendRevision(db, take, n, { document: makeDocument({ ...made, name: `State ${n}` }) }, facts);
  }
  await createTake(db, page.id, 'Take B', makeDocument(motion()), { takeId: take, revision: 2 });
  await db.query(
    `insert into trials (id, page_id, take_id, revision, document, kind, setup, state, result)
     values ($1, $2, $3, 2, '{}', 'lab', '{}', 'done', '{"frames":[1.25,16.6667]}')`,
    [randomUUID(), page.id, take],
  );
  const set = randomUUID();
  await db.query('insert into reference_sets (id, page_id, name) values ($1, $2, $3)', [
    set,
    page.id,
    'Sketch',
  ]);
  await db.query(
    'insert into reference_pictures (id, set_id, at, hash) select $1, $2, 0.1, hash from page_files where path = $3',
    [randomUUID(), set, 'art/wave.bin'],
  );
  await db.query(
    `insert into unit_costs (project_id, device, coefficients, trials) values ($1, 'desk', '{"script":0.25}', 4)`,
    [project],
  );
}

async function makeArchive(db: pg.Pool, options: ArchiveOptions): Promise<Buffer> {
  const out = new PassThrough();
  const [bytes] = await Promise.all([buffer(out), writeArchive(db, out, options).then(() => out.end())]);
  return bytes;
}

/** Every row of every table, as text, in an order of its own. */
async function allRows(db: pg.Pool): Promise<Record<string, string[]>> {
  const out: Record<string, string[]> = {};
  for (const { name } of [...TABLES, { name: 'assets' }]) {
    const { rows } = await db.query<{ row: string }>(`select to_jsonb(${name})::text as row from ${name}`);
    out[name] = rows.map((r) => r.row).sort();
  }
  return out;
}

const ALL: ArchiveOptions = { project: null, revisions: 'all' };

beforeAll(async () => {
  await fill(full());
});

describe('an archive', () => {
  test('holds every table that has data', async () => {
    const { rows } = await full().query<{ name: string }>(
      `select table_name as name from information_schema.tables where table_schema = current_schema`,
    );
    // What is worked out again, and what says how the tables came to be.
    const others = ['assets', 'migrations', 'page_imports'];
    expect(rows.map((r) => r.name).sort()).toEqual([...TABLES.map((t) => t.name), ...others].sort());
    for (const { name } of TABLES)
      expect([name, (await full().query(`select 1 from ${name}`)).rowCount]).not.toEqual([name, 0]);
  });

  test('restored into an empty database gives every row back as it was', async () => {
    const before = await allRows(full());
    const restored = await restoreArchive(empty(), await makeArchive(full(), ALL));
    expect(restored.projects).toEqual([{ id: project, name: 'Tide tables' }]);
    expect(await allRows(empty())).toEqual(before);
  });

  test('restored beside what is there, it comes under ids of its own, and what is there stays', async () => {
    await restoreArchive(used(), await makeArchive(full(), ALL));
    const before = await allRows(used());
    const again = await restoreArchive(used(), await makeArchive(full(), { project, revisions: 'all' }));
    expect(itemAt(again.projects, 0).id).not.toBe(project);
    const after = await allRows(used());
    for (const [table, rows] of Object.entries(before))
      expect(after[table]).toEqual(expect.arrayContaining(rows));
    for (const { name } of TABLES.filter((t) => t.name !== 'presets'))
      expect([name, after[name]?.length]).toEqual([name, 2 * present(before[name]).length]);
    // The preset is here as it was saved, so the copy goes on with it.
    expect(after.presets).toEqual(before.presets);
  });

  test('without its history has the newest revision of each take', async () => {
    const files = unzipSync(await makeArchive(full(), { project, revisions: 'newest' }));
    const rows = strFromU8(present(files['tables/revisions.ndjson']))
      .trim()
      .split('\n')
      .map((l) => JSON.parse(l) as { number: number; document: MotionDocument; patch: unknown });
    const newest = rows.map((r) => [r.number, r.document.motions[0]?.name, r.patch]);
    expect(newest.sort()).toEqual([
      [1, motion().name, null],
      [4, 'State 3', null],
    ]);
  });

  test('is of one moment, however much is saved meanwhile', async () => {
    const out = new PassThrough({ highWaterMark: 1024 });
    const reading = buffer(out);
    const writing = writeArchive(full(), out, ALL).then(() => out.end());
    let base = 4;
    for (; base < 24; base++)
      await appendRevision(
        full(),
        take,
        base,
        { document: makeDocument(motion({ name: `Busy ${base}` })) },
        {
          editId: randomUUID(),
        },
      );
    await writing;
    const files = unzipSync(await reading);
    const lines = (table: string) =>
      strFromU8(present(files[`tables/${table}.ndjson`]))
        .trim()
        .split('\n')
        .map((l) => JSON.parse(l) as { id: string; take_id: string; number: number; revision: number });
    const own = lines('revisions').filter((r) => r.take_id === take);
    const saved = present(lines('takes').find((t) => t.id === take)).revision;
    expect(Math.max(...own.map((r) => r.number))).toBe(saved);
    expect(own).toHaveLength(saved);
  });

  test.each([
    ['no zip', () => Buffer.from('PK no'), 'damaged'],
    ['another zip', () => zipSync({ 'index.html': strToU8('<p>') }), 'not a backup'],
    [
      'a newer version',
      () =>
        zipSync({
          'lyvek-archive.json': strToU8('{"format":"lyvek-archive","version":1,"schema":"999_x.sql"}'),
        }),
      'newer version',
    ],
    [
      'a file that is not what its name says',
      () =>
        zipSync({
          'lyvek-archive.json': strToU8('{"format":"lyvek-archive","version":1,"schema":"001_x.sql"}'),
          [`assets/${'0'.repeat(64)}`]: strToU8('x'),
        }),
      'damaged',
    ],
    [
      'rows that refer to nothing',
      () =>
        zipSync({
          'lyvek-archive.json': strToU8('{"format":"lyvek-archive","version":1,"schema":"001_x.sql"}'),
          'tables/takes.ndjson': strToU8(
            JSON.stringify({ id: randomUUID(), page_id: randomUUID(), name: 'T', revision: 1 }),
          ),
        }),
      'cannot be stored',
    ],
  ])('%s is refused in words, and nothing is changed', async (_what, make, words) => {
    const before = await allRows(used());
    await expect((async () => restoreArchive(used(), make()))()).rejects.toThrow(words);
    expect(await allRows(used())).toEqual(before);
  });
});
