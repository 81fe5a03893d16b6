/** References: pictures of a page, placed at scroll offsets, to compare takes with. */
import { Router } from 'express';
import type pg from 'pg';
import { routes } from '@lyvek/api';
import { LIMITS } from '../add-page/limits.ts';
import { handle } from '../http/handle.ts';
import { found, notFound, Problem } from '../http/problem.ts';
import { pageById } from '../store/pages.ts';
import {
  addPicture,
  createReference,
  listReferences,
  movePicture,
  pictureBytes,
  referenceById,
} from '../store/references.ts';

/** By what the file begins with; its name and the sender’s word do not count. */
const KINDS: readonly [type: string, begins: (b: Buffer) => boolean][] = [
  ['image/png', (b) => b.subarray(0, 8).toString('latin1') === '\x89PNG\r\n\x1a\n'],
  ['image/jpeg', (b) => b[0] === 0xff && b[1] === 0xd8 && b[2] === 0xff],
  [
    'image/webp',
    (b) => b.subarray(0, 4).toString('latin1') === 'RIFF' && b.subarray(8, 12).toString('latin1') === 'WEBP',
  ],
];
const getKind = (bytes: Buffer) => KINDS.find(([, begins]) => begins(bytes))?.[0];

export function referenceRoutes(db: pg.Pool): Router {
  const router = Router();
  const find = async (id: string) => found(await referenceById(db, id), 'reference');
  const findPage = async (id: string) => found(await pageById(db, id), 'page').id;

  handle(router, routes.references, async ({ id }) => ({
    references: await listReferences(db, await findPage(id)),
  }));
  handle(router, routes.createReference, async ({ id, body }) =>
    createReference(db, await findPage(id), body.name),
  );

  handle(router, routes.addPicture, async ({ id, at, body }) => {
    const set = await find(id);
    if (!getKind(body))
      throw new Problem(415, 'Not a picture', 'A picture is a PNG, a JPEG or a WebP file. Use one of these.');
    if (set.pictures.length >= LIMITS.pictures)
      throw new Problem(
        422,
        'Too many pictures',
        `A reference has at most ${LIMITS.pictures} pictures. Take one out, or make another reference.`,
      );
    await addPicture(db, set.id, at, body);
    return find(set.id);
  });
  handle(router, routes.movePicture, async ({ id, body }) => {
    const set = await movePicture(db, id, body.at);
    return find(found(set, 'picture'));
  });
  handle(router, routes.removePicture, async ({ id }) => {
    const set = await movePicture(db, id, null);
    return find(found(set, 'picture'));
  });
  handle(router, routes.picture, async ({ id }, { res }) => {
    const bytes = await pictureBytes(db, id);
    if (!bytes) throw notFound('picture');
    res.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
    res.type(getKind(bytes) ?? 'application/octet-stream').send(bytes);
  });
  return router;
}
