import { Router } from 'express';
import type pg from 'pg';
import { Health } from '@lyvek/api';
import { answer } from '../http/validate.ts';

export const VERSION = '0.1.0';

export function healthRoutes(db: pg.Pool): Router {
  const routes = Router();
  routes.get('/health', async (_req, res) => {
    const database = await db.query('select 1').then(
      () => true,
      () => false,
    );
    answer(res, Health, { ok: database, database, version: VERSION }, database ? 200 : 503);
  });
  return routes;
}
