/** Showing a take on devices: the workbench’s side of it. */
import { Router } from 'express';
import type pg from 'pg';
import { DeviceScroll, routes } from '@lyvek/api';
import { RiddenSchema } from '@lyvek/core';
import { Show } from '../device/show.ts';
import type { ShownFiles } from '../device/show.ts';
import { handedOff } from '../hand-off/files.ts';
import { handOffTake } from '../hand-off/make.ts';
import { handle } from '../http/handle.ts';
import { found, Problem } from '../http/problem.ts';
import { pageById } from '../store/pages.ts';
import { takeById } from '../store/takes.ts';

/** What a device may take beyond what it was asked for, and until a finger has scrolled, ms. */
const ANSWER_MS = 20_000;
const SCROLL_MS = 90_000;
/** More than these are not shown at once. */
const MAX_SHOWS = 8;

/** `built` reads one of the built scripts. */
export function showRoutes(db: pg.Pool, built: (file: string) => Buffer): Router {
  const router = Router();
  const shows = new Map<string, Show>();
  const of = (id: string): Show => {
    const show = shows.get(id) ?? new Show(() => built('device.js').toString('utf8'));
    shows.set(id, show);
    // Those that have ended are only remembered while there is room.
    for (const [known, { isRunning }] of shows)
      if (shows.size > 2 * MAX_SHOWS && !isRunning && known !== id) shows.delete(known);
    return show;
  };
  handle(router, routes.show, ({ id }) => of(id).state());
  handle(router, routes.stopShow, ({ id }) => of(id).stop('It was stopped.'));
  handle(router, routes.followShow, ({ id, body }) => of(id).follow(body.mode, body.share));
  handle(router, routes.admitDevice, ({ id, name, body }) => of(id).admit(name, body.admitted));
  handle(router, routes.rideDevice, ({ id, name, body }) =>
    of(id).ask(
      name,
      { type: 'ride', ...body },
      { schema: RiddenSchema, timeoutMs: 2 * (body.path.t.at(-1) ?? 0) + body.rest + ANSWER_MS },
    ),
  );
  handle(router, routes.recordDevice, ({ id, name }) =>
    of(id).ask(name, { type: 'record' }, { schema: DeviceScroll, timeoutMs: SCROLL_MS }),
  );
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
    const others = [...shows].filter(([other, { isRunning }]) => isRunning && other !== id);
    if (others.length >= MAX_SHOWS)
      throw new Problem(
        409,
        'Too many are shown',
        `${MAX_SHOWS} takes are shown on devices. Stop one of them first.`,
      );
    return of(id).start({ takeId: id, make, revision: async () => (await find()).revision }, body.address);
  });

  return router;
}
