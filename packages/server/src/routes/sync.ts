import { Router } from 'express';
import { LRUCache } from 'lru-cache';
import { routes } from '@lyvek/api';
import type { SyncReport } from '@lyvek/api';
import { handle } from '../http/handle.ts';

/** What says nothing for so long has ended. */
const TTL_MS = 15_000;

/** Reports of running `lyvek sync`: of the moment, so nothing of them is stored. */
export function syncRoutes(): Router {
  const router = Router();
  const reports = new LRUCache<string, SyncReport>({ max: 200, ttl: TTL_MS });
  handle(router, routes.sync, ({ id }) => ({ sync: reports.get(id) ?? null }));
  handle(router, routes.putSync, ({ id, body }) => void reports.set(id, body));
  return router;
}
