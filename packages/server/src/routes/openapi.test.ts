import { present } from '@lyvek/core';
import { describe, expect, test } from '@jest/globals';
import type { Router } from 'express';
import type pg from 'pg';
import { Proving } from '../add-page/proved.ts';
import { Importer } from '../add-page/importer.ts';
import { LabTurn } from '../lab/index.ts';
import { Proofs } from '../preview/proofs.ts';
import { archiveRoutes } from './archives.ts';
import { handOffRoutes } from './hand-off.ts';
import { healthRoutes } from './health.ts';
import { openApi, ROUTES } from './openapi.ts';
import { pageRoutes } from './pages.ts';
import { presetRoutes } from './presets.ts';
import { projectRoutes } from './projects.ts';
import { referenceRoutes } from './references.ts';
import { FORMATS, toJsonSchema, schemaRoutes } from './schemas.ts';
import { showRoutes } from './shows.ts';
import { syncRoutes } from './sync.ts';
import { takeRoutes } from './takes.ts';
import { thingRoutes } from './things.ts';
import { trialRoutes } from './trials.ts';

interface Layer {
  route?: { path: string; methods: Record<string, boolean> };
}
const nothing = {} as pg.Pool;
const routed = (router: Router): string[] =>
  (router as unknown as { stack: Layer[] }).stack.flatMap(({ route }) =>
    route ? Object.keys(route.methods).map((m) => `${m} ${route.path}`) : [],
  );

describe('the description of the API', () => {
  test('has every route, and no other', () => {
    const importer = new Importer({ start: () => null as never });
    const real = [
      healthRoutes(nothing),
      projectRoutes(nothing),
      archiveRoutes(nothing),
      pageRoutes({
        pool: nothing,
        ownPorts: [],
        importer,
        proving: new Proving(importer, new LabTurn(nothing), () => ''),
      }),
      takeRoutes(nothing),
      syncRoutes(),
      thingRoutes(nothing),
      trialRoutes(nothing),
      presetRoutes(nothing),
      referenceRoutes(nothing),
      handOffRoutes(nothing, () => Buffer.alloc(0), new Proofs(), new LabTurn(nothing)),
      showRoutes(nothing, () => Buffer.alloc(0)),
      schemaRoutes(),
    ].flatMap(routed);
    const promised = ROUTES.map(({ method, path }) => `${method.toLowerCase()} ${path}`);
    expect(promised.sort()).toEqual([...new Set(real)].sort());
  });

  test('names its path parameters, and describes bodies and answers', () => {
    const { openapi, paths } = openApi() as {
      openapi: string;
      paths: Record<string, Record<string, Record<string, unknown>>>;
    };
    expect(openapi).toMatch(/^3\.1/);
    for (const [path, methods] of Object.entries(paths))
      for (const operation of Object.values(methods)) {
        const named = ((operation.parameters ?? []) as { in: string; name: string }[]).filter(
          (p) => p.in === 'path',
        );
        expect(named.map((p) => p.name)).toEqual([...path.matchAll(/\{(\w+)\}/g)].map((m) => m[1]));
        expect(Object.keys(operation.responses as object)).toContain('default');
      }
    const put = present(paths['/takes/{id}/document']).put as {
      requestBody: { content: Record<string, { schema: { type: string } }> };
    };
    expect(present(put.requestBody.content['application/json']).schema.type).toBe('object');
    const get = present(paths['/takes/{id}']).get as {
      responses: Record<string, { content: Record<string, { schema: { properties: object } }> }>;
    };
    // Answered as it is, and described all the same.
    expect(present(present(get.responses[200]).content['application/json']).schema.properties).toMatchObject({
      document: { type: 'object', properties: { motions: { type: 'array' } } },
    });
  });

  test.each(Object.keys(FORMATS))('%s has a published schema', (format) => {
    expect(toJsonSchema(present(FORMATS[format]))).toMatchObject({ type: 'object' });
  });
});
