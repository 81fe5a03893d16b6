/** Showing a take on devices: the workbench’s side of it. */
import { Router } from 'express';
import type pg from 'pg';
import { routes } from '@lyvek/api';
import type { Show, ShownFiles } from '../device/show.ts';
import { handedOff } from '../hand-off/files.ts';
import { handOffTake } from '../hand-off/make.ts';
import { handle } from '../http/handle.ts';
import { found, Problem } from '../http/problem.ts';
import { pageById } from '../store/pages.ts';
import { takeById } from '../store/takes.ts';

export function showRoutes(db: pg.Pool, show: Show, built: (file: string) => Uint8Array): Router {
  const router = Router();
  handle(router, routes.show, () => show.state());
  handle(router, routes.stopShow, () => show.stop('It was stopped.'));
  handle(router, routes.followShow, ({ body }) => show.follow(body.mode, body.share));
  handle(router, routes.admitDevice, ({ name, body }) => show.admit(name, body.admitted));
  handle(router, routes.startShow, async ({ id, body }) => {
    const find = async () => found(await takeById(db, id), 'take');
    const take = await find();
    const page = found(await pageById(db, take.pageId), 'page');
    if (page.live)
      throw new Problem(
        409,
        'Not shown from here',
        'A page under development is shown by its own server. Open its address on the device.',
      );
    const make = async (): Promise<ShownFiles> => {
      const { width, height } = body;
      const { files, assembled } = await handOffTake(db, id, {
        width,
        height,
        target: 'css',
        fallback: true,
      });
      return {
        entry: page.entry,
        files: handedOff(files, page.entry, assembled, built),
        outside: page.outside,
      };
    };
    return show.start({ takeId: id, make, revision: async () => (await find()).revision }, body.address);
  });

  return router;
}
