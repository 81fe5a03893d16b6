import { randomUUID } from 'node:crypto';
import type { Db } from './database.ts';

export interface ProjectRow {
  id: string;
  name: string;
  demo: boolean;
  pages: number;
}

const SELECT = `select p.id, p.name, p.demo,
  (select count(*)::int from pages where project_id = p.id and deleted_at is null) as pages
  from projects p`;

export const listProjects = async (db: Db): Promise<ProjectRow[]> =>
  (await db.query<ProjectRow>(`${SELECT} where deleted_at is null order by demo desc, created_at`)).rows;

export const projectById = async (db: Db, id: string): Promise<ProjectRow | undefined> =>
  (await db.query<ProjectRow>(`${SELECT} where p.id = $1 and deleted_at is null`, [id])).rows[0];

export async function createProject(db: Db, name: string, demo = false): Promise<string> {
  const id = randomUUID();
  await db.query('insert into projects (id, name, demo) values ($1, $2, $3)', [id, name, demo]);
  return id;
}

export const renameProject = async (db: Db, id: string, name: string): Promise<boolean> =>
  (await db.query('update projects set name = $2 where id = $1 and deleted_at is null', [id, name]))
    .rowCount === 1;

export const setProjectDeleted = async (db: Db, id: string, deleted: boolean): Promise<boolean> =>
  (
    await db.query('update projects set deleted_at = case when $2 then now() end where id = $1', [
      id,
      deleted,
    ])
  ).rowCount === 1;

/** The stored settings, as they were written; undefined without such a project. */
export const listSettings = async (db: Db, id: string): Promise<unknown> =>
  (
    await db.query<{ settings: unknown }>(
      'select settings from projects where id = $1 and deleted_at is null',
      [id],
    )
  ).rows[0]?.settings;

export const putSettings = async (db: Db, id: string, settings: object): Promise<boolean> =>
  (
    await db.query('update projects set settings = $2 where id = $1 and deleted_at is null', [
      id,
      JSON.stringify(settings),
    ])
  ).rowCount === 1;

/**
 * What the shelf of a project shows, as a text that is another one after every change of it: the newest transaction that has written each
 * row. Undefined without such a project.
 */
export const findShelfState = async (db: Db, id: string): Promise<string | undefined> =>
  (
    await db.query<{ state: string }>(
      `select concat_ws(' ', p.xmin, (
         select string_agg(concat_ws(' ', x.id, x.xmin,
           (select string_agg(t.xmin::text, ',' order by t.id) from takes t where t.page_id = x.id),
           (select string_agg(l.xmin::text, ',' order by l.width, l.height) from layouts l where l.page_id = x.id),
           (select concat_ws(',', r.id, r.xmin) from trials r where r.page_id = x.id and r.state = 'done'
             order by r.created_at desc limit 1)), ';' order by x.id)
         from pages x where x.project_id = p.id and x.deleted_at is null)) as state
       from projects p where p.id = $1 and p.deleted_at is null`,
      [id],
    )
  ).rows[0]?.state;
