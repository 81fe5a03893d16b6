/** Calls to the server. Answers are checked by the shared shapes; errors arrive as `ApiError` with a sentence for people. */
import * as z from 'zod';
import { OWN_SCRIPTS } from '@lyvek/core';
import type { OwnScript } from '@lyvek/core';
import { createClient, routes, THINGS } from '@lyvek/api';

const ProblemShape = z.looseObject({ title: z.string(), status: z.number(), detail: z.string() });

/** 0: no connection at all; 507: its disk is full. */
const AWAY = new Set([0, 429, 502, 503, 504, 507]);

export class ApiError extends Error {
  /** 0: the server could not be reached */
  readonly status: number;
  readonly title: string;
  readonly extra: Record<string, unknown>;

  constructor(status: number, title: string, detail: string, extra: Record<string, unknown> = {}) {
    super(detail);
    this.status = status;
    this.title = title;
    this.extra = extra;
  }
  /** The server or its database is away for the moment; trying again makes sense. */
  get away(): boolean {
    return AWAY.has(this.status);
  }
}

async function send(path: string, init: RequestInit): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, init);
  } catch {
    throw new ApiError(0, 'No connection', 'The Lyvek server does not answer. Lyvek keeps trying.');
  }
  if (response.ok) return response;
  const problem = ProblemShape.safeParse(await response.json().catch(() => null));
  if (!problem.success)
    throw new ApiError(response.status, 'Unexpected answer', `The server answered with ${response.status}.`);
  const { title, detail, ...extra } = problem.data;
  throw new ApiError(response.status, title, detail, extra);
}

export const api = createClient(routes, send);

/** Length of the scripts that a hand-off may include, by name. */
export async function readScriptSizes(): Promise<Record<OwnScript, number>> {
  const sizes = await Promise.all(
    OWN_SCRIPTS.map(async (name) => [name, (await (await api.script({ name })).text()).length] as const),
  );
  return Object.fromEntries(sizes) as Record<OwnScript, number>;
}

/** Renaming, deleting and restoring, alike for all of them. */
export const things = {
  projects: createClient(THINGS.projects, send),
  pages: createClient(THINGS.pages, send),
  takes: createClient(THINGS.takes, send),
  presets: createClient(THINGS.presets, send),
  references: createClient(THINGS.references, send),
};
