/** References: pictures of a page, placed at scroll offsets, to compare takes with. */
import express, { Router } from 'express';
import type pg from 'pg';
import { Id, NameBody, PictureAt, PictureQuery, ReferenceSet, ReferenceSets } from '@lyvek/api';
import { LIMITS } from '../add-page/limits.ts';
import { notFound, Problem } from '../http/problem.ts';
import { answer, read } from '../http/validate.ts';
import { pageById } from '../store/pages.ts';
import {
  addPicture,
  createReference,
  listReferences,
  movePicture,
  pictureBytes,
  referenceById,
  renameReference,
  setReferenceDeleted,
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

export function referenceRoutes(pool: pg.Pool): Router {
  const routes = Router();
  const find = async (id: unknown) => {
    const set = await referenceById(pool, read(Id, id));
    if (!set) throw notFound('reference');
    return set;
  };
  const onPage = async (id: unknown) => {
    const page = await pageById(pool, read(Id, id));
    if (!page) throw notFound('page');
    return page.id;
  };

  routes.get('/pages/:id/references', async (req, res) =>
    answer(res, ReferenceSets, { references: await listReferences(pool, await onPage(req.params.id)) }),
  );
  routes.post('/pages/:id/references', async (req, res) => {
    const page = await onPage(req.params.id);
    answer(res, ReferenceSet, await createReference(pool, page, read(NameBody, req.body).name), 201);
  });
  routes.patch('/references/:id', async (req, res) => {
    const { id } = await find(req.params.id);
    await renameReference(pool, id, read(NameBody, req.body).name);
    answer(res, ReferenceSet, await find(id));
  });
  routes.delete('/references/:id', async (req, res) => {
    if (!(await setReferenceDeleted(pool, read(Id, req.params.id), true))) throw notFound('reference');
    res.status(204).end();
  });
  routes.post('/references/:id/restore', async (req, res) => {
    if (!(await setReferenceDeleted(pool, read(Id, req.params.id), false))) throw notFound('reference');
    answer(res, ReferenceSet, await find(req.params.id));
  });

  routes.post(
    '/references/:id/pictures',
    express.raw({ type: () => true, limit: LIMITS.pictureBytes }),
    async (req, res) => {
      const set = await find(req.params.id);
      const { at } = read(PictureQuery, req.query);
      const bytes = Buffer.isBuffer(req.body) ? req.body : Buffer.alloc(0);
      if (!getKind(bytes))
        throw new Problem(
          415,
          'Not a picture',
          'A picture is a PNG, a JPEG or a WebP file. Use one of these.',
        );
      if (set.pictures.length >= LIMITS.pictures)
        throw new Problem(
          422,
          'Too many pictures',
          `A reference has at most ${LIMITS.pictures} pictures. Take one out, or make another reference.`,
        );
      await addPicture(pool, set.id, at, bytes);
      answer(res, ReferenceSet, await find(set.id), 201);
    },
  );
  routes.patch('/pictures/:id', async (req, res) => {
    const set = await movePicture(pool, read(Id, req.params.id), read(PictureAt, req.body).at);
    if (set === undefined) throw notFound('picture');
    answer(res, ReferenceSet, await find(set));
  });
  routes.delete('/pictures/:id', async (req, res) => {
    const set = await movePicture(pool, read(Id, req.params.id), null);
    if (set === undefined) throw notFound('picture');
    answer(res, ReferenceSet, await find(set));
  });
  routes.get('/pictures/:id', async (req, res) => {
    const bytes = await pictureBytes(pool, read(Id, req.params.id));
    if (!bytes) throw notFound('picture');
    res.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
    res.type(getKind(bytes) ?? 'application/octet-stream').send(bytes);
  });
  return routes;
}
