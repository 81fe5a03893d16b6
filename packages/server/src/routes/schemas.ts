/** Published JSON Schemas of the formats that people exchange. */
import { Router } from 'express';
import * as z from 'zod';
import { routes } from '@lyvek/api';
import { DocumentShape, LayoutSchema, LimitsSchema, PresetBodyShape, TraceSchema } from '@lyvek/core';
import { handle } from '../http/handle.ts';
import { notFound } from '../http/problem.ts';
import { openApi } from './openapi.ts';

export const FORMATS: Record<string, z.ZodType> = {
  document: DocumentShape,
  layout: LayoutSchema,
  preset: PresetBodyShape,
  limits: LimitsSchema,
  trace: TraceSchema,
};

/** CSS syntax inside strings is checked beyond it. */
export const toJsonSchema = (shape: z.ZodType): object =>
  z.toJSONSchema(shape, { unrepresentable: 'any', io: 'input' });

export function schemaRoutes(): Router {
  const router = Router();
  handle(router, routes.schema, ({ format }, { res }) => {
    const shape = Object.hasOwn(FORMATS, format) ? FORMATS[format] : undefined;
    if (!shape) throw notFound('format');
    res.type('application/schema+json').send(JSON.stringify(toJsonSchema(shape)));
  });
  handle(router, routes.openApi, (_, { res }) => void res.json(openApi()));
  return router;
}
