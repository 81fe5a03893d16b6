/** Serves a route as its contract says: what comes in is checked with every problem named, what goes out is checked too. */
import express from 'express';
import type { Request, Response, Router } from 'express';
import type * as z from 'zod';
import { Id, isJson } from '@lyvek/api';
import type { Answer, ReadRequest, Route } from '@lyvek/api';
import { KeptAnswers } from './kept-answers.ts';
import { read } from './validate.ts';

export interface Http {
  req: Request;
  res: Response;
}
type Work<R extends Route> = (given: ReadRequest<R, Buffer>, http: Http) => Promise<Answer<R>> | Answer<R>;

/** What varies in a path and is no id. */
const NO_ID = new Set(['number', 'format', 'name']);

function readRequest(
  route: Route,
  { params, query, headers, body }: Request,
  bodySchema?: z.ZodType,
): object {
  const out: Record<string, unknown> = {};
  for (const [name, value] of Object.entries(params)) out[name] = NO_ID.has(name) ? value : read(Id, value);
  if (route.query) Object.assign(out, read(route.query, query));
  for (const [key, { name, schema }] of Object.entries(route.headers ?? {}))
    out[key] = read(schema, headers[name.toLowerCase()]);
  if (isJson(route.body)) out.body = read(bodySchema ?? route.body, body);
  else if (route.body) out.body = Buffer.isBuffer(body) ? body : Buffer.alloc(0);
  return out;
}

interface HandleOptions<R extends Route> {
  /** reads what the contract only passes on, such as a document */
  body?: z.ZodType;
  /** what an answer hangs on, as a text that every change of it changes: as long as it is the same, so is the answer, which is kept */
  state?(given: ReadRequest<R, Buffer>): Promise<string | undefined>;
}

const kept = new KeptAnswers();

export function handle<R extends Route>(
  router: Router,
  route: R,
  work: Work<R>,
  { body, state }: HandleOptions<R> = {},
): void {
  const method = route.method.toLowerCase() as Lowercase<Route['method']>;
  const bytes =
    route.body && !isJson(route.body) ? [express.raw({ type: () => true, limit: route.body.max })] : [];
  router[method](route.path, ...bytes, async (req, res) => {
    const given = readRequest(route, req, body) as ReadRequest<R, Buffer>;
    const known = isJson(route.answer) && state ? await state(given) : undefined;
    if (known !== undefined) {
      const { answer } = route as { answer: z.ZodType };
      const make = async () => JSON.stringify(answer.parse(await work(given, { req, res })));
      return kept.send({ req, res }, known, make);
    }
    const result = await work(given, { req, res });
    if (res.headersSent || res.destroyed) return;
    if (isJson(route.answer)) {
      if (res.statusCode === 200) res.status(route.status ?? 200);
      res.json(route.answer.parse(result));
    } else if (!route.answer) res.status(route.status ?? 204).end();
  });
}
