/** Calls to the server. Answers are checked by the shared shapes; errors arrive as `ApiError` with a sentence for people. */
import * as z from 'zod';
import {
  FormerLayout,
  Page,
  ImportProof,
  PageImport,
  PageTexts,
  PageWhole,
  ProofResultShape,
  ProofToken,
  Preset,
  Presets,
  UnitCosts,
  Project,
  Projects,
  ProjectSettings,
  ReferenceSet,
  ReferenceSets,
  Revision,
  Revisions,
  Shelf,
  Storage,
  Take,
  TakeDocument,
  Takes,
  Trial,
  Trials,
  TrialWhole,
} from '@lyvek/api';
import type { Layout, MotionDocument, PresetBody, TrialResult, TrialSetup } from '@lyvek/core';

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

async function call(path: string, init: RequestInit = {}): Promise<Response> {
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

const get = async <T extends z.ZodType>(path: string, shape: T): Promise<z.infer<T>> =>
  shape.parse(await (await call(path)).json());

const json = (method: string, body: unknown, headers: Record<string, string> = {}): RequestInit => ({
  method,
  headers: { 'content-type': 'application/json', ...headers },
  body: JSON.stringify(body),
});
const send = async <T extends z.ZodType>(path: string, init: RequestInit, shape: T): Promise<z.infer<T>> =>
  shape.parse(await (await call(path, init)).json());

const Brought = z.object({
  id: z.string(),
  name: z.string(),
  limit: z.string().optional(),
  proof: ImportProof.pick({ proved: true, message: true }).optional(),
});
export type Thing = 'projects' | 'pages' | 'takes' | 'presets' | 'references';

export const api = {
  storage: () => get('/storage', Storage),
  projects: () => get('/projects', Projects),
  shelf: (id: string) => get(`/projects/${id}`, Shelf),
  createProject: (name: string) => send('/projects', json('POST', { name }), Project),
  settings: (projectId: string) => get(`/projects/${projectId}/settings`, ProjectSettings),
  unitCosts: (projectId: string) => get(`/projects/${projectId}/prices`, UnitCosts),
  putSettings: (projectId: string, settings: ProjectSettings) =>
    send(`/projects/${projectId}/settings`, json('PUT', settings), ProjectSettings),
  page: (id: string) => get(`/pages/${id}`, PageWhole),
  runtime: async () => (await call('/runtime.js')).text(),
  texts: (id: string) => get(`/pages/${id}/texts`, PageTexts),
  imported: (id: string) => get(`/pages/${id}/reading`, PageImport),
  /** Keeps the finished hand-off on the server for a few minutes; answers with its token. */
  startProof: (takeId: string, query: string) =>
    send(`/takes/${takeId}/proofs?${query}`, { method: 'POST' }, ProofToken),
  /** Proves it in Chromium on the server’s machine. */
  labProof: (takeId: string, query: string, signal: AbortSignal) =>
    send(`/takes/${takeId}/proofs/lab?${query}`, { method: 'POST', signal }, ProofResultShape),
  trials: (pageId: string) => get(`/pages/${pageId}/trials`, Trials),
  trial: (id: string) => get(`/trials/${id}`, TrialWhole),
  /** Queues a trial in the lab, or keeps one that was measured here. */
  startTrial: (takeId: string, setup: TrialSetup, result?: TrialResult) =>
    send(`/takes/${takeId}/trials`, json('POST', { setup, ...(result ? { result } : {}) }), Trial),
  repeatTrial: (id: string) => send(`/trials/${id}/again`, { method: 'POST' }, Trial),
  cancelTrial: async (id: string) => void (await call(`/trials/${id}/cancel`, { method: 'POST' })),
  take: (id: string) => get(`/takes/${id}`, TakeDocument),
  createTake: (
    pageId: string,
    document: MotionDocument,
    madeFrom?: { takeId: string; revision: number },
    name?: string,
  ) => send(`/pages/${pageId}/takes`, json('POST', { document, madeFrom, name }), Take),
  takesAway: (pageId: string) => get(`/pages/${pageId}/takes/away`, Takes),
  revisions: (takeId: string, before?: number) =>
    get(`/takes/${takeId}/revisions${before === undefined ? '' : `?before=${before}`}`, Revisions),
  revision: (takeId: string, number: number) => get(`/takes/${takeId}/revisions/${number}`, TakeDocument),
  references: (pageId: string) => get(`/pages/${pageId}/references`, ReferenceSets),
  createReference: (pageId: string, name: string) =>
    send(`/pages/${pageId}/references`, json('POST', { name }), ReferenceSet),
  addPicture: (setId: string, at: number, body: Blob) =>
    send(
      `/references/${setId}/pictures?at=${at}`,
      { method: 'POST', headers: { 'content-type': body.type }, body },
      ReferenceSet,
    ),
  movePicture: (id: string, at: number) => send(`/pictures/${id}`, json('PATCH', { at }), ReferenceSet),
  removePicture: (id: string) => send(`/pictures/${id}`, { method: 'DELETE' }, ReferenceSet),
  addPage: (
    projectId: string,
    body: Blob,
    query: { name?: string; entry?: string },
    signal?: AbortSignal,
  ) => {
    const search = new URLSearchParams(
      Object.entries(query).filter(([, v]) => v !== undefined) as [string, string][],
    );
    return send(
      `/projects/${projectId}/pages?${search}`,
      { method: 'POST', headers: { 'content-type': body.type }, body, ...(signal ? { signal } : {}) },
      Brought,
    );
  },
  /** Brings another version of a page. */
  replaceFiles: (pageId: string, body: Blob, entry?: string) =>
    send(
      `/pages/${pageId}/files${entry === undefined ? '' : `?entry=${encodeURIComponent(entry)}`}`,
      { method: 'PUT', headers: { 'content-type': body.type }, body },
      Page,
    ),
  setOutside: (pageId: string, outside: boolean) =>
    send(`/pages/${pageId}/outside`, json('PUT', { outside }), Page),
  former: (pageId: string) => get(`/pages/${pageId}/former`, FormerLayout),
  settleFormer: async (pageId: string) => void (await call(`/pages/${pageId}/former`, { method: 'DELETE' })),
  connectPage: (projectId: string, url: string) =>
    send(`/projects/${projectId}/live-pages`, json('POST', { url }), Page),
  rename: async (what: Thing, id: string, name: string) =>
    void (await call(`/${what}/${id}`, json('PATCH', { name }))),
  remove: async (what: Thing, id: string) => void (await call(`/${what}/${id}`, { method: 'DELETE' })),
  restore: async (what: Thing, id: string) => void (await call(`/${what}/${id}/restore`, { method: 'POST' })),
  putLayout: async (pageId: string, contentHash: string, layout: Layout) =>
    void (await call(`/pages/${pageId}/layouts`, json('PUT', layout, { 'if-match': `"${contentHash}"` }))),
  presets: () => get('/presets', Presets),
  keepPreset: (name: string, body: PresetBody) => send('/presets', json('POST', { name, body }), Preset),
  /** Replaces what a preset holds, if `base` is still its newest revision. */
  putPreset: (id: string, base: number, body: PresetBody) =>
    send(`/presets/${id}`, json('PUT', body, { 'if-match': `"${base}"` }), Preset),
  /** Appends a revision after `base`; `editId` makes a retry harmless. */
  putDocument: (takeId: string, base: number, editId: string, document: MotionDocument) =>
    send(
      `/takes/${takeId}/document`,
      json('PUT', document, { 'if-match': `"${base}"`, 'x-edit-id': editId }),
      Revision,
    ),
};
