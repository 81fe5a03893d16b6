import { Router } from 'express';
import type pg from 'pg';
import { Health, Storage } from '@lyvek/api';
import { isDiskFull } from '../http/problem.ts';
import { answer } from '../http/validate.ts';
import { stored } from '../store/prune.ts';

export const VERSION = '0.1.0';

export function healthRoutes(db: pg.Pool): Router {
  const routes = Router();
  routes.get('/health', async (_req, res) => {
    const database = await db.query('select 1').then(
      () => true,
      () => false,
    );
    const disk = !isDiskFull();
    const ok = database && disk;
    answer(res, Health, { ok, database, disk, version: VERSION }, ok ? 200 : database ? 507 : 503);
  });
  routes.get('/storage', async (_req, res) => answer(res, Storage, await stored(db)));
  return routes;
}
