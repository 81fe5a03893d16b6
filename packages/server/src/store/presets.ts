import { randomUUID } from 'node:crypto';
import type { PresetBody } from '@lyvek/core';
import type { Db } from './database.ts';

export interface PresetRow {
  id: string;
  name: string;
  revision: number;
  uses: number;
  body: unknown;
}

const SELECT = `select p.id, p.name, p.revision, p.body,
  (select count(*)::int from takes t where t.deleted_at is null and p.id::text = any(t.presets)) as uses
  from presets p where p.deleted_at is null`;

export const listPresets = async (db: Db): Promise<PresetRow[]> =>
  (await db.query<PresetRow>(`${SELECT} order by lower(p.name), p.created_at`)).rows;

export const presetById = async (db: Db, id: string): Promise<PresetRow | undefined> =>
  (await db.query<PresetRow>(`${SELECT} and p.id = $1`, [id])).rows[0];

export async function createPreset(db: Db, name: string, body: PresetBody): Promise<string> {
  const id = randomUUID();
  await db.query('insert into presets (id, name, body) values ($1, $2, $3)', [
    id,
    name,
    JSON.stringify(body),
  ]);
  return id;
}

export const renamePreset = async (db: Db, id: string, name: string): Promise<boolean> =>
  (await db.query('update presets set name = $2 where id = $1 and deleted_at is null', [id, name]))
    .rowCount === 1;

/** A new revision, if `base` is still the newest. */
export const changePreset = async (db: Db, id: string, base: number, body: PresetBody): Promise<boolean> =>
  (
    await db.query(
      `update presets set body = $3, revision = revision + 1, changed_at = now()
       where id = $1 and revision = $2 and deleted_at is null`,
      [id, base, JSON.stringify(body)],
    )
  ).rowCount === 1;

export const setPresetDeleted = async (db: Db, id: string, deleted: boolean): Promise<boolean> =>
  (await db.query('update presets set deleted_at = case when $2 then now() end where id = $1', [id, deleted]))
    .rowCount === 1;
