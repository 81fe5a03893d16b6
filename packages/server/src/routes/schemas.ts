/** Published JSON Schemas of the formats that people exchange. */
import { Router } from 'express';
import { z } from 'zod';
import { documentJsonSchema, LayoutSchema } from '@lyvek/core';

export function schemaRoutes(): Router {
  const routes = Router();
  routes.get(
    '/schemas/document',
    (_req, res) => void res.type('application/schema+json').send(JSON.stringify(documentJsonSchema())),
  );
  routes.get(
    '/schemas/layout',
    (_req, res) =>
      void res.type('application/schema+json').send(JSON.stringify(z.toJSONSchema(LayoutSchema))),
  );
  return routes;
}
