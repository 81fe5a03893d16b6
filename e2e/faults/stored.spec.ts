/** Data of earlier and of later versions, and what is removed from it with time. */
import { readdirSync, readFileSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import { expect, test } from '@playwright/test';
import { contentKey, fingerprint, shippedCoefficients, itemAt, present } from '@lyvek/core';
import type { MotionDocument } from '@lyvek/core';
import { trialSetup } from '../support/lab.ts';
import { inRepo, migration, query, startServer, withDatabase } from '../support/servers.ts';

const DOCUMENTS = inRepo('e2e/fixtures/documents/');
const documents = readdirSync(DOCUMENTS).map((name) => readFileSync(new URL(name, DOCUMENTS), 'utf8'));
interface Former {
  motions: { driver: { kind: string; gate?: string } }[];
  gates: Record<'id' | 'name' | 'on' | 'subject' | 'down' | 'up' | 'plays' | 'back', unknown>[];
}

/** A project, a page and its takes, as an earlier version stored them. */
async function fill(database: string, takes: readonly string[]): Promise<string[]> {
  const [project, page] = [randomUUID(), randomUUID()];
  await query(database, `insert into projects (id, name) values ($1, 'Kept')`, [project]);
  await query(
    database,
    `insert into pages (id, project_id, name, entry, token, content_hash) values ($1, $2, 'Old', 'index.html', $3, 'x')`,
    [page, project, randomUUID().replaceAll('-', '')],
  );
  const ids: string[] = [];
  for (const document of takes) {
    const id = randomUUID();
    ids.push(id);
    await query(database, `insert into takes (id, page_id, name, revision) values ($1, $2, 'Take A', 1)`, [
      id,
      page,
    ]);
    await query(
      database,
      'insert into revisions (take_id, number, edit_id, document) values ($1, 1, gen_random_uuid(), $2)',
      [id, document],
    );
  }
  return ids;
}

for (const first of [2, 6, 11])
  test(`a database of ${first} migrations is brought up to date, and every document in it is read`, async () => {
    await withDatabase(async (database) => {
      const names = readdirSync(inRepo('packages/server/src/migrations')).sort().slice(0, first);
      await query(
        database,
        'create table migrations (name text primary key, applied_at timestamptz not null default now())',
      );
      for (const name of names) {
        await query(database, migration(name));
        await query(database, 'insert into migrations (name) values ($1)', [name]);
      }
      const ids = await fill(database, documents);
      const server = await startServer(database);
      try {
        expect(ids.length).toBeGreaterThanOrEqual(10);
        for (const [i, id] of ids.entries()) {
          const response = await fetch(`${server.url}/api/takes/${id}`);
          expect(response.status).toBe(200);
          const { document } = (await response.json()) as { document: { motions: unknown[] } };
          expect(document.motions.length).toBe(
            (JSON.parse(itemAt(documents, i)) as { motions: unknown[] }).motions.length,
          );
        }
        const { projects } = (await (await fetch(`${server.url}/api/projects`)).json()) as {
          projects: { name: string }[];
        };
        expect(projects.map((p) => p.name)).toContain('Kept');
      } finally {
        await server.stop();
      }
    });
  });

test('what version 1 stored beside its documents is there under its new words', async () => {
  await withDatabase(async (database) => {
    const names = readdirSync(inRepo('packages/server/src/migrations')).sort().slice(0, 15);
    await query(
      database,
      'create table migrations (name text primary key, applied_at timestamptz not null default now())',
    );
    for (const name of names) {
      await query(database, migration(name));
      await query(database, 'insert into migrations (name) values ($1)', [name]);
    }
    const former = JSON.parse(present(documents.find((d) => d.includes('"gate"')))) as Former;
    const motion = present(former.motions.find((m) => m.driver.kind === 'gate'));
    const body = {
      motions: [motion],
      pins: [],
      gates: former.gates.filter((g) => g.id === motion.driver.gate),
      adjustments: [],
    };
    // The key of a trigger, whose fields have the same names in both versions.
    const [gate] = body.gates;
    const { id, name, on, subject, down, up, plays, back } = present(gate);
    const state = fingerprint(JSON.stringify({ id, name, on, subject, down, up, plays, back })).toString(36);
    const accepted = [{ check: 'gate-unreachable', where: id, reason: 'On purpose', state }];
    const [take] = await fill(database, [JSON.stringify({ ...former, accepted })]);
    await query(database, `insert into presets (id, name, body) values ($1, 'Kept', $2)`, [
      randomUUID(),
      JSON.stringify(body),
    ]);
    const proof = { proved: true, said: 'All of it plays the same.', left: [] };
    await query(database, 'update pages set import_proof = $1', [JSON.stringify(proof)]);
    const { unitCosts, ...rest } = shippedCoefficients('here');
    await query(
      database,
      `insert into prices (project_id, device, coefficients, trials) select id, 'here', $1, 3 from projects`,
      [JSON.stringify({ ...rest, prices: unitCosts })],
    );
    const server = await startServer(database);
    try {
      const get = async <T>(path: string) => (await (await fetch(`${server.url}/api${path}`)).json()) as T;
      const { presets } = await get<{ presets: { name: string; body: { triggers: unknown[] } }[] }>(
        '/presets',
      );
      const kept = presets.filter((p) => p.name === 'Kept');
      expect(kept.map((p) => p.body.triggers.length)).toEqual([1]);
      const { document, pageId } = await get<{ pageId: string; document: MotionDocument }>(`/takes/${take}`);
      const trigger = document.triggers.find((t) => t.id === id);
      expect(document.accepted).toEqual([
        { check: 'trigger-unreachable', where: id, reason: 'On purpose', state: contentKey(trigger) },
      ]);
      const [stored] = await query<{ import_proof: { message: string } }>(
        database,
        'select import_proof from pages where id = $1',
        [pageId],
      );
      expect(present(stored).import_proof.message).toBe(proof.said);
      const { projects } = await get<{ projects: { id: string; name: string }[] }>('/projects');
      const own = present(projects.find((p) => p.name === 'Kept'));
      const fitted = await get<{ unitCosts: { coefficients: { unitCosts: unknown } }[] }>(
        `/projects/${own.id}/unit-costs`,
      );
      expect(itemAt(fitted.unitCosts, 0).coefficients.unitCosts).toEqual(unitCosts);
    } finally {
      await server.stop();
    }
  });
});

test('a database of a newer version is refused in words and left as it is', async () => {
  await withDatabase(async (database) => {
    await (await startServer(database)).stop();
    await query(database, `insert into migrations (name) values ('999_from_tomorrow.sql')`);
    await expect(startServer(database)).rejects.toThrow(/newer version of Lyvek \(999_from_tomorrow\)/);
    expect(await query(database, `select 1 from migrations where name like '999%'`)).toHaveLength(1);
  });
});

test('old revisions thin out, what was deleted long ago goes, and what is needed stays', async () => {
  await withDatabase(async (database) => {
    await (await startServer(database)).stop();
    const [take] = await fill(database, [itemAt(documents, 0)]);
    // Fifty a day for forty days, and a take that was made from one in the middle.
    await query(
      database,
      `insert into revisions (take_id, number, edit_id, document, created_at)
       select $1, n, gen_random_uuid(), '{}'::jsonb, now() - (2001 - n) * interval '1 day' / 50 from generate_series(2, 2000) n`,
      [take],
    );
    await query(database, 'update takes set revision = 2000 where id = $1', [take]);
    await query(
      database,
      `insert into takes (id, page_id, name, revision, made_from, made_from_revision)
       select gen_random_uuid(), page_id, 'From it', 0, id, 777 from takes where id = $1`,
      [take],
    );
    await query(database, `insert into assets (hash, bytes) values ('nobody', 'x')`);
    await query(database, `update projects set deleted_at = now() - interval '40 days' where demo`);
    const before = await query<{ n: number }>(database, 'select count(*)::int as n from revisions');
    const server = await startServer(database, { LYVEK_PRUNE_MS: '100' });
    try {
      await expect
        .poll(async () => (await query(database, `select 1 from projects where demo`)).length, {
          timeout: 30_000,
        })
        .toBe(0);
      await expect
        .poll(async () => (await query(database, `select 1 from assets where hash = 'nobody'`)).length, {
          timeout: 30_000,
        })
        .toBe(0);
      const left = await query<{ number: number }>(
        database,
        'select number from revisions where take_id = $1 order by number',
        [take],
      );
      const numbers = left.map((r) => r.number);
      // The newest 200, whole; the first, the origin; one a day before that, one an hour in the last two weeks.
      expect(numbers.filter((n) => n > 1800)).toHaveLength(200);
      expect(numbers).toEqual(expect.arrayContaining([1, 777]));
      expect(numbers.length).toBeLessThan(750);
      expect(numbers.filter((n) => n < 1200).length).toBeLessThanOrEqual(28);
      expect(numbers.filter((n) => n < 1200).length).toBeGreaterThanOrEqual(22);
      // Once more changes nothing.
      const after = await query<{ n: number }>(database, 'select count(*)::int as n from revisions');
      expect(itemAt(after, 0).n).toBeLessThan(itemAt(before, 0).n);
      const { bytes } = (await (await fetch(`${server.url}/api/storage`)).json()) as { bytes: number };
      expect(bytes).toBeGreaterThan(1e6);
    } finally {
      await server.stop();
    }
  });
});

test('a clock that was set back leaves no trial running for ever', async () => {
  await withDatabase(async (database) => {
    await (await startServer(database)).stop();
    const [take] = await fill(database, [itemAt(documents, 0)]);
    const setup = trialSetup();
    const [trial] = await query<{ id: string }>(
      database,
      `insert into trials (id, page_id, take_id, revision, document, kind, setup, state, attempts, machine, beat_at)
       select gen_random_uuid(), page_id, id, 1, '{}', 'lab', $2, 'running', 2, 'gone', now() + interval '3 hours' from takes where id = $1
       returning id`,
      [take, JSON.stringify(setup)],
    );
    const server = await startServer(database);
    try {
      await expect
        .poll(
          async () =>
            itemAt(
              await query<{ state: string }>(database, 'select state from trials where id = $1', [
                present(trial).id,
              ]),
              0,
            ).state,
          { timeout: 20_000 },
        )
        .toBe('failed');
    } finally {
      await server.stop();
    }
  });
});
