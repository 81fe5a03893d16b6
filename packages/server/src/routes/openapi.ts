/** The description of the HTTP API (OpenAPI 3.1), made from the shapes that requests and answers are checked by. */
import * as z from 'zod';
import { AnsweredDocument, AnsweredMotions, AnsweredPreset } from '@lyvek/api';
import { DocumentShape, PresetBodyShape } from '@lyvek/core';
import { OPERATIONS } from './operations.ts';
import type { Operation } from './operations.ts';

/** What is answered without being read again is described by the shape that it was read by. */
const ANSWERED = new Map<z.core.$ZodType, z.ZodType>([
  [AnsweredDocument, DocumentShape],
  [AnsweredMotions, DocumentShape.shape.motions],
  [AnsweredPreset, PresetBodyShape],
]);
const toSchema = (shape: z.ZodType, io: 'input' | 'output'): object => {
  const { $schema: _, ...schema } = z.toJSONSchema(shape, {
    unrepresentable: 'any',
    io,
    override: ({ zodSchema, jsonSchema }) => {
      const described = ANSWERED.get(zodSchema);
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

function describe(op: Operation): object {
  const [, path] = op.route;
  const parameters = [
    ...[...path.matchAll(/:(\w+)/g)].map((m) => ({
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
    ...Object.entries(op.headers ?? {}).map(([name, description]) => ({
      name,
      in: 'header',
      required: true,
      description,
      schema: { type: 'string' },
    })),
  ];
  const content = !op.answer
    ? undefined
    : op.answer instanceof z.ZodType
      ? { 'application/json': { schema: toSchema(op.answer, 'output') } }
      : { [(op.answer as { type: string }).type]: {} };
  const bytes = { schema: { type: 'string', format: 'binary' } };
  const body =
    op.body instanceof z.ZodType
      ? { 'application/json': { schema: toSchema(op.body, 'input') } }
      : op.body && Object.fromEntries(op.body.map((type) => [type, bytes]));
  return {
    summary: op.summary,
    ...(parameters.length ? { parameters } : {}),
    ...(body ? { requestBody: { required: true, content: body } } : {}),
    responses: {
      [op.status ?? 200]: { description: 'Done', ...(content ? { content } : {}) },
      default: {
        description: 'What went wrong, in a sentence (RFC 9457)',
        content: { 'application/problem+json': { schema: toSchema(Problem, 'output') } },
      },
    },
  };
}

/** OpenAPI writes `{id}` where routes have `:id`. */
export const templated = (path: string): string => path.replace(/:(\w+)/g, '{$1}');

export function openApi(): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const op of OPERATIONS) {
    const [method, path] = op.route;
    (paths[templated(path)] ??= {})[method] = describe(op);
  }
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
