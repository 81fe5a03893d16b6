import { Router } from 'express';
import type pg from 'pg';
import { routes } from '@lyvek/api';
import { handle } from '../http/handle.ts';
import { isDiskFull } from '../http/problem.ts';
import { stored } from '../store/prune.ts';

export const VERSION = '0.1.0';

export function healthRoutes(db: pg.Pool): Router {
  const router = Router();
  handle(router, routes.health, async (_, { res }) => {
    const database = await db.query('select 1').then(
      () => true,
      () => false,
    );
    const disk = !isDiskFull();
    const ok = database && disk;
    if (!ok) res.status(database ? 507 : 503);
    return { ok, database, disk, version: VERSION };
  });
  handle(router, routes.storage, () => stored(db));
  return router;
}
