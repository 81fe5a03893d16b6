/** The description of the HTTP API (OpenAPI 3.1), made from the shapes that requests and answers are checked by. */
import * as z from 'zod';
import { isJson, PlainDocument, PlainMotions, PlainPatch, PlainPreset, routes, THINGS } from '@lyvek/api';
import type { Route } from '@lyvek/api';
import { DocumentShape, PatchSchema, PresetBodyShape } from '@lyvek/core';

/** What routes only pass on is described by the shape that it is read by. */
const PLAIN = new Map<z.core.$ZodType, z.ZodType>([
  [PlainDocument, DocumentShape],
  [PlainMotions, DocumentShape.shape.motions],
  [PlainPreset, PresetBodyShape],
  [PlainPatch, PatchSchema],
]);
const toSchema = (shape: z.ZodType, io: 'input' | 'output'): object => {
  const { $schema: _, ...schema } = z.toJSONSchema(shape, {
    unrepresentable: 'any',
    io,
    override: ({ zodSchema, jsonSchema }) => {
      const described = PLAIN.get(zodSchema);
      if (described) Object.assign(jsonSchema, toSchema(described, io));
    },
  });
  return schema;
};

const Problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  detail: z.string(),
});

function describe(op: Route): object {
  const parameters = [
    ...[...op.path.matchAll(/:(\w+)/g)].map((m) => ({
      name: m[1],
      in: 'path',
      required: true,
      schema: { type: 'string' },
    })),
    ...Object.entries(op.query?.shape ?? {}).map(([name, shape]) => ({
      name,
      in: 'query',
      required: !(shape as z.ZodType).safeParse(undefined).success,
      schema: toSchema(shape as z.ZodType, 'input'),
    })),
    ...Object.values(op.headers ?? {}).map(({ name, summary }) => ({
      name,
      in: 'header',
      required: true,
      description: summary,
      schema: { type: 'string' },
    })),
  ];
  const content = !op.answer
    ? undefined
    : isJson(op.answer)
      ? { 'application/json': { schema: toSchema(op.answer, 'output') } }
      : { [op.answer.type]: {} };
  const bytes = { schema: { type: 'string', format: 'binary' } };
  const body = isJson(op.body)
    ? { [op.media ?? 'application/json']: { schema: toSchema(op.body, 'input') } }
    : op.body && Object.fromEntries(op.body.types.map((type) => [type, bytes]));
  return {
    summary: op.summary,
    ...(parameters.length ? { parameters } : {}),
    ...(body ? { requestBody: { required: true, content: body } } : {}),
    responses: {
      [op.status ?? (op.answer ? 200 : 204)]: { description: 'Done', ...(content ? { content } : {}) },
      default: {
        description: 'What went wrong, in a sentence (RFC 9457)',
        content: { 'application/problem+json': { schema: toSchema(Problem, 'output') } },
      },
    },
  };
}

/** All that there are. */
export const ROUTES: readonly Route[] = [
  ...Object.values(routes),
  ...Object.values(THINGS).flatMap((thing) => Object.values(thing)),
];

/** OpenAPI writes `{id}` where routes have `:id`. */
export const templated = (path: string): string => path.replace(/:(\w+)/g, '{$1}');

export function openApi(): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const op of ROUTES) (paths[templated(op.path)] ??= {})[op.method.toLowerCase()] = describe(op);
  return {
    openapi: '3.1.0',
    info: {
      title: 'Lyvek',
      version: '0.1.0',
      description: 'The API of the workbench, for programs on the same machine.',
    },
    servers: [{ url: '/api' }],
    paths,
  };
}
